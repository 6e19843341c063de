import type { ModelCoefficient, ModelValues } from '@ivlen/contract';
import type { BlockStep } from '@ivlen/core';
import { joined } from '../coefficients/coefficient-names';
import { significant } from '../figures/as-measured';
import { coefficientText, fineCoefficientText, pRelationText } from '../numbers/number-text';

const number = (value: number | null) => value ?? Number.NaN;

/** "The 5 predictors explain 56 % of the variance of mayfly taxa: R = .75, R² = .563, adjusted R² = .554, residual SD = 2.31, F(5, 242) = 62.3, p < .001, n = 248." */
export function modelSentence(model: ModelValues, { outcome, unit, predictors, levels }: ModelFacts): string {
  const { r2, adjustedR2, residualSd, f, dfModel, dfResidual, pValue, n } = model;
  const who = predictors.length === 1 ? `${predictors[0]} explains` : `The ${predictors.length} predictors explain`;
  const spread = `residual SD = ${significant(residualSd)}${unit ? ` ${unit}` : ''}`;
  const test =
    f === null
      ? 'F undefined'
      : `F(${dfModel}, ${dfResidual.toLocaleString('en-GB')}) = ${significant(f)}, ${pRelationText(number(pValue), levels)}`;
  return `${who} ${percent(number(r2))} of the variance of ${outcome}: R = ${coefficientText(Math.sqrt(number(r2)))}, R² = ${fineCoefficientText(number(r2))}, adjusted R² = ${fineCoefficientText(number(adjustedR2))}, ${spread}, ${test}, n = ${n.toLocaleString('en-GB')}.`;
}

export interface ModelFacts {
  readonly outcome: string;
  readonly unit: string | null;
  readonly predictors: readonly string[];
  readonly levels: readonly number[];
}

function percent(share: number): string {
  const value = 100 * share;
  if (share > 0.995 && share < 1) return `${value.toFixed(1) === '100.0' ? '> 99.9' : value.toFixed(1)} %`;
  return value > 0 && value < 0.95 ? `${value.toFixed(1)} %` : `${value.toFixed(0)} %`;
}

/** "mayfly taxa = 16.48 − 0.2105 · water temp + …". @param names of the columns */
export function equationInWords({ intercept, coefficients }: ModelValues, outcome: string, names: readonly string[]): string {
  return `${outcome} = ${significant(intercept.value)}${coefficients.map(({ value }, k) => signed(value, ` · ${names[k] ?? ''}`)).join('')}`;
}

/** "ŷ = 16.48 − 0.2105 x₁ + …". */
export function equationInSymbols({ intercept, coefficients }: ModelValues): string {
  return `ŷ = ${significant(intercept.value)}${coefficients.map(({ value }, k) => signed(value, ` x${subscript(k + 1)}`)).join('')}`;
}

function signed(value: number | null, rest: string): string {
  return ` ${number(value) < 0 ? '−' : '+'} ${significant(Math.abs(number(value)))}${rest}`;
}

export function subscript(count: number): string {
  return [...String(count)].map((digit) => '₀₁₂₃₄₅₆₇₈₉'[Number(digit)]).join('');
}

/** The share of variance that a predictor of one column alone tells: its squared semipartial correlation. */
export function ownShare({ part }: Pick<ModelCoefficient, 'part'>): number {
  return number(part) ** 2;
}

/**
 * Of R², what predictors tell alone and what is shared among them, which can be less than nothing.
 * @param own what each adds to all others; of several indicators what they add together. null while that is not known
 */
export function sharedSentence(r2: number | null, own: readonly (number | null)[]): string {
  if (own.length < 2 || r2 === null || own.some((share) => share === null || Number.isNaN(share))) return '';
  const alone = own.reduce<number>((sum, share) => sum + (share ?? 0), 0);
  const shared = r2 - alone;
  // With a decimal, so that the two add up to R² as it is written.
  const [first, rest] = [alone, Math.abs(shared)].map((share) => `${(100 * share).toFixed(1)} %`);
  if (Math.abs(shared) < 0.0005) return 'What each tells alone adds up to R²: nothing of it is shared.';
  if (shared > 0) return `What each tells alone adds up to ${first} of the variance; another ${rest} is told by several of them alike.`;
  return `What each tells alone adds up to ${first} of the variance, ${rest} more than all of them tell together: they bring each other out (suppression), and the shared part is negative.`;
}

/** Predictors that tell more beside the others than alone: a small r is no reason to drop them. */
export function besideOthersSentence(model: ModelValues, names: readonly string[]): string {
  const found = model.coefficients
    .map((coefficient, k) => ({ coefficient, name: names[k] ?? '' }))
    .filter(({ coefficient: { part, zeroOrder } }) => part !== null && zeroOrder !== null && Math.abs(part) > Math.abs(zeroOrder) + 0.005);
  if (found.length === 0 || model.coefficients.length < 2) return '';
  const each = found.map(
    ({ name, coefficient: { part, zeroOrder } }) =>
      `${name} (semipartial ${fineCoefficientText(number(part))}, alone r = ${fineCoefficientText(number(zeroOrder))})`,
  );
  return `More beside the others than alone: ${joined(each)}. A small r by itself is no reason to leave a predictor out.`;
}

/** Why there is no regression. */
export const NO_MODEL: Readonly<
  Record<NonNullable<ModelValues['because']>, (facts: { n: number; predictors: number; outcome: string }) => string>
> = {
  'too-few-cases': ({ n, predictors }) =>
    `${n.toLocaleString('en-GB')} rows are complete, and a regression on ${predictors} columns of predictors needs at least ${predictors + 2}.`,
  'dependent-predictors': () =>
    'Some predictors follow exactly from others, so that their coefficients are not determined. Switch one of them off, and the regression stands here.',
  'constant-outcome': ({ outcome }) => `${outcome} has the same value in all these rows: there is nothing to explain.`,
};

/** "Beyond them nitrate and phosphate add ΔR² = .022, F(4, 9) = 10.96, p = .002." @param k place of the set */
export function stepSentence(step: BlockStep, names: readonly string[], k: number, levels: readonly number[]): string {
  const test = Number.isNaN(step.f)
    ? 'which cannot be tested here'
    : `F(${step.df}, ${step.dfResidual.toLocaleString('en-GB')}) = ${significant(step.f)}, ${pRelationText(step.pValue, levels)}`;
  const who = joined(names);
  const many = names.length > 1;
  if (k === 0) return `${who} ${many ? 'explain' : 'explains'} R² = ${fineCoefficientText(step.r2)}, ${test}.`;
  return `Beyond ${k === 1 ? 'the first set' : 'the sets before'} ${who} ${many ? 'add' : 'adds'} ΔR² = ${fineCoefficientText(step.change)}, ${test}; R² is then ${fineCoefficientText(step.r2)}.`;
}
