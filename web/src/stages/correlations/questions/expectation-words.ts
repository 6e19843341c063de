import type { Expectation, Variable } from '@ivlen/contract';
import type { Alternative } from '@ivlen/core';
import { displayName } from '../../../study/variable-name';

export const EXPECTATIONS: readonly Expectation[] = ['either', 'more', 'less'];

/** The alternative hypothesis that belongs to an expectation: a directional one is tested one-sided. */
export const ALTERNATIVE: Readonly<Record<Expectation, Alternative>> = { either: 'two-sided', more: 'greater', less: 'less' };

/** "more nitrate, fewer mayfly taxa": counts are fewer, amounts are less. */
export function expectationInWords(expectation: Expectation, first: Variable, second: Variable): string {
  const [x, y] = [displayName(first), displayName(second)];
  switch (expectation) {
    case 'either':
      return `${x} and ${y} are associated, in either direction`;
    case 'more':
      return `more ${x}, more ${y}`;
    case 'less':
      return `more ${x}, ${second.kind === 'discrete' ? 'fewer' : 'less'} ${y}`;
  }
}

/** Null and alternative in words and symbols. The population's coefficient is called neither ρ, which is Spearman's, nor R, which is multiple. */
export function hypothesesInWords(
  expectation: Expectation,
  x: string,
  y: string,
): { readonly nothing: string; readonly something: string } {
  const population = `the population correlation of ${x} and ${y}`;
  switch (expectation) {
    case 'either':
      return { nothing: `H₀: ${population} is zero (population r = 0)`, something: 'H₁: it is not zero (population r ≠ 0), two-sided' };
    case 'more':
      return {
        nothing: `H₀: ${population} is not above zero (population r ≤ 0)`,
        something: 'H₁: it is above zero (population r > 0), one-sided',
      };
    case 'less':
      return {
        nothing: `H₀: ${population} is not below zero (population r ≥ 0)`,
        something: 'H₁: it is below zero (population r < 0), one-sided',
      };
  }
}
