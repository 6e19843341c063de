import type { PairRequest, PairTest } from '@ivlen/contract';
import {
  bootstrapCorrelation,
  type CorrelationTest,
  INTERVAL_KINDS,
  type IntervalKind,
  type Method,
  mostControls,
  partialCorrelation,
  testPair,
} from '@ivlen/core';
import { finiteOrNull } from './finite-or-null';

/** A test, or why the method has none of this sort. */
export type PairCorrelation = Omit<CorrelationTest, 'undefinedBecause'> & { undefinedBecause?: PairTest['undefinedBecause'] };

const NO_COEFFICIENT = {
  coefficient: Number.NaN,
  pValue: Number.NaN,
  log10P: Number.NaN,
  statistic: null,
  interval: null,
  undefinedBecause: 'one-control-only',
} as const;

export type How = Pick<PairRequest, 'alternative' | 'level' | 'interval'>;

/** The kind of interval by a formula that a method has: the one asked for, or its usual one. */
export function intervalKind(method: Method, kind: How['interval']): IntervalKind {
  return INTERVAL_KINDS[method].find((item) => item === kind) ?? 'default';
}

/** A pair by one method; held constant are the controls. */
export function correlationOf(
  method: Method,
  x: Float64Array,
  y: Float64Array,
  controls: readonly Float64Array[],
  { alternative, level, interval }: How,
): PairCorrelation {
  if (controls.length > mostControls(method)) return { ...testPair(method, x, y, { alternative, p: 'approximate' }), ...NO_COEFFICIENT };
  if (controls.length > 0) return partialCorrelation(x, y, controls, { method, alternative, level });
  const test = testPair(method, x, y, { alternative, level, interval: intervalKind(method, interval) });
  if (interval !== 'bootstrap' || test.undefinedBecause || test.degenerate) return test;
  return { ...test, interval: bootstrapCorrelation(x, y, { method, level }).interval };
}

export function testAsData({ n, pMethod, statistic, interval, ...test }: PairCorrelation): PairTest {
  return {
    coefficient: finiteOrNull(test.coefficient),
    n,
    pValue: finiteOrNull(test.pValue),
    log10P: finiteOrNull(test.log10P),
    pMethod,
    statistic: statistic && Number.isFinite(statistic.value) ? statistic : null,
    interval,
    degenerate: test.degenerate ?? false,
    undefinedBecause: test.undefinedBecause ?? null,
  };
}
