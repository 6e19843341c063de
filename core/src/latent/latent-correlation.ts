import { completePair } from '../columns/complete-rows';
import { resolveOptionsOf } from '../correlation/methods';
import { pearson } from '../correlation/pearson';
import { undefinedTest } from '../correlation/test-result';
import type { CorrelationTest } from '../correlation/types';
import { levelsOf } from './contingency';
import type { LatentCorrelation, LatentOptions } from './latent-result';
import { polychoric } from './polychoric';
import { polyserial } from './polyserial';

/** With more levels an ordered variable is a quantity. */
const MOST_STEPS = 25;

/**
 * The correlation of a pair if normal variables were behind the steps of ordered ones: polychoric for two ordered variables
 * (tetrachoric for two levels each), polyserial for one, Pearson's r for none.
 * @param steps which of the two are ordered; one with more than 25 levels counts as a quantity
 * @throws {RangeError} columns of unequal length, or an option that does not exist.
 *
 * @example
 * latentCorrelation(Float64Array.of(1, 2, 3, 4, 5), Float64Array.of(2, 1, 4, 3, 5), [false, false]).coefficient; // 0.8
 */
export function latentCorrelation(
  x: Float64Array,
  y: Float64Array,
  steps: readonly [boolean, boolean],
  options: LatentOptions = {},
): CorrelationTest {
  const complete = completePair(x, y);
  const isOrdered = (is: boolean, values: Float64Array) => is && levelsOf(values).length <= MOST_STEPS;
  const [first, second] = [isOrdered(steps[0], complete.x), isOrdered(steps[1], complete.y)];
  if (!first && !second) return pearson(x, y, options);
  if (first && second) return asTest(polychoric(x, y, options), options);
  return asTest(first ? polyserial(y, x, options) : polyserial(x, y, options), options, first);
}

/** @param exchanged whether the first of the two was given as the second */
function asTest(found: LatentCorrelation, options: LatentOptions, exchanged = false): CorrelationTest {
  const resolved = resolveOptionsOf('pearson', options);
  const { undefinedBecause, degenerate } = found;
  if (undefinedBecause) {
    const because = exchanged ? (EXCHANGED[undefinedBecause] ?? undefinedBecause) : undefinedBecause;
    return undefinedTest(because, found.n, resolved);
  }
  if (!found.converged && !degenerate) return undefinedTest('does-not-settle', found.n, resolved);
  return {
    method: 'pearson',
    coefficient: found.coefficient,
    n: found.n,
    pValue: found.pValue,
    log10P: found.log10P,
    pMethod: 'normal',
    statistic: { name: 'z', value: found.z },
    alternative: resolved.alternative,
    interval: found.interval,
    zVariance: found.zVariance,
    ...(degenerate ? { degenerate } : {}),
  };
}

const EXCHANGED: Readonly<Record<string, 'constant-x' | 'constant-y'>> = { 'constant-x': 'constant-y', 'constant-y': 'constant-x' };
