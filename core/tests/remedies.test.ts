import {
  type Caution,
  type CautionCode,
  type CautionContext,
  couldChange,
  decideDifferently,
  isMonotone,
  noticeableBetweenMethods,
  noticeableWithoutRow,
  pairCautions,
  partialCorrelation,
  pearson,
  spearman,
  withinGroup,
} from '@ivlen/core';
import { describe, expect, it } from 'vitest';
import { Random } from '../src/random/random';

const source = (seed: number) => {
  const random = new Random(seed);
  return (n: number) => Float64Array.from({ length: n }, () => random.normal());
};
const find = (x: Float64Array, y: Float64Array, code: CautionCode, context: Partial<CautionContext> = {}): Caution | undefined =>
  pairCautions(x, y, { method: 'pearson', ...context }).find((caution) => caution.code === code);
/** The rule, from the very values that the caution carries. */
const followsRule = (caution: Caution, n: number) => {
  const least =
    caution.remedy?.kind === 'ranks' ? noticeableBetweenMethods(n) : caution.remedy?.row === undefined ? 0.1 : noticeableWithoutRow(n);
  return caution.remedy !== null && couldChange(caution.found, caution.remedy, 0.05, least) ? 'could-change' : 'note';
};

describe('when a remedy could change the conclusion', () => {
  it.each([
    // p at most α for one, above 2α for the other; by a hair on both sides of the level alarms nobody.
    [{ coefficient: 0.2, pValue: 0.04 }, { coefficient: 0.15, pValue: 0.101 }, true],
    [{ coefficient: 0.2, pValue: 0.04 }, { coefficient: 0.15, pValue: 0.1 }, false],
    [{ coefficient: 0.2, pValue: 0.05 }, { coefficient: 0.15, pValue: 0.2 }, true],
    [{ coefficient: 0.2, pValue: 0.051 }, { coefficient: 0.15, pValue: 0.2 }, false],
    [{ coefficient: 0.2, pValue: 0.001 }, { coefficient: -0.2, pValue: 0.001 }, true],
    [{ coefficient: 0.2, pValue: 0.001 }, { coefficient: 0.2, pValue: 0.0001 }, false],
    [{ coefficient: Number.NaN, pValue: Number.NaN }, { coefficient: 0.2, pValue: 0.001 }, false],
    [{ coefficient: 0.2, pValue: 0.001 }, { coefficient: 0.2, pValue: Number.NaN }, false],
  ])('decide differently: case %#', (a, b, wanted) => {
    expect([decideDifferently(a, b, 0.05), decideDifferently(b, a, 0.05)]).toEqual([wanted, wanted]);
  });

  it('a coefficient that differs by .10 does, and by more where chance alone brings more', () => {
    const [found, other] = [
      { coefficient: 0.5, pValue: 1e-9 },
      { coefficient: 0.39, pValue: 1e-6 },
    ];
    expect([couldChange(found, other, 0.05), couldChange(found, { ...other, coefficient: 0.41 }, 0.05)]).toEqual([true, false]);
    expect(couldChange(found, other, 0.05, noticeableBetweenMethods(20))).toBe(false);
    expect([20, 112, 1000].map(noticeableBetweenMethods)).toEqual([expect.closeTo(1.05 / Math.sqrt(19), 12), 0.1, 0.1]);
    expect([20, 61, 1000].map(noticeableWithoutRow)).toEqual([expect.closeTo(6 / 19, 12), 0.1, 0.1]);
  });
});

