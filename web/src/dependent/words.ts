import type { DependentResult, DependentTest, Variable } from '@ivlen/contract';
import { COEFFICIENTS, formatFixed, type Method } from '@ivlen/core';
import { percent } from '../coefficients/cell-data';
import { joined } from '../coefficients/coefficient-names';
import { coefficientText, intervalText, pRelationText } from '../numbers/number-text';
import { displayName } from '../study/variable-name';

/** Two variables whose coefficient is compared with another. */
export interface TwoVariables {
  readonly a: Variable;
  readonly b: Variable;
}

export interface DependentQuestion {
  readonly first: TwoVariables;
  readonly second: TwoVariables;
  readonly turned: boolean;
  readonly method: Method;
  readonly levels: readonly number[];
  readonly level: number;
}

const TEST_NAMES: Readonly<Record<DependentTest['by'], string>> = {
  williams: 'Williams',
  meng: 'Meng, Rosenthal and Rubin',
  steiger: 'Steiger',
  'dunn-clark': 'Dunn and Clark',
};

/** "Williams: t(96) = 2.31, p = .023". */
function testInWords({ by, statistic, df, pValue }: DependentTest, levels: readonly number[]): string {
  const name = df === null ? 'z' : `t(${df})`;
  return `${TEST_NAMES[by]}: ${name} = ${formatFixed(statistic, 3)}, ${pRelationText(pValue, levels)}`;
}

/** The variable that both pairs have; null where they have none. */
export function sharedVariable({ first, second }: Pick<DependentQuestion, 'first' | 'second'>): Variable | null {
  return [first.a, first.b].find(({ id }) => id === second.a.id || id === second.b.id) ?? null;
}

export function namesOf({ a, b }: TwoVariables): string {
  return `${displayName(a)} and ${displayName(b)}`;
}

/** The one of a pair that the other pair does not have. */
function otherThan({ a, b }: TwoVariables, shared: Variable): Variable {
  return a.id === shared.id ? b : a;
}

/** Which way the comparison came out; null where nothing can be said. */
function decided({ tests, interval }: Pick<DependentResult, 'tests' | 'interval'>, alpha: number): boolean | null {
  const [first] = tests;
  if (first) return first.pValue <= alpha;
  return interval ? interval.low > 0 || interval.high < 0 : null;
}

/** Whether the two coefficients point in opposite directions: then their difference is not one of strength. */
export function isOpposite({ first, second }: Pick<DependentResult, 'first' | 'second'>): boolean {
  return (first ?? 0) * (second ?? 0) < 0;
}

const WHY_NOT: Readonly<Record<NonNullable<DependentResult['because']>, string>> = {
  'too-few-cases': 'at least four rows complete for all of them are needed',
  exact: 'one of the coefficients is exactly 1 or −1',
  impossible: 'no data can have these coefficients together',
};

/** The answer in a sentence; "more closely" is said only where the test says so and the signs are the same. */
export function answerSentence(result: DependentResult, question: DependentQuestion): string {
  const { first, second, turned, levels } = question;
  if (result.first === null || result.second === null) {
    return `One of the coefficients is not defined over the ${result.n} rows complete for all of them.`;
  }
  if (result.because) return `They cannot be compared: ${WHY_NOT[result.because]}.`;
  const differs = decided(result, levels[0] ?? 0.05);
  if (differs === null) return 'They cannot be compared: too many samples had no coefficient.';
  if (isOpposite(result)) {
    const what = differs ? 'They differ, and in sign' : 'No difference was detected, though the signs are opposite';
    return `${what}: this tests whether the coefficients are the same, not which is stronger.`;
  }
  const strength = turned ? ' in strength (the sign of the second turned)' : '';
  if (!differs) return `No difference${strength} was detected.`;
  const stronger = Math.abs(result.first) >= Math.abs(result.second) ? first : second;
  const weaker = stronger === first ? second : first;
  const shared = sharedVariable(question);
  return shared
    ? `Yes, they differ${strength}: ${displayName(shared)} is tied more closely to ${displayName(otherThan(stronger, shared))} than to ${displayName(otherThan(weaker, shared))}.`
    : `Yes, they differ${strength}: ${namesOf(stronger)} are tied more closely than ${namesOf(weaker)}.`;
}

/** The numbers behind it, ready to be copied after the answer. */
export function numbersSentence(result: DependentResult, { first, second, method, level, levels, turned }: DependentQuestion): string {
  if (result.first === null || result.second === null) return '';
  const { symbol } = COEFFICIENTS[method];
  const difference = `difference ${coefficientText(result.first - result.second)}`;
  const interval = result.interval ? `, ${percent(level)} interval ${intervalText(result.interval.low, result.interval.high)}` : '';
  const how =
    result.tests.length > 0 ? ' (Zou)' : result.interval ? ' (bootstrap, percentile, 2,000 samples, seed 1; ranks have no p here)' : '';
  const tests = result.tests.map((test) => `; ${testInWords(test, levels)}`).join('');
  return `${symbol} of ${namesOf(first)} ${coefficientText(result.first)}, of ${namesOf(second)} ${coefficientText(result.second)}${turned ? ' (turned)' : ''}, n = ${result.n}: ${difference}${interval}${interval ? how : ''}${tests}.`;
}

/** "Between them: phosphate with nitrate .53." */
export function acrossSentence({ across }: DependentResult, variables: readonly Variable[]): string {
  const nameOf = (id: string) => displayName(variables.find((variable) => variable.id === id) ?? { name: id });
  return `Across the two: ${joined(across.map(({ a, b, coefficient }) => `${nameOf(a)} with ${nameOf(b)} ${coefficientText(coefficient ?? Number.NaN)}`))}.`;
}

/** What is computed from the same measurement in both, which ties the coefficients together; null where nothing is. */
export function sharedComponentSentence({ shared }: DependentResult, variables: readonly Variable[]): string | null {
  if (shared.length === 0) return null;
  const nameOf = (id: string) => displayName(variables.find((variable) => variable.id === id) ?? { name: id });
  const each = shared.map(({ a, b, source }) =>
    a === source || b === source
      ? `${nameOf(a === source ? b : a)} is computed from ${nameOf(source)}`
      : `${nameOf(a)} and ${nameOf(b)} are both computed from ${nameOf(source)}`,
  );
  return `Shared component: ${joined([...new Set(each)])}. Such variables go together by how they are made (Pearson 1897): a difference between the coefficients may be one of arithmetic.`;
}
