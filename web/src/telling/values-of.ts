import { numbersInText } from './numbers-in-text';
import type { ToldParagraph } from './told';

/** A number that a text can go on with. */
export interface ToldValue {
  readonly shown: string;
  /** What it is of, in the word before it: "r", "n". */
  readonly name: string;
}

/** All numbers of what is told, by their keys. */
export function valuesOf(paragraphs: readonly ToldParagraph[], names: readonly string[]): ReadonlyMap<string, ToldValue> {
  const values = new Map<string, ToldValue>();
  for (const { sentences } of paragraphs)
    for (const [i, { id, text, fixed }] of sentences.entries())
      for (const piece of fixed ? [] : numbersInText(id, i === 0 ? text : ` ${text}`, names))
        if ('value' in piece) values.set(piece.key, { shown: piece.value, name: piece.name });
  return values;
}
