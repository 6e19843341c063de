import { influence } from '../correlation/influence';
import { METHODS } from '../correlation/methods';
import { METHOD_NAMES } from '../display/coefficients';
import { contingencyOf } from '../latent/contingency';
import { couldChange, type Judged, noticeableBetweenMethods, noticeableWithoutRow } from './decisive';
import { groupDisagreement } from './group-disagreement';
import { fanShape, linearity } from './linearity';
import {
  type CautionContext,
  FEW_CASES,
  FEW_COMPLETE,
  findMethods,
  findShapes,
  findTies,
  type Judging,
  judgingOf,
  MANY_TIES,
} from './pair-findings';
import {
  againstCurve,
  areLogsTaken,
  behindSteps,
  byLikelihood,
  byPermutation,
  byRanks,
  distributionFree,
  insideCases,
  insideGroups,
  knowingLimits,
  type Remedy,
  withoutComponent,
  withoutRow,
} from './remedies';

export type CautionCode =
  | 'shape'
  | 'curved'
  | 'fan-shaped'
  | 'few-cases'
  | 'many-missing'
  | 'ties'
  | 'one-point'
  | 'groups-differ'
  | 'groups-reverse'
  | 'groups-hide'
  | 'method-disagreement'
  | 'shares-a-component'
  | 'rows-not-independent'
  | 'ordinal'
  | 'below-limit';

/** Something a reader should know about a coefficient. */
export interface Caution {
  readonly code: CautionCode;
  /** Whether heeding it could change the conclusion, or a note. */
  readonly level: 'note' | 'could-change';
  /** The values it rests on, by name. */
  readonly values: Readonly<Record<string, number>>;
  /** The coefficient that it is about. */
  readonly found: Judged;
  /** What heeding it gives; null where there is no remedy, or none that can be computed. */
  readonly remedy: Remedy | null;
}

/**
 * All cautions about a pair's coefficient under a method, each with what heeding it gives.
 *
 * A caution *could change the conclusion* if its remedy decides clearly differently at α (`decideDifferently`, unadjusted and
 * by the chosen alternative) or its coefficient differs by .10; ρ against r by max(.10, 1.05/√(n − 1)), and
 * the coefficient without one row by max(.10, 6/(n − 1)). Groups that reverse or hide do by themselves, and so do r and ρ that differ that much. All else is a
 * note, and so is a caution whose remedy is undefined.
 *
 * Thresholds: few cases n < 10 (remedy: permutation p, for coefficients without an exact one); many missing: complete below
 * 80 % of the rows in use; curved and fan-shaped as in `linearity` and `fanShape`, shape under the rule given and orders, for
 * coefficients of the values only; one point as in `influence`; groups as in `groupDisagreement`; shared components Pearson
 * (1897). Judged on unrounded values. Missing values (NaN): rows complete for both.
 * @throws {RangeError} columns of unequal length, or a method or an alternative that does not exist.
 *
 * @example
 * pairCautions(Float64Array.of(1, 2, 4, 8, 16, 32), Float64Array.of(4, 7, 13, 25, 49, 97), { method: 'pearson',
 *   alpha: 0.05 }).map(({ code }) => code); // ['few-cases']
 */
export function pairCautions(x: Float64Array, y: Float64Array, context: CautionContext): Caution[] {
  const judging = judgingOf(x, y, context);
  const ofValues = METHODS[context.method].looksAt === 'values';
  return [
    ...aboutRows(judging, context),
    ...(ofValues ? aboutValues(judging, context) : aboutTies(judging)),
    ...aboutOnePoint(judging),
    ...aboutMethods(judging, ofValues),
    ...(context.groups ? aboutGroups(judging, context.groups) : []),
  ];
}

/** @param decisive default: what the remedy says */
function caution(
  { found: { coefficient, pValue }, alpha }: Judging,
  code: CautionCode,
  values: Caution['values'],
  remedy: Remedy | null = null,
  { least, decisive }: { least?: number; decisive?: boolean } = {},
): Caution {
  const found = { coefficient, pValue };
  // A multiple correlation has no sign.
  const compared = remedy?.kind === 'parabola' ? { coefficient: Math.abs(coefficient), pValue } : found;
  const changes = decisive ?? (remedy !== null && couldChange(compared, remedy, alpha, least));
  return { code, level: changes ? 'could-change' : 'note', values, found, remedy };
}

function aboutRows(judging: Judging, { rowsInUse, shared, repeatedRows = 0, identifiers, limits }: CautionContext): Caution[] {
  const n = judging.complete.x.length;
  const rows = rowsInUse ?? judging.pair.x.length;
  return [
    ...(n < FEW_CASES ? [caution(judging, 'few-cases', { n }, byPermutation(judging.pair))] : []),
    ...(n < FEW_COMPLETE * rows ? [caution(judging, 'many-missing', { n, rowsInUse: rows }, byLikelihood(judging.pair))] : []),
    ...(shared ? [caution(judging, 'shares-a-component', {}, withoutComponent(judging.pair, shared))] : []),
    ...(repeatedRows > 0 ? [aboutRepeated(judging, repeatedRows, identifiers)] : []),
    ...(limits ? aboutLimits(judging, limits) : []),
  ];
}

