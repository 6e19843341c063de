const KEY = 'ivlen.single-keys';

/** What takes keys itself; boxes to tick and dots to choose do not. */
export const FIELDS = 'input:not([type=checkbox], [type=radio]), textarea, select';

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
  return target instanceof HTMLElement && (target.matches(FIELDS) || target.isContentEditable);
}
