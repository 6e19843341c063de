import { describe as describeVariable } from '@ivlen/core';
import { describe, expect, test } from 'vitest';
import { Random } from '../src/random/random';
import { ONE, PAIR } from './every-function';

/** What no unit of measurement changes, by the name under which results carry it. */
const WITHOUT_UNIT = new Set(
  `coefficient corrected pValue log10P adjustedP z t f q df n r2 adjustedR2 statistic value cooksDistance studentized leverage
   vif gvif tolerance conditionIndices determinant eigenvalues zVariance skewness excessKurtosis low high standardized part partial
   likely listwise pairwise yOnX xOnY distance distanceP xiP anyP counts outside undefinedBecause code level`.split(/\s+/),
);
/** Of counts of levels: a column of numbers has as many levels as rows, and takes as long. */
const OF_LEVELS = new Set(['polychoric']);
/** Results whose limits, values or counts have a unit, or whose own scale a change of unit changes. */
const ONE_WITH_UNITS = new Set([
  'boxCox',
  'yeoJohnson',
  'density',
  'histogram',
  'decimalSlips',
  'square',
  'sqrt',
  'cubeRoot',
  'reciprocal',
  'boxSummary',
]);
const WITH_UNITS: Readonly<Record<string, readonly string[]>> = {
  lowess: ['value'],
  fittedLine: ['low', 'high', 'value', 't'],
  linearModel: ['low', 'high'],
  compareSlopes: ['low', 'high'],
};
/** Of several columns of the same measurement: one unit for all of them. */
const ONE_UNIT = new Set(['intraclass', 'correctAttenuation']);
/** What is drawn hangs on the order of rows. */
const DRAWN =
  /bootstrap|permut|rankDependence|unseen|distance|Attenuation|kendall, replicates|partialCorrelation kendall|pairCautions|percentage/i;

/** Numbers and reasons without a unit in a result, each with its way there. */
function figuresOf(result: unknown, skipped: readonly string[], way = ''): Map<string, unknown> {
  const found = new Map<string, unknown>();
  const visit = (value: unknown, name: string, at: string) => {
    if (value instanceof Float64Array || value instanceof Int32Array) {
      if (WITHOUT_UNIT.has(name) && !skipped.includes(name)) value.forEach((item, i) => void found.set(`${at}.${i}`, item));
    } else if (Array.isArray(value)) value.forEach((item, i) => void visit(item, name, `${at}.${i}`));
    else if (typeof value === 'object' && value !== null) {
      for (const [key, item] of Object.entries(value)) visit(item, key, `${at}.${key}`);
    } else if (WITHOUT_UNIT.has(name) && !skipped.includes(name)) found.set(at, value);
  };
  visit(result, '', way);
  return found;
}

function expectAlike(name: string, got: unknown, wanted: unknown, relative: number): void {
  const skipped = WITH_UNITS[name] ?? [];
  const [found, known] = [figuresOf(got, skipped), figuresOf(wanted, skipped)];
  expect([...found.keys()], name).toEqual([...known.keys()]);
  for (const [way, value] of known) {
    const other = found.get(way);
    if (typeof value !== 'number' || !Number.isFinite(value)) expect(other, `${name}${way}`).toEqual(value);
    else
      expect(Math.abs((other as number) - value), `${name}${way}: ${other}, not ${value}`).toBeLessThanOrEqual(
        relative * Math.max(1e-3, Math.abs(value)),
      );
  }
}

const random = new Random(63);
const x = Float64Array.from({ length: 40 }, () => random.normal());
const y = x.map((value) => 0.6 * value + random.normal());
const gaps = (values: Float64Array, every: number) => values.map((value, i) => (i % every === 3 ? Number.NaN : value));
const scaled = (values: Float64Array, by: number) => values.map((value) => value * by);
const SCALES = [
  [1e-170, 1e-170],
  // A slope of 1e275 is still a number.
  [1e-120, 1e155],
  [1e155, 1e-3],
  [1e160, 1e160],
  [1, 1e-170],
] as const;

describe.each([
  ['complete', x, y],
  ['with gaps', gaps(x, 9), gaps(y, 7)],
] as const)('a pair, %s', (_, a, b) => {
  test.each(Object.keys(PAIR).filter((name) => !OF_LEVELS.has(name)))('%s says the same in any unit', (name) => {
    const run = PAIR[name] as (x: Float64Array, y: Float64Array) => unknown;
    const wanted = run(a, b);
    const scales = ONE_UNIT.has(name) ? SCALES.map(([by]) => [by, by] as const) : SCALES;
    for (const [byX, byY] of scales) expectAlike(name, run(scaled(a, byX), scaled(b, byY)), wanted, 1e-7);
  });

  test.each(Object.keys(PAIR).filter((name) => !DRAWN.test(name) && !OF_LEVELS.has(name)))(
    '%s says the same of the rows in reverse order',
    (name) => {
      const run = PAIR[name] as (x: Float64Array, y: Float64Array) => unknown;
      // Labels go by place: an even number of rows turned over exchanges the two groups, which are named in turn.
      const turned = figuresOf(run(a.slice().reverse(), b.slice().reverse()), []);
      const straight = figuresOf(run(a, b), []);
      const sorted = (figures: Map<string, unknown>) =>
        [...figures.values()]
          .filter((value) => typeof value === 'number' && Number.isFinite(value))
          .map((value) => Math.abs(value as number))
          .sort((p, q) => p - q);
      const [got, wanted] = [sorted(turned), sorted(straight)];
      expect(got.length).toBe(wanted.length);
      got.forEach((value, i) => void expect(Math.abs(value - (wanted[i] ?? 0)), name).toBeLessThan(1e-7 * Math.max(1, value)));
    },
  );
});

test.each(Object.keys(ONE).filter((name) => !ONE_WITH_UNITS.has(name)))('%s of a column says the same in any unit', (name) => {
  const run = ONE[name] as (x: Float64Array) => unknown;
  const wanted = run(x);
  for (const [by] of SCALES) expectAlike(name, run(scaled(x, by)), wanted, 1e-7);
});

test('mean and SD keep their digits at any size', () => {
  const { mean, sd } = describeVariable(x);
  for (const [by] of SCALES) {
    const found = describeVariable(scaled(x, by));
    expect(found.mean / by / mean).toBeCloseTo(1, 12);
    expect(found.sd / by / sd).toBeCloseTo(1, 12);
  }
});
