import { scaleLinear } from 'd3-scale';
import { describe, expect, it, test } from 'vitest';
import { asMeasured, asMeasuredAlike, significant } from '../src/figures/as-measured';
import { endsOf, niceAxis } from '../src/figures/charts/nice-axis';
import { dayToken } from '../src/figures/export/day-colours';
import { svgOfElement } from '../src/figures/export/svg-of-element';
import { formatMeasured } from '../src/figures/format-measured';
import { nearestPoint } from '../src/figures/nearest-point';
import { ticksOf, tickTexts } from '../src/figures/ticks';
import { tiedPoints, tiedRadius } from '../src/figures/tied-points';
import { columnWidths } from '../src/stages/data/rows/column-widths';
import { usedRows } from '../src/study/used-rows';

describe('means and standard deviations', () => {
  test.each([
    [193.04, 124.4, 0, '193.0'],
    [2.4664, 1.807, 2, '2.466'],
    [0.000123456, 0.0000234, null, '0.0001235'],
    [-4, 1.5, null, '−4.00'],
    [1e9, 1e-3, null, '1.000 × 10⁹'],
    [1234567.891, 4500, 1, '1,234,567.89'],
    [2004.5, 3, 0, '2004.5'],
    [-0.00000234, 1e-8, null, '−2.340 × 10⁻⁶'],
    [null, null, 2, '–'],
  ])('%s with SD %s and %s decimals', (value, sd, decimals, text) => {
    expect(formatMeasured(value, sd, decimals)).toBe(text);
  });
});

describe('values', () => {
  test.each([
    [123456.5, '123,456.5', '123,457'],
    [9999, '9999', '9999'],
    [-1234567, '−1,234,567', '−1,234,567'],
    [7e6, '7,000,000', '7,000,000'],
    [3.2e13, '3.2 × 10¹³', '3.200 × 10¹³'],
    [1.5e-9, '1.5 × 10⁻⁹', '1.500 × 10⁻⁹'],
    [0, '0', '0'],
    [null, '–', '–'],
    [Number.NaN, '–', '–'],
  ])('%s is %s as measured and %s to four digits', (value, measured, four) => {
    expect(asMeasured(value)).toBe(measured);
    expect(significant(value)).toBe(four);
  });

  it('under each other have one number of decimals', () => {
    const alike = asMeasuredAlike([4.8, 12, 0.125, null]);
    expect([4.8, 12, 0.125, null, -3].map(alike)).toEqual(['4.800', '12.000', '0.125', '–', '−3.000']);
    expect(asMeasuredAlike([14, 9])(14)).toBe('14');
    expect(asMeasuredAlike([1e13, 2.5])(1e13)).toBe('1 × 10¹³');
  });
});

it('cases at one place are one point, larger by their number', () => {
  const points = { x: Float64Array.of(1, 1, 2, 1, 9), y: Float64Array.of(3, 3, 3, 4, 9), rows: Uint32Array.of(0, 1, 2, 3) };
  const tied = tiedPoints(points);
  expect([[...tied.rows], [...tied.counts], tied.most]).toEqual([[0, 2, 3], [2, 1, 1], 2]);
  expect(tiedRadius(2, 4)).toBe(4);
  expect(tiedRadius(2, 1)).toBe(2);
  expect(tiedRadius(2, 10_000)).toBe(12);
  expect(tiedPoints({ ...points, rows: new Uint32Array(0) })).toMatchObject({ most: 1 });
});

it('names of columns get the room that is free, and are read in full where the table scrolls anyway', () => {
  const named = (...names: string[]) => names.map((name) => ({ name }));
  const three = named('ph', 'dissolved_oxygen_at_noon', 'taxa');
  expect(columnWidths(three, 900)).toEqual([116, 219, 116]);
  // 400 pixels leave 52 beside three columns of the usual width.
  expect(columnWidths(three, 400)).toEqual([116, 168, 116]);
  expect(columnWidths(three, 200)).toEqual([116, 219, 116]);
  expect(columnWidths([], 400)).toEqual([]);
});

it('finds the rows in which nothing is missing', () => {
  const columns = [Float64Array.of(1, Number.NaN, 3, 4), Float64Array.of(1, 2, Number.NaN, 4)];
  expect([...usedRows(columns)]).toEqual([0, 3]);
  expect([...usedRows([])]).toEqual([]);
});

