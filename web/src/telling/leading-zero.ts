import type { Study } from '@ivlen/contract';
import { displayName } from '../study/variable-name';
import type { Told } from './told';

/** A point that nothing stands before, with digits that no letter follows: ".42" of a coefficient, not ".7z" of a file. */
const BARE_POINT = /(?<![\p{L}\p{N}.])\.(?=\d+(?![\p{L}\p{N}]))/gu;
const SPECIAL = /[.*+?^${}()|[\]\\]/g;

/** Names of a study in which a point before digits is part of the name: "PM .5". */
export function namesWithPoints({ state }: Pick<Study, 'state'>): string[] {
  return state.variables
    .flatMap((variable) => [displayName(variable), variable.name, ...Object.values(variable.valueLabels)])
    .filter((name) => name.search(BARE_POINT) >= 0);
}

/** "r = .42" as "r = 0.42". @param names whose points stay as they are */
export function withLeadingZero(text: string, names: readonly string[] = []): string {
  if (names.length === 0) return text.replaceAll(BARE_POINT, '0.');
  // The longest first, so that no name hides in another.
  const ordered = names.toSorted((a, b) => b.length - a.length).map((name) => name.replaceAll(SPECIAL, '\\$&'));
  return text.replaceAll(new RegExp(`(${ordered.join('|')})|${BARE_POINT.source}`, 'gu'), (_, name?: string) => name ?? '0.');
}

/** All that is told, its numbers with a zero before the point. @param names whose points stay as they are */
export function toldWithLeadingZero(told: Told, names: readonly string[] = []): Told {
  const zero = (text: string) => withLeadingZero(text, names);
  return {
    ...told,
    paragraphs: told.paragraphs.map((paragraph) => ({
      ...paragraph,
      sentences: paragraph.sentences.map((said) => ({ ...said, text: zero(said.text) })),
    })),
    tables: told.tables.map((table) => ({
      ...table,
      rows: table.rows.map((cells) => cells.map((cell, i) => (i === 0 ? cell : zero(cell)))),
      ...(table.note ? { note: zero(table.note) } : {}),
    })),
    figures: told.figures.map((figure) => ({ ...figure, caption: zero(figure.caption) })),
  };
}
