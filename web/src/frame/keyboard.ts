const KEY = 'ivlen.single-keys';

/** Whether single-character keys act at all; they can be switched off. */
export function singleKeysAreOn(): boolean {
  return localStorage.getItem(KEY) !== 'off';
}

export function switchSingleKeys(on: boolean): void {
  localStorage.setItem(KEY, on ? 'on' : 'off');
}

/** Whether a key press belongs to a field or a shortcut of the browser. */
export function isTyping({ target, ctrlKey, metaKey, altKey }: KeyboardEvent): boolean {
  if (ctrlKey || metaKey || altKey) return true;
  return target instanceof HTMLElement && (target.matches('input:not([type=checkbox]), textarea, select') || target.isContentEditable);
}