it('finds the point under the pointer among the rows drawn, within reach', () => {
  const points = { x: Float64Array.of(0, 10, 11), y: Float64Array.of(0, 10, 10), rows: Uint32Array.of(0, 1) };
  const same = (value: number) => value;
  expect(nearestPoint(points, same, same, 11, 10)).toBe(1);
  expect(nearestPoint(points, same, same, 2, 1)).toBe(0);
  expect(nearestPoint(points, same, same, 60, 60)).toBeNull();
});

describe('ticks', () => {
  test.each([
    [[0, 0.5, 1, 1.5, 2, 2.5], '0.0 0.5 1.0 1.5 2.0 2.5'],
    [[0.1, 0.15, 0.2, 0.25, 0.3], '0.10 0.15 0.20 0.25 0.30'],
    [[0, 1, 2, 3], '0 1 2 3'],
    [[-2, -1, 0, 1], '−2 −1 0 1'],
    [[0, 20_000, 40_000], '0 20,000 40,000'],
    [[1990, 2000, 2010], '1990 2000 2010'],
    [[0, 500_000, 1_000_000], '0 5 × 10⁵ 1 × 10⁶'],
    [[1_000_000, 1_000_500, 1_001_000], '1,000,000 1,000,500 1,001,000'],
    [[0, 0.0002, 0.0004], '0 2 × 10⁻⁴ 4 × 10⁻⁴'],
    [[-0.2, -0.1, 0, 0.1, 0.2, 0.30000000000000004], '−0.2 −0.1 0.0 0.1 0.2 0.3'],
    [[5], '5'],
    [[0], '0'],
    [[], ''],
    [[-5e6, 0, 5e6], '−5 × 10⁶ 0 5 × 10⁶'],
    [[7e6, 7.2e6], '7 × 10⁶ 7.2 × 10⁶'],
  ])('%j have as many decimals as the step needs', (values, texts) => {
    expect(tickTexts(values).join(' ')).toBe(texts);
  });

  it('never read alike, on axes of any length and place', () => {
    for (let k = 0; k < 400; k++) {
      const low = Math.sin(k) * 10 ** ((k % 13) - 4);
      const scale = scaleLinear([low, low + 10 ** (((k * 7) % 11) - 5)], [0, 100]);
      for (const count of [2, 5, 9]) {
        const texts = ticksOf(scale, count).map(({ text }) => text);
        expect(new Set(texts).size, texts.join(' ')).toBe(texts.length);
      }
    }
  });

  it('an axis is rounded to its ticks; one without length gets one', () => {
    expect(niceAxis([0.3, 9.7], 300)).toEqual({ domain: [0, 10], ticks: [0, 2, 4, 6, 8, 10] });
    const { domain } = niceAxis([4, 4], 200);
    expect(domain[1] - domain[0]).toBeGreaterThan(0);
  });

  it('finds the ends of more values than a call takes arguments', () => {
    const values = Float64Array.from({ length: 500_000 }, (_, i) => (i * 7919) % 500_000);
    expect(endsOf([...values])).toEqual([0, 499_999]);
  });
});

describe('a drawing of the page as a file', () => {
  const drawing = () => {
    const holder = document.createElement('div');
    holder.innerHTML =
      '<svg class="numerals" width="200" height="100"><path d="M0 0L5 5" stroke="var(--accent)" fill="var(--surface)"/><text class="x" fill="var(--muted)">n &lt; 5</text></svg>';
    document.body.append(holder);
    return holder.querySelector('svg') as SVGSVGElement;
  };
  const facts = { title: 'a & b', caption: 'n < 5', width: 85, colour: true };

  it('carries its colours by day, its size on paper, its words, and no class of the page', () => {
    const { svg, caption } = svgOfElement(drawing(), facts);
    expect(svg).toContain('width="85mm"');
    expect(svg).toContain('height="42.50mm"');
    expect(svg).toContain(`stroke="${dayToken('--accent')}"`);
    expect(svg).toContain('fill="white"');
    expect(svg).toContain('<title>a &amp; b</title>');
    expect(svg).not.toMatch(/var\(|class=/);
    expect(caption).toBe('n < 5');
  });

  it('without colour has greys alone', () => {
    const { svg } = svgOfElement(drawing(), { ...facts, colour: false });
    const shades = [...svg.matchAll(/rgb\((\d+),(\d+),(\d+)\)/g)];
    expect(shades.length).toBeGreaterThan(1);
    for (const [, red, green, blue] of shades) expect([green, blue]).toEqual([red, red]);
    expect(svg).not.toContain(dayToken('--accent'));
  });
});
