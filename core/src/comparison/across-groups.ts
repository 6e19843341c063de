import { completePair, listwiseColumns } from '../columns/complete-rows';
import { joined } from '../columns/joined';
import { METHODS, resolveOptionsOf } from '../correlation/methods';
import { assertSameLength, type ResolvedCorrelationOptions } from '../correlation/options';
import { partialCorrelation } from '../correlation/partial-correlation';
import type { TestedPairs } from '../correlation/tested-pairs';
import type { Alternative, CorrelationTest, IntervalKind, Method } from '../correlation/types';
import type { GroupCoefficient } from './coefficient';
import type { GroupRows } from './group-deviations';
import { type GroupsJudged, judgeGroups } from './judge-groups';
import { type RandomEffects, randomEffects } from './random-effects';
import { type WithinColumn, type WithinCorrelation, withinColumn, withinOf } from './within-group';

export interface AcrossGroupsOptions {
  method: Method;
  /** Of the coefficients' own tests; groups are always compared two-sided. */
  alternative?: Alternative;
  level?: number;
  /** A kind that the method has. The groups are compared by its variance of z where that comes from ranks and n. */
  interval?: IntervalKind;
  /** Variables held constant, as in `partialCorrelation`. */
  controls?: readonly Float64Array[];
}

/** One pair over all rows that have a group, in each group, and the groups compared. */
export interface PairAcrossGroups extends GroupsJudged {
  readonly pooled: CorrelationTest;
  /** In the order of the groups. */
  readonly groups: readonly CorrelationTest[];
  /** What is left within groups, their means taken out. */
  readonly within: WithinCorrelation;
  readonly random: RandomEffects;
}

export interface AcrossGroups {
  readonly groups: readonly { readonly label: number; readonly rows: number }[];
  /** Columns i and j. */
  compare(i: number, j: number): PairAcrossGroups;
}

/**
 * Many pairs across groups: each column is split, and centred or sorted, once for all its pairs.
 *
 * Every coefficient equals the test of that group's rows alone (`testPair`, `partialCorrelation`); see `compareIndependent`,
 * `randomEffects`, `withinGroup` and `groupDisagreement` for what is made of them. Missing values pair by pair.
 * @param columns values in row order; not changed
 * @param labels a group for each row; rows whose label is NaN are left out of everything
 * @throws {RangeError} columns of unequal length, or an option that does not exist or that the method does not have.
 *
 * @example
 * acrossGroups([Float64Array.of(1, 2, 3, 4, 5, 1, 2, 3, 4, 5), Float64Array.of(2, 1, 4, 3, 5, 5, 3, 4, 1, 2)],
 *   Float64Array.of(0, 0, 0, 0, 0, 1, 1, 1, 1, 1), { method: 'pearson' }).compare(0, 1).comparison.cohensQ; // 2.19722
 */
export function acrossGroups(columns: readonly Float64Array[], labels: Float64Array, options: AcrossGroupsOptions): AcrossGroups {
  const { controls = [] } = options;
  for (const column of [...columns, ...controls]) assertSameLength(labels, column);
  const resolved = resolveOptionsOf(options.method, optionsOfTests(options));
  const places = placesByLabel(labels);
  const all = [...columns, ...controls];
  const split = places.map(({ rows }) => pickAll(all, rows));
  const whole =
    places.length === 1
      ? split[0]
      : pickAll(
          all,
          joined(
            places.map(({ rows }) => rows),
            Uint32Array,
          ),
        );
  const width = columns.length;
  const testsOf = (of: readonly Float64Array[], how = resolved) => tests(of.slice(0, width), of.slice(width), how);
  const pooled = testsOf(whole);
  const grouped = split.map((of) => testsOf(of));
  // Judged two-sided whatever is asked of the coefficients themselves.
  const isTwoSided = resolved.alternative === 'two-sided';
  const twoSided = { ...resolved, alternative: 'two-sided' as const };
  const [judgedPooled, judgedGroups] = isTwoSided
    ? [pooled, grouped]
    : [testsOf(whole, twoSided), split.map((of) => testsOf(of, twoSided))];
  const byOwnVariance = controls.length > 0 || COMPARED_BY.has(resolved.interval);
  const comparable = ({ coefficient, n, pValue, zVariance }: CorrelationTest) => ({
    coefficient,
    n,
    pValue,
    ...(byOwnVariance ? { zVariance } : {}),
  });
  const { method, alternative, level } = resolved;
  const withinColumns = new Map<number, WithinColumn | null>();
  const readyAt = (i: number) => {
    const known = withinColumns.get(i);
    if (known !== undefined) return known;
    const parts = split.map((of) => of[i]);
    const found = parts.every(isComplete) ? withinColumn(parts) : null;
    withinColumns.set(i, found);
    return found;
  };
  // Where nothing is missing a column's deviations serve all its pairs.
  const ready = (i: number, j: number) => {
    const [a, b] = [readyAt(i), readyAt(j)];
    return a && b ? ([a, b] as const) : null;
  };
  return {
    groups: places.map(({ label, rows }) => ({ label, rows: rows.length })),
    compare: (i, j) => {
      const groups = grouped.map((pairs) => pairs.test(i, j));
      const judged = (isTwoSided ? groups : judgedGroups.map((pairs) => pairs.test(i, j))).map(comparable);
      const together = pooled.test(i, j);
      return {
        pooled: together,
        groups,
        within:
          controls.length > 0
            ? partialWithin(split, i, j, width, judged, { method, alternative, level })
            : withinOf(
                split.map((of) => completeRows(of[i], of[j])),
                { method, alternative, level },
                judged,
                ready(i, j),
              ),
        random: randomEffects(judged, { method, level }),
        ...judgeGroups(isTwoSided ? together : judgedPooled.test(i, j), judged, { method, level }),
      };
    },
  };
}

