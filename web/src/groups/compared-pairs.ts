import type { ComparedGroup, GroupCell, GroupedPair, Study, SubgroupsResult, Variable } from '@ivlen/contract';
import { adjustPValues, type Method } from '@ivlen/core';
import type { TakingPart } from '../settings/use-grouping';
import { displayName } from '../study/variable-name';
import type { GroupSettings } from './requests';

/** A group as it is shown: its name, and the number that gives it its colour and shape. */
export interface ShownGroup {
  readonly is: ComparedGroup['is'];
  readonly value: number | null;
  readonly label: string;
  readonly style: number;
  readonly rows: number;
}

/** A coefficient with the p that its marks go by. */
export interface MarkedCell extends GroupCell {
  /** Adjusted for the pairs on screen, for each group by itself; null where nothing is adjusted. */
  readonly adjustedP: number | null;
}

/** The p that marks go by. */
export function markingP({ pValue, adjustedP }: Pick<MarkedCell, 'pValue' | 'adjustedP'>): number {
  return adjustedP ?? pValue ?? Number.NaN;
}

/** One pair of variables across the groups, in the order in which groups are shown. */
export interface ComparedPair {
  /** In the order of the working set. */
  readonly x: Variable;
  readonly y: Variable;
  readonly method: Method;
  readonly pooled: MarkedCell;
  readonly cells: readonly MarkedCell[];
  /** Whether each group takes part in the comparison. */
  readonly tested: readonly boolean[];
  readonly within: GroupedPair['within'];
  readonly homogeneity: GroupedPair['homogeneity'];
  /** Of the homogeneity, adjusted for the pairs on screen; null where nothing is adjusted, or nothing tested. */
  readonly adjustedP: number | null;
  readonly random: GroupedPair['random'];
  readonly two: GroupedPair['two'];
  readonly reversed: boolean;
  readonly hidden: boolean;
}

export interface Compared {
  /** What was compared: while other groups are asked for, these are still on screen. */
  readonly taking: TakingPart;
  readonly groups: readonly ShownGroup[];
  readonly rowsWithout: number;
  readonly pairs: readonly ComparedPair[];
}

/** Which pairs are a family of tests: all, or outcomes with predictors. */
export type Family = (x: Variable, y: Variable) => boolean;
export const EVERY_PAIR: Family = () => true;
export const OUTCOMES_BY_PREDICTORS: Family = (x, y) =>
  (x.role === 'outcome' && y.role === 'predictor') || (x.role === 'predictor' && y.role === 'outcome');

/** The groups of a result, in the order of their labels: those of the variable first. */
export function shownGroups(
  result: Pick<SubgroupsResult, 'groups'>,
  { by, all, groups }: Pick<TakingPart, 'by' | 'all' | 'groups'>,
): (ShownGroup & { place: number })[] {
  const styles = new Map(groups.map(({ value, style }) => [value, style]));
  const order = new Map(all.map(({ value }, place) => [value, place]));
  const shown = result.groups.map((group, place) => ({ ...group, place, ...named(group) }));
  return shown.sort((a, b) => rank(a) - rank(b));

  function named({ is, value }: ComparedGroup) {
    if (is === 'without') return { label: 'no group', style: freeStyle(styles) };
    if (is === 'rest') return { label: 'all others', style: freeStyle(styles) };
    return {
      label: groupLabel(by, all.find((group) => group.value === value)?.label ?? String(value)),
      style: styles.get(value ?? Number.NaN) ?? 0,
    };
  }
  function rank({ is, value }: ComparedGroup): number {
    return is === 'group' ? (order.get(value ?? Number.NaN) ?? 0) : all.length + (is === 'rest' ? 1 : 2);
  }
}

/** A code without a label says nothing by itself: "stream order 2". */
function groupLabel(by: Pick<Variable, 'name'>, label: string): string {
  return /^[-−]?[\d.,\s]+$/.test(label) ? `${displayName(by)} ${label}` : label;
}

/** A colour and shape that no group of the variable has. */
function freeStyle(styles: ReadonlyMap<number, number>): number {
  const taken = new Set(styles.values());
  let free = 0;
  while (taken.has(free)) free++;
  return free;
}