describe('each caution carries what heeding it gives, on both sides of the rule', () => {
  const draw = source(66);
  const x = draw(80);
  const noise = draw(80);

  it('curved and monotone: ρ; bent back: the parabola’s R against |r|', () => {
    const rising = x.map((value, i) => Math.exp(1.4 * value) + 0.2 * noise[i]);
    const curved = find(x, rising, 'curved');
    expect(curved?.remedy).toMatchObject({ kind: 'ranks', coefficient: spearman(x, rising).coefficient });
    expect(curved?.level).toBe('could-change');
    expect(curved && followsRule(curved, 80)).toBe('could-change');
    const bent = x.map((value, i) => value * value + 0.1 * value + 0.3 * noise[i]);
    const back = find(x, bent, 'curved');
    expect(back?.remedy?.kind).toBe('parabola');
    expect(back?.remedy?.coefficient).toBeGreaterThan(0.9);
    expect([back?.level, back?.values.direction]).toEqual(['could-change', 0]);
    expect(find(bent, x, 'curved')?.values.direction).toBe(1);
    expect([isMonotone(x, rising), isMonotone(x, bent)]).toEqual([true, false]);
    // A bend that adds little to a close association is a note.
    const slight = x.map((value, i) => value + 0.16 * value * value + 0.15 * noise[i]);
    expect(find(x, slight, 'curved')).toMatchObject({ level: 'note' });
  });

  it('one row: without it, at most a note where little changes', () => {
    const y = x.map((value, i) => 0.6 * value + noise[i]);
    const far = find(Float64Array.of(...x, 12), Float64Array.of(...y, -12), 'one-point');
    expect(far).toMatchObject({ level: 'could-change', remedy: { row: 80, n: 80, coefficient: pearson(x, y).coefficient } });
    const mild = find(Float64Array.of(...x, 2.6), Float64Array.of(...y, -2), 'one-point');
    expect(mild?.level).toBe('note');
    expect(mild && followsRule(mild, 81)).toBe('note');
  });

  it('shape and methods that disagree: ρ, under Pearson only', () => {
    const skewed = x.map((value, i) => Math.exp(2.2 * (value + 0.6 * noise[i])));
    const wide = x.map((value) => Math.exp(2 * value));
    for (const code of ['shape', 'method-disagreement'] as const) {
      const caution = find(wide, skewed, code);
      expect(caution?.remedy).toMatchObject({ kind: 'ranks', coefficient: spearman(wide, skewed).coefficient });
      expect(caution?.level).toBe('could-change');
    }
    expect(find(wide, skewed, 'method-disagreement', { method: 'spearman' })).toMatchObject({ level: 'note', remedy: null });
    expect(find(wide, skewed, 'shape', { method: 'kendall' })).toBeUndefined();
    // Marked by a strict rule, but ρ says the same.
    const plain = x.map((value, i) => value + noise[i]);
    const strict = { shapeRule: { kind: 'limits', skewness: 0.001, excessKurtosis: 0.001 } } as const;
    expect(find(x, plain, 'shape', strict)).toMatchObject({ level: 'note', remedy: { kind: 'ranks' } });
  });

  it('fan: the same r with its distribution-free p', () => {
    const positive = Float64Array.from({ length: 200 }, (_, i) => 1 + i / 20);
    const wide = source(8)(200);
    const fan = positive.map((value, i) => 0.05 * value + 0.06 * value ** 1.5 * wide[i]);
    const caution = find(positive, fan, 'fan-shaped');
    const { coefficient, interval, zVariance } = pearson(positive, fan, { interval: 'adf' });
    expect(caution?.remedy).toMatchObject({ kind: 'distribution-free', coefficient, low: interval?.low, high: interval?.high });
    expect(caution?.remedy?.pValue).toBeCloseTo(2 * normalTail(Math.abs(Math.atanh(coefficient)) / Math.sqrt(zVariance)), 10);
    expect(caution && followsRule(caution, 200)).toBe(caution?.level);
  });

  it('groups that differ: within groups; of opposite sign, decisive though the remedy is near 0 as well', () => {
    const both = (a: Float64Array) => Float64Array.of(...a, ...a);
    const labels = Float64Array.from({ length: 160 }, (_, i) => (i < 80 ? 1 : 2));
    const slope = (r: number) => x.map((value, i) => r * value + Math.sqrt(1 - r * r) * noise[i]);
    const opposed = Float64Array.of(...slope(0.6), ...slope(-0.6));
    const got = find(both(x), opposed, 'groups-hide', { groups: labels }) ?? find(both(x), opposed, 'groups-differ', { groups: labels });
    expect(got?.level).toBe('could-change');
    expect(Math.abs(got?.remedy?.coefficient ?? 1)).toBeLessThan(0.15);
    expect(got?.remedy?.coefficient).toBe(withinGroup(both(x), opposed, labels, { method: 'pearson' }).coefficient);
    // The same sign, different size, one scale: the coefficient within groups says what that over all says.
    const alike = Float64Array.of(...slope(0.9), ...slope(0.55));
    const differ = find(both(x), alike, 'groups-differ', { groups: labels });
    expect(differ).toMatchObject({ level: 'note', remedy: { kind: 'within-groups' } });
  });

  it('groups that reverse are decisive, and their remedy has the other sign', () => {
    const labels = Float64Array.from({ length: 80 }, (_, i) => i % 4);
    const a = x.map((value, i) => value + 6 * labels[i]);
    const b = x.map((value, i) => -0.8 * value + 0.5 * noise[i] + 6 * labels[i]);
    const reverse = find(a, b, 'groups-reverse', { groups: labels });
    expect(reverse?.level).toBe('could-change');
    expect((reverse?.found.coefficient ?? 0) > 0 && (reverse?.remedy?.coefficient ?? 0) < 0).toBe(true);
  });

  it('a shared component: held constant, or its rest; inseparable ones and Kendall with several are notes', () => {
    const [part, b] = [x.map((value) => Math.exp(value)), noise.map((value) => Math.exp(value))];
    const [first, second] = [x.map((_, i) => b[i] / part[i]), x.map((_, i) => Math.abs(noise[(i * 7) % 80]) / part[i])];
    const caution = find(first, second, 'shares-a-component', { shared: { kind: 'constant', columns: [part] } });
    expect(caution?.remedy?.coefficient).toBe(partialCorrelation(first, second, [part], { method: 'pearson' }).coefficient);
    const rest = find(first, part, 'shares-a-component', { shared: { kind: 'remaining', x: b, y: part } });
    expect(rest?.remedy).toMatchObject({ kind: 'remaining-part', coefficient: pearson(b, part).coefficient });
    expect(rest && followsRule({ ...rest, code: 'shares-a-component' }, 1e6)).toBe(rest?.level);
    expect(find(first, part, 'shares-a-component', { shared: { kind: 'inseparable' } })).toMatchObject({ level: 'note', remedy: null });
    const tau = find(first, second, 'shares-a-component', { method: 'kendall', shared: { kind: 'constant', columns: [part] } });
    expect(tau?.remedy?.low).toBeNaN();
    expect(
      find(first, second, 'shares-a-component', { method: 'kendall', shared: { kind: 'constant', columns: [part, b] } })?.remedy,
    ).toBeNull();
  });

  it('few cases: the permutation p for r; ranks have theirs exact', () => {
    const [a, b] = [x.slice(0, 8), x.slice(0, 8).map((value, i) => value + 2 * noise[i])];
    expect(find(a, b, 'few-cases')?.remedy).toMatchObject({ kind: 'permutation', coefficient: pearson(a, b).coefficient, n: 8 });
    expect(find(a, b, 'few-cases', { method: 'kendall' })).toMatchObject({ level: 'note', remedy: null });
  });

  it('an order under Pearson is judged by ρ', () => {
    const steps = x.map((value) => Math.round(value));
    const y = x.map((value, i) => value + 0.5 * noise[i]);
    expect(find(steps, y, 'ordinal', { ordinal: true })).toMatchObject({ level: 'note', remedy: { kind: 'ranks' } });
  });

  it('the chosen alternative decides, not the two-sided one', () => {
    const random = source(3)(30);
    const y = random.map((value, i) => 0.25 * value + draw(1)[0] + i * 0);
    for (const alternative of ['greater', 'less'] as const) {
      for (const caution of pairCautions(random, y, { method: 'pearson', alternative })) {
        expect(caution.found.pValue).toBe(pearson(random, y, { alternative }).pValue);
      }
    }
  });
});

/** P(Z > z), by a series good to 1e-12 here. */
function normalTail(z: number): number {
  let [term, sum] = [z, z];
  for (let k = 1; k < 200; k++) {
    term *= -(z * z) / (2 * k);
    sum += term / (2 * k + 1);
  }
  return 0.5 - sum / Math.sqrt(2 * Math.PI);
}
