/** Mean width of a letter, in parts of the font's size. */
const LETTER = 0.54;

/** A text cut off where it would leave its room. @param width room in pixels @param size of the font in pixels */
export function fitted(text: string, width: number, size: number): string {
  const letters = Math.floor(width / (size * LETTER));
  return text.length <= letters ? text : `${text.slice(0, Math.max(1, letters - 1)).trimEnd()}…`;
}

/** Whether a text has room. */
export function fits(text: string, width: number, size: number): boolean {
  return text.length * size * LETTER <= width;
}

/** A name cut at its last gap, for two lines; whole where it has none. */
export function inTwo(name: string): string[] {
  const gap = name.lastIndexOf(' ');
  return gap > 0 ? [name.slice(0, gap), name.slice(gap + 1)] : [name];
}
