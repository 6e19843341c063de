/** Hands a text to the browser to be saved as a file. */
export function saveText(fileName: string, type: string, text: string): void {
  saveBlob(fileName, new Blob([text], { type: `${type};charset=utf-8` }));
}

/** Hands a file to the browser to be saved. */
export function saveBlob(fileName: string, blob: Blob): void {
  const link = document.createElement('a');
  const address = URL.createObjectURL(blob);
  link.href = address;
  link.download = fileName;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}
