import type { RichInline, RichParagraph, RichText } from '@ivlen/contract';
import { symbolStretches } from '../controls/rich-text';
import { numbersInText } from './numbers-in-text';
import type { ToldParagraph } from './told';

/** A text written from the data: sentences with numbers that follow it, symbols of statistics in italics. @param block whose numbers they are */
export function generatedText(paragraphs: readonly ToldParagraph[], block: string, at: number, names: readonly string[]): RichText {
  const content = paragraphs.flatMap(({ sentences, item }): RichText['content'] => {
    if (sentences.length === 0) return [];
    const written: RichParagraph = { type: 'paragraph', content: joinedText(sentences, block, at, names) };
    return item ? [{ type: 'bulletList', content: [{ type: 'listItem', content: [written] }] }] : [written];
  });
  return { type: 'doc', content: mergedLists(content) };
}

/** Lists that follow one another are one list. */
function mergedLists(content: RichText['content']): RichText['content'] {
  const merged: RichText['content'] = [];
  for (const part of content) {
    const last = merged.at(-1);
    if (part.type === 'bulletList' && last?.type === 'bulletList') last.content = [...last.content, ...part.content];
    else merged.push(part);
  }
  return merged;
}

function joinedText(sentences: ToldParagraph['sentences'], block: string, at: number, names: readonly string[]): RichInline[] {
  return sentences.flatMap(({ id, text, fixed }, i) => {
    const whole = i === 0 ? text : ` ${text}`;
    const symbols = symbolStretches(whole);
    if (fixed) return withSymbols(whole, 0, symbols);
    return numbersInText(id, whole, names).flatMap((piece): RichInline[] =>
      'words' in piece
        ? withSymbols(piece.words, piece.from, symbols)
        : [{ type: 'value', attrs: { block, key: piece.key, shown: piece.value, at } }],
    );
  });
}

/** Words with what of them is a symbol in italics. @param from where they begin in the text that the stretches are of */
function withSymbols(words: string, from: number, symbols: readonly (readonly [number, number])[]): RichInline[] {
  const inlines: RichInline[] = [];
  let at = 0;
  const add = (to: number, italic: boolean) => {
    if (to > at) inlines.push({ type: 'text', text: words.slice(at, to), ...(italic ? { marks: [{ type: 'italic' as const }] } : {}) });
    at = Math.max(at, to);
  };
  for (const [start, end] of symbols) {
    if (start < from || end > from + words.length) continue;
    add(start - from, false);
    add(end - from, true);
  }
  add(words.length, false);
  return inlines;
}
