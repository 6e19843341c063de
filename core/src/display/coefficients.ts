import type { Interval, Method } from '../correlation/types';

/** A coefficient as screens and sentences call it. */
export interface CoefficientWords {
  /** "Pearson’s r". */
  readonly name: string;
  readonly symbol: string;
  /** When to prefer it, in a line. */
  readonly when: string;
  /** The size that is judged by the bounds of r, and how it is got where it is not the coefficient itself. */
  readonly comparable: { readonly size: (coefficient: number) => number; readonly formula: string | null };
  /** Whether its square is a share of variance. */
  readonly squareIsShared: boolean;
  /** Whether the order of the values alone counts, so that scales which keep it change nothing. */
  readonly ofRanks: boolean;
  /** The coefficient of ranks that stands beside it, or itself. */
  readonly onRanks: Method;
  /** Fewer rows than this give no interval, and no comparison from n alone. */
  readonly fewestForInterval: number;
  /** How many variables can be held constant under it. */
  readonly mostControls: number;
  /** About how often a matrix goes through the rows of a pair whose columns are sorted or summed already. */
  readonly passes: number;
  /** Whether two that share a variable are compared by a formula; others by the bootstrap. */
  readonly dependentFormula: boolean;
}

const itself = { size: (coefficient: number) => Math.abs(coefficient), formula: null };

/** All coefficients, in the order in which they are offered; the only place where their names and symbols stand. */
export const COEFFICIENTS: Readonly<Record<Method, CoefficientWords>> = {
  pearson: {
    name: 'Pearson’s r',
    symbol: 'r',
    when: 'How closely the points follow a straight line; far values weigh much.',
    comparable: itself,
    squareIsShared: true,
    ofRanks: false,
    onRanks: 'spearman',
    fewestForInterval: 4,
    mostControls: Number.POSITIVE_INFINITY,
    passes: 1,
    dependentFormula: true,
  },
  spearman: {
    name: 'Spearman’s ρ',
    symbol: 'ρ',
    when: 'Whether more of one goes with more of the other, straight or not; from the ranks.',
    comparable: itself,
    squareIsShared: false,
    ofRanks: true,
    onRanks: 'spearman',
    fewestForInterval: 4,
    mostControls: Number.POSITIVE_INFINITY,
    passes: 1,
    dependentFormula: false,
  },
  kendall: {
    name: 'Kendall’s τ',
    symbol: 'τ',
    when: 'The same from pairs of rows; exact more often, and for many ties.',
    comparable: { size: (tau) => Math.abs(Math.sin((Math.PI * tau) / 2)), formula: 'sin(πτ/2)' },
    squareIsShared: false,
    ofRanks: true,
    onRanks: 'kendall',
    fewestForInterval: 5,
    mostControls: 1,
    passes: 30,
    dependentFormula: false,
  },
};

/** The names of all coefficients, in the order in which they are offered. */
export const METHOD_NAMES: readonly Method[] = Object.keys(COEFFICIENTS).filter((name): name is Method =>
  Object.hasOwn(COEFFICIENTS, name),
);

/**
 * A value for each coefficient.
 *
 * @example
 * byMethod((method) => COEFFICIENTS[method].symbol); // { pearson: 'r', spearman: 'ρ', kendall: 'τ' }
 */
export function byMethod<T>(of: (method: Method) => T): Record<Method, T> {
  return Object.fromEntries(METHOD_NAMES.map((method) => [method, of(method)])) as Record<Method, T>;
}

/** Below these sizes an interval is known to hold somewhat less often than its level says. */
const ABOUT_BELOW: Readonly<Record<string, number>> = { adf: 100, 'bootstrap-percentile': 50, 'bootstrap-bca': 50 };

/**
 * The level of an interval in words: "95 %", and "about 95 %" where the level is no promise: the distribution-free interval
 * of r below n = 100, bootstrap ones below n = 50, and an interval that says so itself.
 *
 * @example
 * levelInWords({ level: 0.95, method: 'bootstrap-bca' }, 30); // 'about 95 %'
 */
export function levelInWords({ level, method, unsure }: Pick<Interval, 'level' | 'method' | 'unsure'>, n: number): string {
  const percent = `${Math.round(level * 1000) / 10} %`;
  return unsure !== undefined || n < (ABOUT_BELOW[method] ?? 0) ? `about ${percent}` : percent;
}
