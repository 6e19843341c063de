import { scaleLinear } from 'd3-scale';
import { describe, expect, it, test } from 'vitest';
import { niceAxis } from '../src/figures/charts/nice-axis';
import { dayToken } from '../src/figures/export/day-colours';
import { svgOfElement } from '../src/figures/export/svg-of-element';
import { formatMeasured } from '../src/figures/format-measured';
import { nearestPoint } from '../src/figures/nearest-point';
import { ticksOf, tickTexts } from '../src/figures/ticks';
import { usedRows } from '../src/study/used-rows';

describe('means and standard deviations', () => {
  test.each([
    [193.04, 124.4, 0, '193.0'],
    [2.4664, 1.807, 2, '2.466'],
    [0.000123456, 0.0000234, null, '0.0001235'],
    [-4, 1.5, null, '−4.00'],
    [1e9, 1e-3, null, '1.000e9'],
    [null, null, 2, '–'],
  ])('%s with SD %s and %s decimals', (value, sd, decimals, text) => {
    expect(formatMeasured(value, sd, decimals)).toBe(text);
  });
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
    [[0, 20_000, 40_000], '0 20000 40000'],
    [[0, 500_000, 1_000_000], '0 5e5 1e6'],
    [[1_000_000, 1_000_500, 1_001_000], '1e6 1.0005e6 1.001e6'],
    [[0, 0.0002, 0.0004], '0 2e−4 4e−4'],
    [[-0.2, -0.1, 0, 0.1, 0.2, 0.30000000000000004], '−0.2 −0.1 0.0 0.1 0.2 0.3'],
    [[5], '5'],
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
