import type { CorrelationSettings, SubgroupPairResult, Variable } from '@ivlen/contract';
import { COEFFICIENTS, formatFixed } from '@ivlen/core';
import { asMeasured } from '../figures/as-measured';
import { pRelationText } from '../numbers/number-text';
import { displayName } from '../study/variable-name';
import { type ComparedPair, decidingP, type ShownGroup } from './compared-pairs';
import { placeInResult } from './place-in-result';

const [DIGITS, PLAIN_FROM] = [3, 4];

/** The line of a group that stands at a place among those shown; null where it has none. */
export function lineAt(details: SubgroupPairResult, groups: readonly ShownGroup[], place: number) {
  const { slope = null, intercept = null } = details.slopes.groups[placeInResult(details, groups[place])] ?? {};
  return slope === null || intercept === null ? null : { slope, intercept };
}

/** Three significant digits. */
export function slopeText(slope: number | null | undefined): string {
  if (slope === null || slope === undefined) return '–';
  const size = Math.floor(Math.log10(Math.abs(slope)));
  const plain = size >= -PLAIN_FROM && size <= DIGITS + 1;
  return slope !== 0 && plain ? formatFixed(slope, Math.max(0, DIGITS - 1 - size)) : asMeasured(Number(slope.toPrecision(DIGITS)));
}

const WHY_NOT = {
  'too-few-groups': 'fewer than two groups have three rows and more than one value',
  'too-few-cases': 'the groups have too few rows for a line each',
  'exact-fit': 'all points lie exactly on their group’s line',
} as const;

/** Whether the lines are equally steep, told apart from whether the coefficients are equal. */
export function slopesSentence(
  { slopes }: Pick<SubgroupPairResult, 'slopes'>,
  pair: ComparedPair,
  { x, y }: { readonly x: Variable; readonly y: Variable },
  levels: CorrelationSettings['levels'],
): string {
  const what = `Slopes of ${displayName(y)} on ${displayName(x)}`;
  if (slopes.pValue === null || slopes.f === null) {
    return `${what} were not compared: ${WHY_NOT[slopes.because ?? 'too-few-groups']}.`;
  }
  const [alpha = 0.05] = levels;
  const test = `F(${slopes.df}, ${slopes.dfResidual}) = ${formatFixed(slopes.f, 2)}, ${pRelationText(slopes.pValue, levels)}`;
  const steep = slopes.pValue <= alpha;
  const said = `${what} ${steep ? 'differ' : 'do not detectably differ'} between the groups, ${test}; common slope ${slopeText(slopes.common)}.`;
  const p = decidingP(pair);
  if (Number.isNaN(p)) return said;
  const close = p <= alpha;
  const { name } = COEFFICIENTS[pair.method];
  if (steep === close) return said;
  return steep
    ? `${said} How steep the lines are is not how close the points lie to them: ${name} does not detectably differ.`
    : `${said} The groups differ in how close the points lie to the lines (${name}), not detectably in how steep these are.`;
}
