/** Puts the same thing onto the clipboard in several forms, by media type. @throws where the browser does not let the page copy */
export async function copyAs(forms: Readonly<Record<string, string>>): Promise<void> {
  const blobs = Object.entries(forms).map(([type, text]) => [type, new Blob([text], { type })] as const);
  await navigator.clipboard.write([new ClipboardItem(Object.fromEntries(blobs))]);
}
