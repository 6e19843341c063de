import { influence } from '../correlation/influence';
import { METHODS } from '../correlation/methods';
import { groupDisagreement } from './group-disagreement';
import { FAN_FEWEST, fanShape, linearity } from './linearity';
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

/** What is looked at before a coefficient is trusted. */
export const CHECK_CODES = [
  'kinds',
  'shape-x',
  'shape-y',
  'straight',
  'even-spread',
  'one-row',
  'methods-agree',
  'groups-agree',
  'no-shared-component',
  'rows-independent',
  'enough-rows',
  'few-missing',
  'ties',
] as const;
export type CheckCode = (typeof CHECK_CODES)[number];

/** One thing that was looked at, whether or not there is something to caution against. */
export interface PairCheck {
  readonly code: CheckCode;
  /** Whether it held; null where it could not be judged. */
  readonly held: boolean | null;
  /** What it was judged by, by name. */
  readonly values: Readonly<Record<string, number>>;
  /** The row, from 0, that `values` speak of. */
  readonly row?: number;
}

/**
 * Every check that is made of a pair for a coefficient, with what it was judged by, in the order in which they are told.
 *
 * A check does not hold exactly where `pairCautions` raises its caution: both judge the same values by the same limits. Kinds,
 * shapes, straightness and spread are checked for coefficients of the values only. Ties are a property, not a demand, under r.
 * Missing values (NaN): rows complete for both.
 * @throws {RangeError} columns of unequal length, or a method or an alternative that does not exist.
 *
 * @example
 * pairChecks(Float64Array.of(1, 2, 4, 8, 16, 32), Float64Array.of(4, 7, 13, 25, 49, 97), { method: 'pearson' })
 *   .find(({ code }) => code === 'enough-rows'); // { code: 'enough-rows', held: false, values: { n: 6 } }
 */
export function pairChecks(x: Float64Array, y: Float64Array, context: CautionContext): PairCheck[] {
  const judging = judgingOf(x, y, context);
  const ofValues = METHODS[context.method].looksAt === 'values';
  return [
    ...(ofValues ? ofTheValues(judging, context) : []),
    oneRow(judging),
    methodsAgree(judging),
    ...(context.groups ? [groupsAgree(judging, context.groups)] : []),
    ...ofTheRows(judging, context),
    ties(judging, ofValues),
  ];
}

function ofTheValues(judging: Judging, { shapeRule, ordinal = false }: CautionContext): PairCheck[] {
  const { complete } = judging;
  const shapes = findShapes(judging, shapeRule);
  const { curved, pValue, gain, rankAdvantage } = linearity(complete.x, complete.y);
  const fan = fanShape(complete.x, complete.y);
  const shape = (code: 'shape-x' | 'shape-y', { marked, skewness, excessKurtosis }: (typeof shapes)['x']): PairCheck => ({
    code,
    held: Number.isNaN(skewness) ? null : !marked,
    values: { skewness, excessKurtosis },
  });
  return [
    { code: 'kinds', held: !ordinal, values: {} },
    shape('shape-x', shapes.x),
    shape('shape-y', shapes.y),
    { code: 'straight', held: Number.isNaN(gain) ? null : !curved, values: { gain, pValue, rankAdvantage } },
    {
      code: 'even-spread',
      held: complete.x.length < FAN_FEWEST || Number.isNaN(fan.pValue) ? null : !fan.fanShaped,
      values: { pValue: fan.pValue },
    },
  ];
}

function oneRow({ pair: { x, y, method, alternative }, alpha }: Judging): PairCheck {
  const { carrying, mostInfluential, coefficient, leaveOneOut } = influence(x, y, { method, alternative, alpha });
  const row = carrying >= 0 ? carrying : mostInfluential;
  const values = { coefficient, without: row >= 0 ? leaveOneOut[row] : Number.NaN };
  return { code: 'one-row', held: row < 0 ? null : carrying < 0, values, ...(row >= 0 ? { row } : {}) };
}

function methodsAgree(judging: Judging): PairCheck {
  const { r, rho, limit, disagree } = findMethods(judging);
  const unknown = Number.isNaN(r) || Number.isNaN(rho);
  return { code: 'methods-agree', held: unknown ? null : !disagree, values: { r, rho, limit } };
}

function groupsAgree({ pair, alpha }: Judging, labels: Float64Array): PairCheck {
  const { reversed, hidden, differ, comparison } = groupDisagreement(pair.x, pair.y, labels, { method: pair.method, alpha });
  const { q, df, pValue } = comparison;
  const apart = reversed || hidden || differ;
  return { code: 'groups-agree', held: apart ? false : Number.isNaN(pValue) ? null : true, values: { q, df, pValue } };
}

function ofTheRows({ complete, pair }: Judging, { rowsInUse, shared, repeatedRows }: CautionContext): PairCheck[] {
  const n = complete.x.length;
  const rows = rowsInUse ?? pair.x.length;
  return [
    { code: 'no-shared-component', held: !shared, values: {} },
    {
      code: 'rows-independent',
      held: repeatedRows === undefined ? null : repeatedRows === 0,
      values: repeatedRows === undefined ? {} : { repeatedRows },
    },
    { code: 'enough-rows', held: n >= FEW_CASES, values: { n } },
    { code: 'few-missing', held: n >= FEW_COMPLETE * rows, values: { n, rowsInUse: rows } },
  ];
}

function ties(judging: Judging, ofValues: boolean): PairCheck {
  const { tiedX, tiedY } = findTies(judging);
  const share = Math.max(tiedX, tiedY);
  return {
    code: 'ties',
    held: Number.isNaN(share) || (ofValues && share > MANY_TIES) ? null : share <= MANY_TIES,
    values: { tiedX, tiedY },
  };
}