/** Where fewer than half of the rows repeat, what is inside cases says little of the rest: it is told, and decides nothing. */
function aboutRepeated(judging: Judging, repeatedRows: number, identifiers: Float64Array | undefined): Caution {
  const remedy = identifiers ? insideCases(judging.pair, identifiers) : null;
  const few = repeatedRows < judging.pair.x.length / 2;
  return caution(judging, 'rows-not-independent', { repeatedRows }, remedy, few ? { decisive: false } : {});
}

/** Values that were not measured stand at their limit: r takes them for measured ones. */
function aboutLimits(judging: Judging, limits: readonly [number | null, number | null]): Caution[] {
  const { complete, pair } = judging;
  const below = (values: Float64Array, limit: number | null) =>
    values.reduce((sum, value) => sum + (limit !== null && value <= limit ? 1 : 0), 0);
  const values = {
    belowX: below(complete.x, limits[0]),
    belowY: below(complete.y, limits[1]),
    n: complete.x.length,
    logs: areLogsTaken(pair) ? 1 : 0,
  };
  if (values.belowX + values.belowY === 0) return [];
  return [caution(judging, 'below-limit', values, knowingLimits(pair, limits))];
}

function aboutValues(judging: Judging, { shapeRule, ordinal, steps }: CautionContext): Caution[] {
  const { pair, complete } = judging;
  const { x: first, y: second } = findShapes(judging, shapeRule);
  const straight = linearity(complete.x, complete.y);
  const fan = fanShape(complete.x, complete.y);
  const least = noticeableBetweenMethods(complete.x.length);
  const found: Caution[] = [];
  if (first.marked || second.marked) {
    const values = {
      skewnessX: first.skewness,
      excessKurtosisX: first.excessKurtosis,
      skewnessY: second.skewness,
      excessKurtosisY: second.excessKurtosis,
    };
    found.push(caution(judging, 'shape', values, byRanks(pair), { least }));
  }
  if (straight.curved) {
    const { pValue, gain, rankAdvantage } = straight;
    const remedy = againstCurve(pair, complete, straight);
    // 0: y taken as a parabola of x, 1: x as one of y.
    const values = { pValue, gain, rankAdvantage, direction: straight.direction === 'y-on-x' ? 0 : 1 };
    found.push(caution(judging, 'curved', values, remedy, remedy.kind === 'ranks' ? { least } : {}));
  }
  if (fan.fanShaped) found.push(caution(judging, 'fan-shaped', { pValue: fan.pValue }, distributionFree(pair)));
  if (ordinal) {
    const values = steps?.every(Boolean) ? levelsLeftEmpty(complete) : {};
    found.push(caution(judging, 'ordinal', values, (steps && behindSteps(pair, steps)) ?? byRanks(pair), { least }));
  }
  return found;
}

/** Pairs of levels that no row fell into, of all: of these the coefficient behind the steps knows least. */
function levelsLeftEmpty({ x, y }: Judging['complete']): Record<string, number> {
  const { counts } = contingencyOf(x, y);
  return { emptyCells: counts.reduce((sum, count) => sum + (count === 0 ? 1 : 0), 0), cells: counts.length };
}

function aboutTies(judging: Judging): Caution[] {
  const { tiedX, tiedY } = findTies(judging);
  return Math.max(tiedX, tiedY) > MANY_TIES ? [caution(judging, 'ties', { tiedX, tiedY })] : [];
}

function aboutOnePoint(judging: Judging): Caution[] {
  const { pair, alpha } = judging;
  const { method, alternative } = pair;
  const { carrying, n } = influence(pair.x, pair.y, { method, alternative, alpha });
  if (carrying < 0) return [];
  const remedy = withoutRow(pair, carrying);
  return [caution(judging, 'one-point', { without: remedy.coefficient }, remedy, { least: noticeableWithoutRow(n) })];
}

/** @param ofValues under a coefficient of ranks, that r is another is no reason to doubt it */
function aboutMethods(judging: Judging, ofValues: boolean): Caution[] {
  const { pair, complete } = judging;
  if (!findMethods(judging).disagree) return [];
  const values = Object.fromEntries(
    METHOD_NAMES.map((name) => [name, METHODS[name].test(complete.x, complete.y, { p: 'approximate' }).coefficient]),
  );
  return [caution(judging, 'method-disagreement', values, ofValues ? byRanks(pair) : null, { decisive: ofValues })];
}

function aboutGroups(judging: Judging, labels: Float64Array): Caution[] {
  const { pair, alpha } = judging;
  const { reversed, hidden, differ, opposed, comparison } = groupDisagreement(pair.x, pair.y, labels, { method: pair.method, alpha });
  if (!reversed && !hidden && !differ) return [];
  const values = { q: comparison.q, df: comparison.df, pValue: comparison.pValue };
  const remedy = insideGroups(pair, labels);
  // Groups of opposite sign cancel within groups, too: the remedy alone would miss them.
  return [
    ...(reversed ? [caution(judging, 'groups-reverse', values, remedy, { decisive: true })] : []),
    ...(hidden ? [caution(judging, 'groups-hide', values, remedy, { decisive: true })] : []),
    ...(!reversed && !hidden ? [caution(judging, 'groups-differ', values, remedy, opposed ? { decisive: true } : {})] : []),
  ];
}
