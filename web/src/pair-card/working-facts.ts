import type { CorrelationSettings, PairResult } from '@ivlen/contract';
import { type Method, smallestDetectable } from '@ivlen/core';
import { intervalSteps } from './interval-steps';
import type { Pair } from './use-pair-selection';
import type { WorkingFacts } from './working-text';

/** Power by which the smallest coefficient is found. */
const POWER = 0.8;
/** Above so many rows the exact distribution of r and Fisher’s z agree to all digits shown. */
const MOST_EXACT = 2000;

/** What the working of a pair is made of: where a remedy was decided on, of the coefficient without it, whose formulas these are. */
export function workingFacts(pair: Pair, method: Method, settings: CorrelationSettings, result: PairResult): WorkingFacts {
  const test = result.without[method] ?? result.tests[method];
  const { coefficient, statistic, n, interval } = test;
  const { alternative, levels, control } = settings;
  const alpha = levels[0] ?? 0.05;
  const held = control.length;
  return {
    pair,
    method,
    test,
    alternative,
    held,
    df: statistic?.df ?? n - 2 - held,
    steps: interval && coefficient !== null ? intervalSteps(method, interval, alternative, held) : [],
    detectable:
      alpha < POWER
        ? smallestDetectable({ n: n - held, power: POWER, alpha, alternative, method: n > MOST_EXACT ? 'fisher' : 'exact' })
        : Number.NaN,
    alpha,
  };
}
