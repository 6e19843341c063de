import { completePair } from '../columns/complete-rows';
import { influence } from '../correlation/influence';
import { kendall } from '../correlation/kendall';
import { assertMethod, assertSameLength } from '../correlation/options';
import { pearson } from '../correlation/pearson';
import { spearman } from '../correlation/spearman';
import type { Method } from '../correlation/types';
import { describe } from '../description/describe';
import { groupDisagreement } from './group-disagreement';
import { fanShape, linearity } from './linearity';
import { DEFAULT_SHAPE_RULE, isShapeMarked, type ShapeRule } from './shape-rule';

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
  | 'ordinal';

/** Something a reader should know about a coefficient. */
export interface Caution {
  readonly code: CautionCode;
  /** A note, or something that could change the conclusion. */
  readonly level: 'note' | 'could-change';
  /** The figures it rests on, by name. */
  readonly figures: Readonly<Record<string, number>>;
}

/** What cannot be seen from the two columns alone. */
export interface CautionContext {
  method: Method;
  /** Rows in use, whether complete for the pair or not. Default: the rows given. */
  rowsInUse?: number;
  /** Default: |G1| > 2 or |G2| > 7. */
  shapeRule?: ShapeRule;
  /** Whether either variable is an order. */
  ordinal?: boolean;
  /** Whether both derive from a common source. */
  sharesComponent?: boolean;
  /** Whether an identifier repeats, so that rows are not independent cases. */
  identifierRepeats?: boolean;
  /** A group for each row. */
  groups?: Float64Array;
  /** Level of decisions. Default .05. */
  alpha?: number;
}

const FEW_CASES = 10;
const FEW_COMPLETE = 0.8;
const DISAGREEMENT = 0.1;
/** A share of tied pairs of rows above this is worth a note on a rank coefficient. */
const MANY_TIES = 0.25;

/** Cautions that could change the conclusion; a disagreement of methods does only where they decide differently. */
export const DECISIVE_CAUTIONS: ReadonlySet<CautionCode> = new Set<CautionCode>([
  'curved',
  'one-point',
  'groups-reverse',
  'groups-hide',
  'shares-a-component',
  'rows-not-independent',
  'method-disagreement',
]);

/**
 * All cautions about a pair's coefficient under a method.
 *
 * Thresholds: few cases n < 10; many missing: complete below 80 % of the rows in use; curved and fan-shaped as in
 * `linearity` and `fanShape` (Pearson only); shape under the rule given (Pearson only); one point as in `influence`;
 * methods disagree: r and ρ differ by .10 or decide differently; groups as in `groupDisagreement`; shared components
 * Pearson (1897). Judged on unrounded values. Missing values (NaN): rows complete for both.
 * @throws {RangeError} columns of unequal length or an unknown method.
 */
export function pairCautions(x: Float64Array, y: Float64Array, context: CautionContext): Caution[] {
  const { method, alpha = 0.05 } = context;
  assertMethod(method);
  assertSameLength(x, y);
  const pair = completePair(x, y);
  const found: (Caution | null)[] = [
    ...aboutRows(pair.x.length, context.rowsInUse ?? x.length, context),
    ...(method === 'pearson' ? aboutPearson(pair.x, pair.y, context) : [aboutTies(pair.x, pair.y)]),
    aboutOnePoint(pair.x, pair.y, method),
    aboutMethods(pair.x, pair.y, alpha),
    ...(context.groups ? aboutGroups(x, y, context.groups, method, alpha) : []),
  ];
  return found.filter((caution) => caution !== null);
}

/** @param level another than the code's own */
function when(
  condition: boolean | undefined,
  code: CautionCode,
  figures: Caution['figures'] = {},
  level: Caution['level'] = DECISIVE_CAUTIONS.has(code) ? 'could-change' : 'note',
): Caution | null {
  return condition ? { code, level, figures } : null;
}

function aboutRows(n: number, rowsInUse: number, { sharesComponent, identifierRepeats }: CautionContext) {
  return [
    when(n < FEW_CASES, 'few-cases', { n }),
    when(n < FEW_COMPLETE * rowsInUse, 'many-missing', { n, rowsInUse }),
    when(sharesComponent, 'shares-a-component'),
    when(identifierRepeats, 'rows-not-independent'),
  ];
}

function aboutPearson(x: Float64Array, y: Float64Array, { shapeRule = DEFAULT_SHAPE_RULE, ordinal }: CautionContext) {
  const [first, second] = [describe(x), describe(y)];
  const straight = linearity(x, y);
  const fan = fanShape(x, y);
  const shape = isShapeMarked(first, shapeRule) || isShapeMarked(second, shapeRule);
  return [
    when(shape, 'shape', {
      skewnessX: first.skewness,
      excessKurtosisX: first.excessKurtosis,
      skewnessY: second.skewness,
      excessKurtosisY: second.excessKurtosis,
    }),
    when(straight.curved, 'curved', {
      pValue: straight.pValue,
      gain: straight.gain,
      rankAdvantage: straight.rankAdvantage,
    }),
    when(fan.fanShaped, 'fan-shaped', { pValue: fan.pValue }),
    when(ordinal, 'ordinal'),
  ];
}

function aboutTies(x: Float64Array, y: Float64Array): Caution | null {
  const share = (values: Float64Array) => {
    const sorted = values.slice().sort();
    let tied = 0;
    for (let i = 1, run = 1; i < sorted.length; i++) {
      run = sorted[i] === sorted[i - 1] ? run + 1 : 1;
      tied += run - 1;
    }
    return (2 * tied) / (sorted.length * (sorted.length - 1));
  };
  const [tiedX, tiedY] = [share(x), share(y)];
  return when(Math.max(tiedX, tiedY) > MANY_TIES, 'ties', { tiedX, tiedY });
}

function aboutOnePoint(x: Float64Array, y: Float64Array, method: Method): Caution | null {
  const { onePointCarries, mostInfluential, leaveOneOut, coefficient } = influence(x, y, { method });
  return when(onePointCarries, 'one-point', { coefficient, without: leaveOneOut[mostInfluential] });
}

function aboutMethods(x: Float64Array, y: Float64Array, alpha: number): Caution | null {
  const [r, rho, tau] = [pearson(x, y), spearman(x, y), kendall(x, y)];
  const differently = r.pValue <= alpha !== rho.pValue <= alpha;
  const apart = Math.abs(r.coefficient - rho.coefficient) >= DISAGREEMENT;
  const figures = {
    pearson: r.coefficient,
    spearman: rho.coefficient,
    kendall: tau.coefficient,
  };
  // Where they decide alike, they differ in size only.
  return when(apart || differently, 'method-disagreement', figures, differently ? 'could-change' : 'note');
}

function aboutGroups(x: Float64Array, y: Float64Array, labels: Float64Array, method: Method, alpha: number) {
  const { reversed, hidden, differ, comparison } = groupDisagreement(x, y, labels, { method, alpha });
  const figures = { q: comparison.q, df: comparison.df, pValue: comparison.pValue };
  return [
    when(reversed, 'groups-reverse', figures),
    when(hidden, 'groups-hide', figures),
    when(differ && !reversed && !hidden, 'groups-differ', figures),
  ];
}
