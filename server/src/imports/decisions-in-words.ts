import type { ImportColumn, ImportSettings } from '@ivlen/contract';
import { countOf } from '../phrases/phrases';

const NAMED = 6;

/** What was decided while a table was brought in, for the first line of the trail: a clause for each decision. */
export function decisionsInWords(settings: ImportSettings, columns: readonly ImportColumn[]): string[] {
  const { format, sheet, separator, decimal, thousands, top, header, nameRows, unitsRow, foot, missingCodes, between } = settings;
  const corrected = (of: (correction: ImportSettings['columns'][string]) => boolean) =>
    columns.filter(({ leftOut }, i) => !leftOut && of(settings.columns[i] ?? {})).map(({ name }) => name);
  const leftOut = columns.filter((column) => column.leftOut).map(({ name }) => name);
  const kinds = columns.flatMap(({ name, kind }, i) => (settings.columns[i]?.kind === kind ? [`${name} as ${kind}`] : []));
  return [
    sheet !== null ? `${format === 'json' ? 'list' : 'sheet'} “${sheet}”` : '',
    format === 'text' ? `cells apart by ${SEPARATORS[separator]}, decimal ${decimal === '.' ? 'point' : 'comma'}` : '',
    thousands === 'none' ? '' : `“${thousands}” between thousands`,
    top > 0 ? `${countOf(top, 'row')} above the names left out` : '',
    header ? (nameRows > 1 ? `names joined from ${nameRows} rows` : '') : 'no row of names',
    unitsRow ? 'a row of units' : '',
    between ? 'rows between the data that are no cases left out' : '',
    foot > 0 ? `${countOf(foot, 'row')} at the foot left out` : '',
    missingCodes.length > 0
      ? `${listed(missingCodes.map((code) => `“${code}”`))} ${missingCodes.length === 1 ? 'means' : 'mean'} missing`
      : '',
    leftOut.length > 0 ? `left out: ${listed(leftOut)}` : '',
    kinds.length > 0 ? `kinds set: ${listed(kinds)}` : '',
    corrected(({ loose }) => loose === true).length > 0
      ? `numbers read out of texts: ${listed(corrected(({ loose }) => loose === true))}`
      : '',
    ...columns.flatMap(({ name, note, leftOut: without }) => (note && !without ? [`${name}: ${note.replace(/\.$/, '')}`] : [])),
  ].filter(Boolean);
}

const SEPARATORS = { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'vertical bars', ' ': 'spaces' } as const;

function listed(items: readonly string[]): string {
  return `${items.slice(0, NAMED).join(', ')}${items.length > NAMED ? ` and ${items.length - NAMED} more` : ''}`;
}