/** A result as it is shown, with p adjusted among the pairs of a family. */
export function comparedPairs(
  study: Study,
  /** In the order of the working set. */
  variables: readonly Variable[],
  result: SubgroupsResult,
  taking: TakingPart,
  { adjust }: Pick<GroupSettings, 'adjust'>,
  family: Family = EVERY_PAIR,
): Compared {
  const groups = shownGroups(result, taking);
  const byKey = new Map(result.pairs.map((pair) => [keyOf(pair.a, pair.b), pair]));
  const known = new Set(study.state.variables.map(({ id }) => id));
  const found = variables.flatMap((y, i) =>
    variables.slice(0, i).flatMap((x) => {
      const pair = byKey.get(keyOf(x.id, y.id));
      return pair && known.has(x.id) && known.has(y.id) && family(x, y) ? [{ x, y, pair }] : [];
    }),
  );
  const adjustedOf = (p: (pair: GroupedPair) => number | null | undefined) =>
    adjust === 'none'
      ? null
      : adjustPValues(
          found.map(({ pair }) => p(pair) ?? Number.NaN),
          adjust,
        );
  const homogeneity = adjustedOf((pair) => pair.homogeneity.pValue);
  const whole = adjustedOf((pair) => pair.pooled.pValue);
  const each = groups.map(({ place }) => adjustedOf((pair) => pair.groups[place]?.pValue));
  const marked = (cell: GroupCell, adjusted: Float64Array | null, k: number): MarkedCell => ({
    ...cell,
    adjustedP: numberOrNull(adjusted?.[k]),
  });
  return {
    taking,
    groups,
    rowsWithout: result.rowsWithout,
    pairs: found.map(({ x, y, pair }, k) => {
      const untested = new Set(pair.untested);
      return {
        x,
        y,
        method: pair.method,
        pooled: marked(pair.pooled, whole, k),
        cells: groups.flatMap(({ place }, at) => {
          const cell = pair.groups[place];
          return cell ? [marked(cell, each[at] ?? null, k)] : [];
        }),
        tested: groups.map(({ place }) => !untested.has(place)),
        within: pair.within,
        homogeneity: pair.homogeneity,
        adjustedP: numberOrNull(homogeneity?.[k]),
        random: pair.random,
        // The first less the second, as they are shown.
        two: pair.two && groups[0]?.place === 1 ? turned(pair.two) : pair.two,
        reversed: pair.reversed,
        hidden: pair.hidden,
      };
    }),
  };
}

function turned({ difference, z, cohensQ, low, high }: NonNullable<GroupedPair['two']>): GroupedPair['two'] {
  const minus = (value: number | null) => (value === null ? null : 0 - value);
  return { difference: 0 - difference, z: 0 - z, cohensQ: 0 - cohensQ, low: minus(high), high: minus(low) };
}

function numberOrNull(value: number | undefined): number | null {
  return value === undefined || Number.isNaN(value) ? null : value;
}

function keyOf(a: string, b: string): string {
  return a < b ? `${a} ${b}` : `${b} ${a}`;
}

export function pairId({ x, y }: Pick<ComparedPair, 'x' | 'y'>): string {
  return `${x.id}~${y.id}`;
}

export function pairName({ x, y }: Pick<ComparedPair, 'x' | 'y'>): string {
  return `${displayName(x)} × ${displayName(y)}`;
}

/** The predictor on x and the outcome on y; else as the pair stands. @param turned the other way round */
export function withAxes({ x, y }: Pick<ComparedPair, 'x' | 'y'>, turned = false): { x: Variable; y: Variable } {
  const byRole = (x.role === 'outcome' && y.role !== 'outcome') || (y.role === 'predictor' && x.role !== 'predictor');
  return byRole !== turned ? { x: y, y: x } : { x, y };
}

/** The p that decides whether groups differ: adjusted, where something is. */
export function decidingP({ homogeneity, adjustedP }: Pick<ComparedPair, 'homogeneity' | 'adjustedP'>): number {
  return adjustedP ?? homogeneity.pValue ?? Number.NaN;
}

export type PairOrder = 'disagreement' | 'name' | 'size';

/** By disagreement (unadjusted p, untested last), by name, or by the size of the coefficient over all rows. */
export function orderedPairs(pairs: readonly ComparedPair[], order: PairOrder): ComparedPair[] {
  const last = Number.POSITIVE_INFINITY;
  // p underflows before Q does: among pairs of the same p, the larger Q differs more.
  if (order === 'disagreement') {
    return pairs.toSorted(
      (a, b) => (a.homogeneity.pValue ?? last) - (b.homogeneity.pValue ?? last) || (b.homogeneity.q ?? -1) - (a.homogeneity.q ?? -1) || 0,
    );
  }
  if (order === 'name') return pairs.toSorted((a, b) => pairName(a).localeCompare(pairName(b), 'en', { numeric: true }));
  const size = ({ pooled }: ComparedPair) => Math.abs(pooled.coefficient ?? -1);
  return pairs.toSorted((a, b) => size(b) - size(a));
}

export interface PairFilter {
  /** Only pairs with this variable. */
  readonly onlyWith: string | null;
  readonly onlyDiffering: boolean;
}

export function filteredPairs(pairs: readonly ComparedPair[], { onlyWith, onlyDiffering }: PairFilter, alpha: number): ComparedPair[] {
  return pairs.filter(
    (pair) => (onlyWith === null || pair.x.id === onlyWith || pair.y.id === onlyWith) && (!onlyDiffering || decidingP(pair) <= alpha),
  );
}
