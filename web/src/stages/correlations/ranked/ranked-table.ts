import type { CorrelationSettings } from '@ivlen/contract';
import { COEFFICIENTS, METHOD_NAMES } from '@ivlen/core';
import { CAUTION_WORDS } from '../../../coefficients/caution-words';
import { percent } from '../../../coefficients/cell-data';
import { levelInWords } from '../../../coefficients/levels';
import { commonMethod } from '../../../coefficients/requests';
import { displayName } from '../../../study/variable-name';
import type { TableColumn, ValueTable } from '../../../tables/columns';
import type { RankedColumn, RankedPair } from './ranked-columns';

/** The pairs to be taken along: as they are listed, or in a file by names that programs like, with every digit. */
export function rankedTable(
  pairs: readonly RankedPair[],
  columns: readonly RankedColumn[],
  settings: CorrelationSettings,
): ValueTable<RankedPair> {
  return {
    caption: `Correlations of ${pairs.length} pairs`,
    columns: [
      ...columns.map(({ name, shown, align }): TableColumn<RankedPair> => ({ name, shown, only: 'screen', ...(align ? { align } : {}) })),
      ...fileColumns(settings),
    ],
    rows: pairs,
    note: `Size, p and interval by ${COEFFICIENTS[commonMethod(settings)].name} unless decided otherwise for a variable. ${settings.levels
      .map((level, i) => `${'*'.repeat(i + 1)} p ≤ ${levelInWords(level)}`)
      .join(', ')}.`,
  };
}

function fileColumns({ level, adjust }: CorrelationSettings): TableColumn<RankedPair>[] {
  const text = (name: string, shown: (pair: RankedPair) => string): TableColumn<RankedPair> => ({ name, shown, only: 'file' });
  const number = (name: string, exact: (pair: RankedPair) => number): TableColumn<RankedPair> => ({
    name,
    shown: (pair) => String(exact(pair)),
    exact,
    only: 'file',
  });
  return [
    text('variable_1', ({ main }) => displayName(main.column)),
    text('variable_2', ({ main }) => displayName(main.row)),
    text('method', ({ main }) => main.method),
    number('coefficient', ({ main }) => main.coefficient),
    number('n', ({ main }) => main.n),
    number('p', ({ main }) => main.p),
    number('log10_p', ({ main }) => main.log10P),
    ...(adjust === 'none' ? [] : [number(`p_${adjust}`, ({ main }) => main.adjustedP)]),
    number(`low_${percent(level)}`, ({ main }) => main.low),
    number(`high_${percent(level)}`, ({ main }) => main.high),
    ...METHOD_NAMES.map((method) => number(method, ({ by }) => by[method]?.coefficient ?? Number.NaN)),
    text('cautions', ({ main }) => main.cautions.map(({ code }) => CAUTION_WORDS[code].short).join('; ')),
  ];
}
