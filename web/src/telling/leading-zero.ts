import type { Told } from './told';

/** A point that nothing stands before. */
const BARE_POINT = /(?<![\p{L}\p{N}.])\.(?=\d)/gu;

/** "r = .42" as "r = 0.42". */
export function withLeadingZero(text: string): string {
  return text.replaceAll(BARE_POINT, '0.');
}

/** All that is told, its numbers with a zero before the point. */
export function toldWithLeadingZero(told: Told): Told {
  return {
    ...told,
    paragraphs: told.paragraphs.map((paragraph) => ({
      ...paragraph,
      sentences: paragraph.sentences.map((said) => ({ ...said, text: withLeadingZero(said.text) })),
    })),
    tables: told.tables.map((table) => ({
      ...table,
      rows: table.rows.map((cells) => cells.map((cell, i) => (i === 0 ? cell : withLeadingZero(cell)))),
      ...(table.note ? { note: withLeadingZero(table.note) } : {}),
    })),
    figures: told.figures.map((figure) => ({ ...figure, caption: withLeadingZero(figure.caption) })),
  };
}
