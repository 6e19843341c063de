import { FormulaError } from './formula-error';

/** A piece of a formula, with the place where it starts and ends in the text (from 0). */
export interface Token {
  readonly type: 'number' | 'name' | 'mark' | 'end';
  /** A number as written, a name without its brackets, or the mark. */
  readonly text: string;
  readonly start: number;
  readonly end: number;
}

const NUMBER = /(?:\d+(?:\.\d*)?|\.\d+)(?:[eE][+-]?\d+)?/y;
const NAME = /[\p{L}_][\p{L}\p{N}_]*/uy;
const BRACKETED = /\[([^[\]]+)\]/y;
const MARK = /[-−+*×·/÷^(),]/y;
const SPACE = /\s+/y;
const MARKS_ALIKE: Readonly<Record<string, string>> = { '−': '-', '×': '*', '·': '*', '÷': '/' };

/**
 * Cuts a formula into numbers, names and marks. A name with spaces or other marks in it stands in square brackets.
 * @throws {FormulaError} a character that belongs to none of them.
 */
export function tokenize(text: string): Token[] {
  const tokens: Token[] = [];
  let at = 0;
  const match = (pattern: RegExp) => {
    pattern.lastIndex = at;
    return pattern.exec(text);
  };
  while (at < text.length) {
    const space = match(SPACE);
    if (space) {
      at += space[0].length;
      continue;
    }
    const [type, found, value] = nextPiece(match);
    if (!found) throw new FormulaError(unknownPiece(text, at), at + 1);
    tokens.push({ type, text: value, start: at, end: at + found.length });
    at += found.length;
  }
  tokens.push({ type: 'end', text: '', start: text.length, end: text.length });
  return tokens;
}

function nextPiece(match: (pattern: RegExp) => RegExpExecArray | null): [Token['type'], string, string] {
  const number = match(NUMBER);
  if (number) return ['number', number[0], number[0]];
  const name = match(NAME);
  if (name) return ['name', name[0], name[0]];
  const bracketed = match(BRACKETED);
  if (bracketed) return ['name', bracketed[0], (bracketed[1] ?? '').trim()];
  const mark = match(MARK)?.[0] ?? '';
  return ['mark', mark, MARKS_ALIKE[mark] ?? mark];
}

function unknownPiece(text: string, at: number): string {
  const character = [...text.slice(at)][0] ?? '';
  if (character === '[') return `The square bracket at character ${at + 1} never closes.`;
  return `“${character}” at character ${at + 1} means nothing in a formula.`;
}
