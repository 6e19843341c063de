import type { CorrelationSettings } from '@ivlen/contract';
import { COEFFICIENTS, countMarks, METHOD_NAMES, type Method } from '@ivlen/core';
import { CAUTION_WORDS } from '../../../coefficients/caution-words';
import { decisiveP, type GridCellData, percent } from '../../../coefficients/cell-data';
import { coefficientText, intervalText, pText } from '../../../numbers/number-text';
import { displayName } from '../../../study/variable-name';
import type { TableColumn } from '../../../tables/columns';
import type { Ranking } from './use-ranking';

/** One pair by every method; `main` is that by which it is reported. */
export interface RankedPair {
  readonly main: GridCellData;
  /** Undefined while they are computed. */
  readonly by: Readonly<Record<Method, GridCellData | undefined>>;
}

export interface RankedColumn extends Pick<TableColumn<RankedPair>, 'name' | 'shown' | 'align'> {
  readonly id: string;
  readonly ascendingFirst?: boolean;
  /** What it is sorted by; NaN comes last either way. */
  readonly sortBy: (pair: RankedPair) => number | string;
}

export function pairName({ main }: RankedPair): string {
  return `${displayName(main.column)} × ${displayName(main.row)}`;
}

/** Those about the pair itself: rows that are not independent touch all pairs alike. */
function own(cautions: GridCellData['cautions']): GridCellData['cautions'] {
  return cautions.filter(({ code }) => code !== 'rows-not-independent');
}

/** Stands where a number is being computed. */
const WAITING = '…';

function coefficientOrWaiting(cell: GridCellData | undefined, of: (coefficient: number) => number): string {
  return cell ? coefficientText(of(cell.coefficient)) : WAITING;
}

/** The columns of the ranked pairs under the settings. */
export function rankedColumns({ levels, level, adjust }: CorrelationSettings): RankedColumn[] {
  const ofMethod = (method: Method): RankedColumn => ({
    id: method,
    name: COEFFICIENTS[method].symbol,
    sortBy: ({ by }) => Math.abs(by[method]?.coefficient ?? Number.NaN),
    shown: ({ by }) => coefficientOrWaiting(by[method], (coefficient) => coefficient),
  });
  const adjusted: RankedColumn = {
    id: 'adjusted',
    name: 'adjusted p',
    ascendingFirst: true,
    sortBy: ({ main }) => main.adjustedP,
    shown: ({ main }) => pText(main.adjustedP, levels),
  };
  return [
    { id: 'pair', name: 'pair', align: 'left', ascendingFirst: true, sortBy: pairName, shown: pairName },
    {
      id: 'size',
      name: 'size',
      sortBy: ({ main }) => Math.abs(main.coefficient),
      shown: ({ main }) => `${coefficientText(main.coefficient)}${'*'.repeat(countMarks(decisiveP(main), levels))}`,
    },
    ...METHOD_NAMES.map(ofMethod),
    { id: 'n', name: 'n', sortBy: ({ main }) => main.n, shown: ({ main }) => String(main.n) },
    {
      id: 'p',
      name: 'p',
      ascendingFirst: true,
      // The logarithm tells apart what is too small for a number.
      sortBy: ({ main }) => (Number.isNaN(main.p) ? Number.NaN : main.p > 0 ? Math.log10(main.p) : main.log10P),
      shown: ({ main }) => pText(main.p, levels),
    },
    ...(adjust === 'none' ? [] : [adjusted]),
    {
      id: 'interval',
      name: `${percent(level)} interval`,
      sortBy: ({ main }) => main.high - main.low,
      shown: ({ main }) => intervalText(main.low, main.high),
    },
    {
      id: 'shared',
      name: 'r²',
      sortBy: ({ by }) => (by.pearson?.coefficient ?? Number.NaN) ** 2,
      shown: ({ by }) => coefficientOrWaiting(by.pearson, (r) => r ** 2),
    },
    {
      id: 'cautions',
      name: 'cautions',
      align: 'left',
      sortBy: ({ main }) => own(main.cautions).reduce((sum, { level: grade }) => sum + (grade === 'note' ? 1 : 10), 0),
      shown: ({ main }) =>
        own(main.cautions)
          .map(({ code }) => CAUTION_WORDS[code].short)
          .join(', '),
    },
  ];
}

/** The pairs that the filters leave. */
export function filterPairs(pairs: readonly RankedPair[], ranking: Ranking, { levels }: CorrelationSettings): RankedPair[] {
  const wanted = ranking.find.trim().toLowerCase();
  return pairs.filter((pair) => {
    const { main } = pair;
    if (wanted && ![main.row, main.column].some((variable) => displayName(variable).toLowerCase().includes(wanted))) return false;
    if (ranking.least > 0 && !(Math.abs(main.coefficient) >= ranking.least)) return false;
    const marked = decisiveP(main) <= (levels[0] ?? 0.05);
    if (ranking.significance !== 'any' && marked !== (ranking.significance === 'marked')) return false;
    const cautions = own(main.cautions);
    if (ranking.cautioned === 'decisive') return cautions.some(({ level }) => level === 'could-change');
    if (ranking.cautioned === 'some') return cautions.length > 0;
    return ranking.cautioned !== 'none' || cautions.length === 0;
  });
}

export function sortPairs(pairs: readonly RankedPair[], { sort, ascending }: Ranking, columns: readonly RankedColumn[]): RankedPair[] {
  const column = columns.find(({ id }) => id === sort) ?? columns[1];
  if (!column) return [...pairs];
  const keyed = pairs.map((pair) => ({ pair, key: column.sortBy(pair) }));
  const direction = ascending ? 1 : -1;
  keyed.sort(({ key: a }, { key: b }) => {
    if (typeof a === 'string' && typeof b === 'string') return direction * a.localeCompare(b);
    const [first, second] = [Number(a), Number(b)];
    if (Number.isNaN(first) || Number.isNaN(second)) return Number(Number.isNaN(first)) - Number(Number.isNaN(second));
    return direction * (first - second);
  });
  return keyed.map(({ pair }) => pair);
}
