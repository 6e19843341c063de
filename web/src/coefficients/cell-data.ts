import type { CorrelationResult, Half, PairCaution, Variable } from '@ivlen/contract';
import { COEFFICIENTS, formatFullP, type Method } from '@ivlen/core';
import { fineCoefficientText, fineIntervalText, intervalText, pRelationText, pText } from '../numbers/number-text';
import { displayName } from '../study/variable-name';
import { CAUTION_WORDS } from './caution-words';

/** Everything about one cell of the grid. */
export interface GridCellData {
  readonly row: Variable;
  readonly column: Variable;
  readonly method: Method;
  /** Whether it is another than that of all. */
  readonly ownMethod: boolean;
  readonly coefficient: number;
  readonly p: number;
  /** Adjusted for the number of pairs; NaN where nothing is adjusted. */
  readonly adjustedP: number;
  readonly log10P: number;
  readonly n: number;
  readonly low: number;
  readonly high: number;
  readonly because: CorrelationResult['undefinedBecause'][number];
  /** Whether a remedy was decided on and carried out: for this pair by itself, or as for all; null where none was. */
  readonly remedied: 'by-itself' | 'as-all' | null;
  /** The next coefficient that was chosen, NaN where there is none, and its method. */
  readonly second: number;
  readonly secondMethod: Method | null;
  readonly secondP: number;
  readonly secondAdjustedP: number;
  readonly cautions: readonly PairCaution[];
}

/** The p that marks and decisions are about. */
export function decisiveP({ p, adjustedP }: Pick<GridCellData, 'p' | 'adjustedP'>): number {
  return Number.isNaN(adjustedP) ? p : adjustedP;
}

/** What tells a cell apart from all others, also when variables come and go. */
export function cellId({ row, column }: Pick<GridCellData, 'row' | 'column'>): string {
  return `${row.id}.${column.id}`;
}

/** Why a cell has no coefficient, in words. */
function undefinedInWords({
  row,
  column,
  because,
  n,
  remedied,
}: Pick<GridCellData, 'row' | 'column' | 'because' | 'n' | 'remedied'>): string {
  if (remedied !== null) {
    // Inside cases or groups, or among their means, a variable may be constant that varies among the rows.
    const names = { 'constant-x': displayName(row), 'constant-y': displayName(column), 'constant-both': 'neither' } as const;
    if (because === 'too-few-cases') return 'too few rows or cases are left as it was decided';
    if (because && because in names)
      return `${names[because as keyof typeof names]} ${because === 'constant-both' ? 'varies' : 'does not vary'} as it was decided`;
  }
  switch (because) {
    case 'constant-x':
      return `${displayName(row)} has the same value in all ${n} rows used`;
    case 'constant-y':
      return `${displayName(column)} has the same value in all ${n} rows used`;
    case 'constant-both':
      return 'neither varies among the rows used';
    case 'one-control-only':
      return 'Kendall’s τ can hold one variable constant, not several';
    case 'does-not-settle':
      return 'the likelihood has no top, or was not found within its rounds';
    case 'too-few-measured':
      return 'fewer than 3 different values lie above the limit of a variable';
    case 'not-positive':
      return 'a value is not above zero and has no logarithm';
    default:
      if (n === 0) return 'no row is complete for what is needed; at least 3 are';
      return `only ${n} ${n === 1 ? 'row is' : 'rows are'} complete for both; at least 3 are needed`;
  }
}

/** The full numbers of a cell, line by line. */
export function cellLines(cell: GridCellData, { levels, level }: { levels: readonly number[]; level: number }): string[] {
  if (cell.because) return [`no coefficient: ${undefinedInWords(cell)}`];
  const exact = Number.isFinite(cell.log10P) && cell.p < 0.001 ? ` (${formatFullP(cell.p, cell.log10P)})` : '';
  const p = Number.isNaN(cell.p) ? 'no p' : `${pRelationText(cell.p, levels)}${exact}`;
  const adjusted = Number.isNaN(cell.adjustedP) ? [] : [`adjusted ${pRelationText(cell.adjustedP, levels)}`];
  const interval = Number.isNaN(cell.low) ? 'no interval' : `${percent(level)} interval ${fineIntervalText(cell.low, cell.high)}`;
  const second =
    cell.secondMethod && !Number.isNaN(cell.second)
      ? [`${COEFFICIENTS[cell.secondMethod].symbol} = ${fineCoefficientText(cell.second)}, ${pRelationText(cell.secondP, levels)}`]
      : [];
  return [
    `${COEFFICIENTS[cell.method].symbol} = ${fineCoefficientText(cell.coefficient)}, ${p}`,
    ...adjusted,
    `n = ${cell.n}, ${interval}`,
    ...(cell.remedied === 'by-itself' ? ['† as decided for this pair; its card says how'] : []),
    ...second,
    ...(cell.cautions.length > 0 ? [`caution: ${cell.cautions.map(({ code }) => CAUTION_WORDS[code].short).join(', ')}`] : []),
  ];
}

/** "95 %". */
export function percent(level: number): string {
  return `${Math.round(level * 1000) / 10} %`;
}

/** What a cell says where its half shows no coefficient. */
export function halfText(cell: GridCellData, half: Half, levels: readonly number[]): string {
  switch (half) {
    case 'p':
      return pText(cell.p, levels);
    case 'adjusted-p':
      return pText(cell.adjustedP, levels);
    case 'n':
      return String(cell.n);
    case 'interval':
      return intervalText(cell.low, cell.high);
    default:
      return '';
  }
}
