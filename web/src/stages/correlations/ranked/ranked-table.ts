import type { CorrelationSettings } from '@ivlen/contract';
import { COEFFICIENTS, METHOD_NAMES } from '@ivlen/core';
import { CAUTION_WORDS } from '../../../coefficients/caution-words';
import { percent } from '../../../coefficients/cell-data';
import { levelInWords } from '../../../coefficients/levels';
import { commonMethod } from '../../../coefficients/requests';
import { displayName } from '../../../study/variable-name';
import { csvOf } from '../../../tables/csv';
import type { TextTable } from '../../../tables/table-copy';
import type { RankedColumn, RankedPair } from './ranked-columns';

/** The pairs as a table to be pasted. */
export function rankedTable(pairs: readonly RankedPair[], columns: readonly RankedColumn[], settings: CorrelationSettings): TextTable {
  return {
    caption: `Correlations of ${pairs.length} pairs`,
    head: columns.map(({ name }) => name),
    rows: pairs.map((pair) => columns.map((column) => column.shown(pair))),
    note: `Size, p and interval by ${COEFFICIENTS[commonMethod(settings)].name} unless decided otherwise for a variable. ${settings.levels
      .map((level, i) => `${'*'.repeat(i + 1)} p ≤ ${levelInWords(level)}`)
      .join(', ')}.`,
  };
}

/** The pairs with every digit, for other programs. */
export function rankedCsv(pairs: readonly RankedPair[], { level, adjust }: CorrelationSettings): string {
  const head = [
    'variable_1',
    'variable_2',
    'method',
    'coefficient',
    'n',
    'p',
    'log10_p',
    ...(adjust === 'none' ? [] : [`p_${adjust}`]),
    `low_${percent(level)}`,
    `high_${percent(level)}`,
    ...METHOD_NAMES,
    'cautions',
  ];
  const lines = pairs.map(({ main, by }) => [
    displayName(main.column),
    displayName(main.row),
    main.method,
    main.coefficient,
    main.n,
    main.p,
    main.log10P,
    ...(adjust === 'none' ? [] : [main.adjustedP]),
    main.low,
    main.high,
    ...METHOD_NAMES.map((method) => by[method].coefficient),
    main.cautions.map(({ code }) => CAUTION_WORDS[code].short).join('; '),
  ]);
  return csvOf([head, ...lines]);
}