function optionsOfTests({ alternative, level, interval }: AcrossGroupsOptions) {
  return { ...(alternative ? { alternative } : {}), ...(level ? { level } : {}), ...(interval ? { interval } : {}) };
}

/** Kinds whose variance of z serves to compare groups; the others (moments, Fisher's for ranks) say something of the interval alone. */
const COMPARED_BY: ReadonlySet<IntervalKind> = new Set(['bonett-wright', 'brown-benedetti', 'fieller']);

function tests(columns: readonly Float64Array[], controls: readonly Float64Array[], options: ResolvedCorrelationOptions): TestedPairs {
  if (controls.length === 0) return METHODS[options.method].preparePairs(columns, options, {});
  const { method, alternative, level } = options;
  return { test: (i, j) => partialCorrelation(columns[i], columns[j], controls, { method, alternative, level }) };
}

/** Row numbers of each group, in ascending order of the labels. */
function placesByLabel(labels: Float64Array): { label: number; rows: Uint32Array }[] {
  const sizes = new Map<number, number>();
  for (const label of labels) if (label === label) sizes.set(label, (sizes.get(label) ?? 0) + 1);
  const groups = [...sizes].sort(([a], [b]) => a - b).map(([label, size]) => ({ label, rows: new Uint32Array(size), filled: 0 }));
  const byLabel = new Map(groups.map((group) => [group.label, group]));
  for (let row = 0; row < labels.length; row++) {
    const group = byLabel.get(labels[row]);
    if (group) group.rows[group.filled++] = row;
  }
  return groups;
}

function pickAll(columns: readonly Float64Array[], rows: Uint32Array): Float64Array[] {
  return columns.map((column) => pick(column, rows));
}

function pick(column: Float64Array, rows: Uint32Array): Float64Array {
  const values = new Float64Array(rows.length);
  for (let k = 0; k < rows.length; k++) values[k] = column[rows[k]];
  return values;
}

function isComplete(column: Float64Array): boolean {
  for (let i = 0; i < column.length; i++) if (column[i] !== column[i]) return false;
  return true;
}

function completeRows(x: Float64Array, y: Float64Array): GroupRows {
  return isComplete(x) && isComplete(y) ? { x, y } : completePair(x, y);
}

/** Holding the controls constant as well as the groups: by indicators of the groups for values, by the mean of z for ranks. */
function partialWithin(
  split: readonly (readonly Float64Array[])[],
  i: number,
  j: number,
  width: number,
  coefficients: readonly GroupCoefficient[],
  { method, alternative, level }: { method: Method; alternative: Alternative; level: number },
): WithinCorrelation {
  const rows = split.map((of) => listwiseColumns([of[i], of[j], ...of.slice(width)]));
  const pairs = rows.map(([x, y]) => ({ x, y }));
  const complete = rows.filter(([x]) => x.length > 1);
  if (complete.length === 0) return withinOf(pairs, { method, alternative, level }, coefficients);
  if (METHODS[method].within === 'mean-of-z') return withinOf(pairs, { method, alternative, level }, coefficients);
  const { spreadRatio, meanOfZ } = withinOf(pairs, { method, alternative, level }, coefficients);
  const whole = Array.from({ length: 2 + split[0].length - width }, (_, at) =>
    joined(
      complete.map((of) => of[at]),
      Float64Array,
    ),
  );
  const sizes = complete.map(([x]) => x.length);
  const indicators = sizes.slice(1).map((_, k) => indicator(sizes, k + 1));
  const [x, y, ...controls] = whole;
  const test = partialCorrelation(x, y, [...controls, ...indicators], { method, alternative, level });
  return { ...test, groups: sizes.length, spreadRatio, ...(meanOfZ ? { meanOfZ } : {}) };
}

/** 1 in the rows of one group, which stand one group after the other. */
function indicator(sizes: readonly number[], group: number): Float64Array {
  const start = sizes.slice(0, group).reduce((sum, size) => sum + size, 0);
  return new Float64Array(sizes.reduce((sum, size) => sum + size, 0)).fill(1, start, start + sizes[group]);
}
