import * as core from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { ONE, PAIR } from './every-function';

const noise = Float64Array.from({ length: 30 }, (_, i) => Math.sin(i * i + 1));
const COLUMNS: Readonly<Record<string, readonly [Float64Array, Float64Array]>> = {
  'no rows': [new Float64Array(0), new Float64Array(0)],
  'one row': [Float64Array.of(1), Float64Array.of(2)],
  'two rows': [Float64Array.of(1, 2), Float64Array.of(5, 3)],
  'three rows': [Float64Array.of(1, 2, 4), Float64Array.of(5, 3, 9)],
  'all missing': [new Float64Array(8).fill(Number.NaN), Float64Array.of(1, 2, 3, 4, 5, 6, 7, 8)],
  constant: [new Float64Array(30).fill(3), noise],
  'constant after deletion': [noise.map((value, i) => (i < 3 ? value : 7)), noise.map((value, i) => (i < 3 ? Number.NaN : value))],
  'all tied but one': [noise.map((_, i) => (i === 4 ? 1 : 0)), noise],
  '1e9 plus noise of 1e-3': [noise.map((value) => 1e9 + 1e-3 * value), noise.map((value) => 1e9 - 1e-3 * value * value)],
  'from 1e-300 to 1e300': [noise.map((value, i) => value * 10 ** (i * 20 - 300)), noise],
  'a perfect line': [noise, noise.map((value) => 3 - 2 * value)],
  'duplicated rows': [noise.map((_, i) => noise[i % 5]), noise.map((_, i) => noise[(i % 5) + 7])],
};
const cases = Object.entries(COLUMNS).map(([name, [x, y]]) => [name, x, y] as const);

describe('no column makes a function throw, and none is changed', () => {
  test.each(cases)('%s', (_, x, y) => {
    const [keptX, keptY] = [x.slice(), y.slice()];
    for (const [name, run] of Object.entries(ONE)) expect(() => run(x), name).not.toThrow();
    for (const [name, run] of Object.entries(PAIR)) expect(() => run(x, y), name).not.toThrow();
    expect([x, y]).toEqual([keptX, keptY]);
  });
});

describe('what comes out is documented', () => {
  const [line, other] = COLUMNS['a perfect line'];

  it.each([
    ['no rows', 'too-few-cases'],
    ['one row', 'too-few-cases'],
    ['two rows', 'too-few-cases'],
    ['three rows', undefined],
    ['all missing', 'too-few-cases'],
    ['constant', 'constant-x'],
    ['constant after deletion', 'constant-x'],
    ['all tied but one', undefined],
    ['1e9 plus noise of 1e-3', undefined],
    ['from 1e-300 to 1e300', undefined],
    ['a perfect line', undefined],
    ['duplicated rows', undefined],
  ] as const)('%s: %s', (name, because) => {
    const [x, y] = COLUMNS[name];
    for (const run of [core.pearson, core.spearman, core.kendall]) {
      const { coefficient, pValue, undefinedBecause } = run(x, y);
      expect(undefinedBecause).toBe(because);
      expect([Number.isNaN(coefficient), Number.isNaN(pValue)]).toEqual([because !== undefined, because !== undefined]);
    }
  });

  it('a perfect line: coefficient −1 by all methods, residuals nothing, VIF infinite', () => {
    for (const run of [core.pearson, core.spearman, core.kendall]) expect(run(line, other).coefficient).toBe(-1);
    const model = core.linearModel(other, [line]);
    expect(model.coefficients[1]).toBeCloseTo(-2, 14);
    expect(model.residualSd).toBeLessThan(1e-15);
    expect([...core.varianceInflation([line, other]).vif]).toEqual([Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY]);
  });

  it('values from 1e-300 to 1e300 keep their ranks and do not overflow', () => {
    const [x, y] = COLUMNS['from 1e-300 to 1e300'];
    expect(core.spearman(x, y).coefficient).toBe(
      core.spearman(
        x.map((value) => Math.sign(value) * (Math.log10(Math.abs(value)) + 400)),
        y,
      ).coefficient,
    );
    expect(Number.isFinite(core.pearson(x, y).coefficient)).toBe(true);
    expect(Number.isFinite(core.describe(x).sd)).toBe(true);
  });
});
