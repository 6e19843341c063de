import { pearson, spearman } from '@ivlen/core';
import { describe, expect, it, test } from 'vitest';
import { groupShape, groupToken, MOST_GROUPS } from '../src/figures/group-styles';
import { shapePath } from '../src/figures/marks/marker';
import { SHAPES } from '../src/figures/marks/shapes';
import { PADDING } from '../src/figures/padding';
import { axisOfColumn } from '../src/stages/scatterplots/plotting/axes-of';
import { binsOf } from '../src/stages/scatterplots/plotting/bins';
import { marginalOf } from '../src/stages/scatterplots/plotting/marginals';
import { pairFits } from '../src/stages/scatterplots/plotting/pair-fits';
import { type Colour, word } from '../src/stages/scatterplots/plotting/picture';
import type { PanelSpec, PlotData, PlotLook } from '../src/stages/scatterplots/plotting/plot-data';
import { MOST_SHAPED, Plotter, placesIn } from '../src/stages/scatterplots/plotting/plotter';
import { axisOf, createPositioner, shift } from '../src/stages/scatterplots/plotting/positions';
import { coefficientsByGroup, coefficientsWithout, pairWithout } from '../src/stages/scatterplots/plotting/some-rows';
import { createStamp, isInPolygon } from '../src/stages/scatterplots/plotting/stamps';

const WHITE: Colour = [255, 255, 255];
const INK: Colour = [0, 0, 0];
const FAINT: Colour = [200, 200, 200];
const LIT: Colour = [120, 0, 120];
const BEYOND: Colour = [200, 120, 0];
const RED: Colour = [255, 0, 0];
const BLUE: Colour = [0, 0, 255];

function dataOf(columns: Record<string, readonly number[]>, groups: readonly number[] | null = null): PlotData {
  const entries = Object.entries(columns).map(([id, values]) => [id, Float64Array.from(values)] as const);
  const length = entries[0]?.[1].length ?? 0;
  return {
    columns: new Map(entries),
    rows: Uint32Array.from({ length }, (_, place) => place),
    groups: groups && Uint8Array.from(groups),
  };
}

function lookOf(data: PlotData, more: Partial<PlotLook> = {}): PlotLook {
  const domains = new Map([...data.columns].map(([id, column]) => [id, axisOfColumn(column).all] as const));
  const colours = { surface: WHITE, ink: INK, faint: FAINT, lit: LIT, beyond: BEYOND, groups: [RED, BLUE] };
  return { ratio: 1, ...colours, hidden: [], domains, jitter: new Map(), ...more };
}

function specOf(scale: PanelSpec['scale'] = 'values', style: PanelSpec['style'] = 'points'): PanelSpec {
  return { id: `${scale} ${style}`, x: 'x', y: 'y', scale, style, width: 112, height: 112 };
}

function plotterOf(data: PlotData, more: Partial<PlotLook> = {}): Plotter {
  const plotter = new Plotter();
  plotter.setData(data);
  plotter.setLook(lookOf(data, more));
  return plotter;
}

/** A source of numbers in [0, 1) that is the same each time. */
function numbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

const sheetOf = (spec: PanelSpec) => ({ width: spec.width, height: spec.height, panels: [{ spec, left: 0, top: 0 }] });

describe('where points lie', () => {
  const data = dataOf({ x: [0, 5, 10, Number.NaN, 100], y: [1, 2, 3, 4, Number.NaN] });

  it('is by value from the lower left corner, and nowhere for a row that lacks either', () => {
    const { x, y, n } = createPositioner(data, lookOf(data))(specOf());
    expect(n).toBe(3);
    expect([x[0], y[0]]).toEqual([PADDING, 112 - PADDING - (100 / 3) * 0]);
    expect(Number.isNaN(x[3] ?? 0) || Number.isNaN(y[3] ?? 0)).toBe(true);
    expect(Number.isNaN(x[4] ?? 0) || Number.isNaN(y[4] ?? 0)).toBe(true);
  });

  it('is by the ranks among the rows complete for both', () => {
    const { x, y } = createPositioner(data, lookOf(data))(specOf('ranks'));
    expect([...x].slice(0, 3)).toEqual([PADDING, 56, 112 - PADDING]);
    expect([...y].slice(0, 3)).toEqual([112 - PADDING, 56, PADDING]);
  });

  it('lies at the edge for a value beyond the axis, and is told apart', () => {
    const zoomed = lookOf(data, {
      domains: new Map([
        ['x', [0, 5]],
        ['y', [1, 3]],
      ]),
    });
    const { x, beyond } = createPositioner(data, zoomed)(specOf());
    expect([...beyond]).toContain(2);
    expect(x[2]).toBe(112 - PADDING / 2);
  });

  it('has none for hidden groups', () => {
    const grouped = dataOf({ x: [1, 2, 3], y: [1, 2, 3] }, [0, 1, 0]);
    const { x } = createPositioner(grouped, lookOf(grouped, { hidden: [1] }))(specOf());
    expect([...x].map(Number.isNaN)).toEqual([false, true, false]);
  });

  it('is moved by jitter alike each time, and never further than asked', () => {
    const moved = lookOf(data, { jitter: new Map([['x', 0.3]]) });
    const first = createPositioner(data, moved)(specOf()).x;
    expect([...createPositioner(data, moved)(specOf()).x]).toEqual([...first]);
    const plain = createPositioner(data, lookOf(data))(specOf()).x;
    expect(first[1]).not.toBe(plain[1]);
    for (let row = 0; row < 2000; row++) expect(Math.abs(shift(row, 1))).toBeLessThanOrEqual(1);
    const mean = Array.from({ length: 2000 }, (_, row) => shift(row, 1)).reduce((sum, value) => sum + value, 0) / 2000;
    expect(Math.abs(mean)).toBeLessThan(0.05);
  });

  it('is in the middle of an axis without length', () => {
    expect(axisOf([4, 4], 0, 100).at(4)).toBe(50);
    expect(axisOf([4, 4], 0, 100).at(Number.NaN)).toBeNaN();
  });
});

describe('pictures of points', () => {
  const data = dataOf({ x: [0, 10, 10], y: [0, 10, 0] });
  const at = (picture: { width: number; pixels: Uint32Array }, x: number, y: number) => picture.pixels[y * picture.width + x];

  it('have ink where points are and the surface elsewhere', () => {
    const picture = plotterOf(data).draw(specOf());
    expect([picture.width, picture.height]).toEqual([112, 112]);
    expect(at(picture, 6, 105)).not.toBe(word(WHITE));
    expect(at(picture, 56, 56)).toBe(word(WHITE));
    // The third point is at the lower right, none at the upper left.
    expect(at(picture, 105, 105)).not.toBe(word(WHITE));
    expect(at(picture, 6, 6)).toBe(word(WHITE));
  });

  it('have twice the pixels where the screen has', () => {
    expect(plotterOf(data, { ratio: 2 }).draw(specOf()).pixels).toHaveLength(224 * 224);
  });

  it('have the groups in their colours', () => {
    const grouped = dataOf({ x: [0, 10], y: [0, 10] }, [0, 1]);
    const picture = plotterOf(grouped).draw(specOf());
    const channels = (value = 0) => [value & 255, (value >>> 8) & 255, (value >>> 16) & 255];
    const [red, , blueOfRed] = channels(at(picture, 6, 105));
    const [redOfBlue, , blue] = channels(at(picture, 105, 6));
    expect(red).toBeGreaterThan(blueOfRed ?? 0);
    expect(blue).toBeGreaterThan(redOfBlue ?? 0);
  });

  it('light some rows and leave the others faint', () => {
    const spec = specOf();
    const picture = plotterOf(data).drawSheet(sheetOf(spec), Uint8Array.of(0, 1, 0));
    expect(at(picture, 105, 6)).toBe(word(LIT));
    expect(at(picture, 6, 105)).not.toBe(word(LIT));
    expect(at(picture, 6, 105)).not.toBe(word(WHITE));
  });

  it('light step by step as they would at once, in squares and in bins', () => {
    const random = numbers(3);
    const n = MOST_SHAPED + 500;
    const many = dataOf({ x: Array.from({ length: n }, random), y: Array.from({ length: n }, random) });
    for (const style of ['points', 'bins'] as const) {
      const spec = specOf('values', style);
      const stepwise = plotterOf(many);
      let mask = new Uint8Array(n);
      for (let step = 0; step < 6; step++) {
        mask = Uint8Array.from({ length: n }, () => (random() < 0.3 ? 1 : 0));
        stepwise.drawSheet(sheetOf(spec), mask);
      }
      const atOnce = plotterOf(many).drawSheet(sheetOf(spec), mask);
      expect(stepwise.drawSheet(sheetOf(spec), mask).pixels, style).toEqual(atOnce.pixels);
      expect(atOnce.pixels).not.toEqual(plotterOf(many).drawSheet(sheetOf(spec), new Uint8Array(n)).pixels);
    }
  });

  it('are laid at their places on a sheet', () => {
    const spec = specOf();
    const sheet = { width: 300, height: 200, panels: [{ spec, left: 150, top: 60 }] };
    const picture = plotterOf(data).drawSheet(sheet, null);
    expect(at(picture, 156, 165)).not.toBe(word(WHITE));
    expect(at(picture, 10, 10)).toBe(0);
  });
});

describe('panels of bins', () => {
  const random = numbers(21);
  const n = 900;
  const xs = Array.from({ length: n }, random);
  const data = dataOf({ x: xs, y: xs.map((x) => x * 0.6 + 0.4 * random()) });
  const spec = specOf('values', 'bins');

  it.each([1, 2])('have their pixels where their counts are, darker for more, at %d pixels a pixel', (ratio) => {
    const picture = plotterOf(data, { ratio }).draw(spec);
    const bins = binsOf(createPositioner(data, lookOf(data))(spec), spec.width, spec.height);
    expect(bins.counts.reduce((sum, count) => sum + count, 0)).toBe(n);
    const shadeOf = new Map<number, number>();
    for (let bin = 0; bin < bins.counts.length; bin++) {
      const [column, row] = [bin % bins.across, Math.floor(bin / bins.across)];
      const [x, y] = [PADDING + (column + 0.5) * bins.width, PADDING + (row + 0.5) * bins.height];
      const pixel = (picture.pixels[Math.floor(y * ratio) * picture.width + Math.floor(x * ratio)] ?? 0) & 255;
      const count = bins.counts[bin] ?? 0;
      // One shade for each count, the surface for none.
      expect(shadeOf.get(count) ?? pixel).toBe(pixel);
      shadeOf.set(count, pixel);
    }
    expect(shadeOf.get(0)).toBe(255);
    const shades = [...shadeOf].sort(([a], [b]) => a - b).map(([, shade]) => shade);
    expect(shades.length).toBeGreaterThan(4);
    for (let i = 1; i < shades.length; i++) expect(shades[i]).toBeLessThan(shades[i - 1] ?? 0);
    expect(shades.at(-1)).toBe(0);
  });

  it('leave the rest of the panel as the surface', () => {
    const corner = dataOf({ x: [0, 0, 10], y: [0, 0, 10] });
    const { pixels, width } = plotterOf(corner).draw(spec);
    const inked = [...pixels.entries()].filter(([, value]) => value !== word(WHITE)).map(([at]) => [at % width, Math.floor(at / width)]);
    const size = binsOf(createPositioner(corner, lookOf(corner))(spec), 112, 112);
    for (const [x = 0, y = 0] of inked) {
      const lower = x < PADDING + size.width + 1 && y >= 111 - PADDING - size.height;
      const upper = x >= 111 - PADDING - size.width && y < PADDING + size.height + 1;
      expect(lower || upper).toBe(true);
    }
    expect(inked.length).toBeGreaterThan(2);
  });
});

it('each panel of a sheet is the picture of that panel, at its own offset', () => {
  const data = dataOf({ x: [0, 4, 10, 7], y: [0, 9, 10, 3] });
  const [first, second] = [specOf(), { ...specOf('ranks'), width: 90, height: 70 }];
  const plotter = plotterOf(data);
  const sheet = plotter.drawSheet(
    {
      width: 260,
      height: 160,
      panels: [
        { spec: first, left: 5, top: 9 },
        { spec: second, left: 140, top: 60 },
      ],
    },
    null,
  );
  for (const [spec, left, top] of [
    [first, 5, 9],
    [second, 140, 60],
  ] as const) {
    const alone = plotterOf(data).draw(spec);
    for (let row = 0; row < alone.height; row++) {
      const start = (top + row) * sheet.width + left;
      expect([...sheet.pixels.subarray(start, start + alone.width)]).toEqual([
        ...alone.pixels.subarray(row * alone.width, (row + 1) * alone.width),
      ]);
    }
  }
  // Between them nothing was drawn.
  expect(sheet.pixels[80 * sheet.width + 130]).toBe(0);
  expect(sheet.pixels[4 * sheet.width + 200]).toBe(0);
});

describe('brushing', () => {
  const data = dataOf({ x: [0, 5, 10, 5], y: [0, 5, 10, Number.NaN] });
  const box = (left: number, top: number, right: number, bottom: number) =>
    [
      [left, top],
      [right, top],
      [right, bottom],
      [left, bottom],
    ] as const;
  const lit = (mask: Uint8Array) => [...placesIn(mask)];

  it('lights the rows inside the outline', () => {
    expect(lit(plotterOf(data).within(specOf(), box(0, 50, 60, 112), null, 'new'))).toEqual([0, 1]);
    expect(
      lit(
        plotterOf(data).within(
          specOf(),
          [
            [0, 112],
            [60, 112],
            [0, 90],
          ],
          null,
          'new',
        ),
      ),
    ).toEqual([0]);
  });

  it('adds to what is lit, or keeps only what is lit already', () => {
    const before = Uint8Array.of(0, 0, 1, 1);
    expect(lit(plotterOf(data).within(specOf(), box(0, 50, 60, 112), before, 'add'))).toEqual([0, 1, 2, 3]);
    expect(lit(plotterOf(data).within(specOf(), box(40, 0, 112, 60), before, 'intersect'))).toEqual([2]);
  });

  it('lights the rows of whole bins where rows are counted', () => {
    const spec = specOf('values', 'bins');
    expect(lit(plotterOf(data).within(spec, box(0, 90, 20, 112), null, 'new'))).toEqual([0]);
    expect(plotterOf(data).countAt(spec, PADDING + 1, 111 - PADDING)).toBe(1);
    expect(plotterOf(data).countAt(spec, 1, 1)).toBe(0);
    expect(plotterOf(data).nearest(spec, PADDING, 112 - PADDING)).toBeNull();
  });

  it('finds the row under the pointer and where it is elsewhere', () => {
    const plotter = plotterOf(data);
    expect(plotter.nearest(specOf(), 58, 54)).toBe(1);
    expect(plotter.nearest(specOf(), 20, 30)).toBeNull();
    expect(plotter.where([specOf(), specOf('ranks')], 3)).toEqual([null, null]);
    expect(plotter.where([specOf('ranks')], 2)).toEqual([[112 - PADDING, PADDING]]);
  });

  it('gives coefficients without the lit rows as the core does over the others', () => {
    const random = numbers(8);
    const x = Array.from({ length: 60 }, random);
    const y = x.map((value, i) => (i % 7 === 0 ? Number.NaN : value + random()));
    const many = dataOf({ x, y });
    const mask = Uint8Array.from(x, (_, i) => (i < 20 ? 1 : 0));
    const byMethod = coefficientsWithout(many, mask, {
      variables: ['x', 'y'],
      missing: 'pairwise',
      alternative: 'two-sided',
      methods: ['pearson', 'spearman'],
    });
    const [u, v] = [Float64Array.from(x.slice(20)), Float64Array.from(y.slice(20))];
    expect(byMethod.get('pearson')?.coefficient[1]).toBeCloseTo(pearson(u, v).coefficient, 14);
    expect(byMethod.get('spearman')?.coefficient[1]).toBeCloseTo(spearman(u, v).coefficient, 14);
    const less = pearson(u, v, { alternative: 'less' });
    expect(pairWithout(many, mask, { x: 'x', y: 'y', alternative: 'less' }, 'pearson')).toEqual({
      coefficient: less.coefficient,
      pValue: less.pValue,
      n: less.n,
    });
  });

  it('gives each group its own coefficients', () => {
    const grouped = dataOf({ x: [1, 2, 3, 1, 2, 3], y: [1, 2, 4, 4, 2, 1] }, [0, 0, 0, 1, 1, 1]);
    const [first, second] = coefficientsByGroup(grouped, [0, 1], {
      variables: ['x', 'y'],
      methods: ['spearman'],
      missing: 'pairwise',
      alternative: 'two-sided',
    }).map((byMethod) => byMethod.get('spearman'));
    expect([first?.coefficient[1], second?.coefficient[1]]).toEqual([1, -1]);
    expect(first?.n[1]).toBe(3);
  });
});

describe('axes', () => {
  it('offer to end with the bulk where few values squeeze the rest, and only there', () => {
    const bulk = Array.from({ length: 200 }, (_, i) => 7 + (i % 20) / 20);
    const axis = axisOfColumn(Float64Array.from([...bulk, 74]));
    expect(axis.all).toEqual([7, 74]);
    expect(axis.bulk).toEqual({ domain: [7, 7.95], beyond: [74] });
    expect(axisOfColumn(Float64Array.from(bulk)).bulk).toBeNull();
  });

  it('move points apart by under half a step where different values are few', () => {
    expect(axisOfColumn(Float64Array.from([1, 2, 2, 4, 1, 2])).jitter).toBeCloseTo(0.32, 12);
    expect(axisOfColumn(Float64Array.from({ length: 50 }, (_, i) => Math.sqrt(i))).jitter).toBe(0);
    expect(axisOfColumn(Float64Array.from([3, 3, 3])).jitter).toBe(0);
  });

  it('have a length for a constant, and for no values at all', () => {
    expect(axisOfColumn(Float64Array.from([4, 4, Number.NaN])).all).toEqual([2, 6]);
    expect(axisOfColumn(Float64Array.from([Number.NaN])).all).toEqual([0, 1]);
  });
});

describe('what is laid over the points', () => {
  const x = Array.from({ length: 40 }, (_, i) => i / 4);
  const y = x.map((value, i) => 2 + 3 * value + (i % 2 ? 0.5 : -0.5));
  const request = { x: 'x', y: 'y', scale: 'values', line: true, curve: true, ellipse: true, share: 0.9, level: 0.95, groups: [] } as const;

  it('is of all rows: the fitted line over the range of x, its band, curve and ellipse', () => {
    const [fit] = pairFits(dataOf({ x, y }), request);
    expect(fit?.group).toBeNull();
    expect(fit?.line?.slope).toBeCloseTo(3, 1);
    expect([fit?.line?.from, fit?.line?.to]).toEqual([0, 9.75]);
    expect(fit?.band.every(({ low, high }) => low < high)).toBe(true);
    expect(fit?.curve.at(-1)?.x).toBe(9.75);
    expect(fit?.ellipse).toHaveLength(72);
  });

  it('is of each group asked for, and none of a group of one row', () => {
    const groups = x.map((_, i) => (i === 0 ? 2 : i % 2));
    const fits = pairFits(dataOf({ x, y }, groups), { ...request, groups: [0, 1, 2] });
    expect(fits.map(({ group, line }) => [group, line !== null])).toEqual([
      [0, true],
      [1, true],
      [2, false],
    ]);
    expect(fits[2]?.ellipse).toEqual([]);
  });

  it('is in ranks without ellipse and band, the line’s slope being ρ', () => {
    const wild = y.map((value) => Math.exp(value / 5));
    const [fit] = pairFits(dataOf({ x, y: wild }), { ...request, scale: 'ranks' });
    expect(fit?.line?.slope).toBeCloseTo(spearman(Float64Array.from(x), Float64Array.from(wild)).coefficient, 12);
    expect([fit?.ellipse.length, fit?.band.length]).toEqual([0, 0]);
  });

  it('of a margin counts every value, and densities of groups add up to one', () => {
    const marginal = marginalOf(dataOf({ x: [...x, Number.NaN] }, [...x.map((_, i) => i % 2), 0]), 'x', [0, 1]);
    expect(marginal.counts.reduce((sum, count) => sum + count, 0)).toBe(40);
    expect(marginal.boxes.map(({ group, n }) => [group, n])).toEqual([
      [0, 20],
      [1, 20],
    ]);
    const area = marginal.densities.reduce(
      (sum, { x: xs, y: ys }) => sum + ((xs[1] ?? 0) - (xs[0] ?? 0)) * ys.reduce((a, b) => a + b, 0),
      0,
    );
    expect(area).toBeCloseTo(1, 2);
  });
});

describe('shapes', () => {
  test.each(SHAPES)('a %s covers about as much as the others', (shape) => {
    const stamp = createStamp(shape, 5);
    for (const { cover } of stamp.pixels) {
      const area = cover.reduce((sum, share) => sum + share / 256, 0);
      expect(area / (Math.PI * 25)).toBeGreaterThan(0.6);
      expect(area / (Math.PI * 25)).toBeLessThan(1.15);
    }
    expect(shapePath(shape, 10, 10, 4)).toMatch(/^M.+Z$/);
  });

  it('no two groups have both colour and shape alike', () => {
    const looks = new Set(Array.from({ length: MOST_GROUPS }, (_, group) => `${groupToken(group)} ${groupShape(group)}`));
    expect(looks.size).toBe(30);
  });

  it('a place is inside a polygon by even and odd crossings', () => {
    const square = [
      [0, 0],
      [4, 0],
      [4, 4],
      [0, 4],
    ] as const;
    expect([isInPolygon(square, 2, 2), isInPolygon(square, 5, 2), isInPolygon(square, Number.NaN, 2)]).toEqual([true, false, false]);
  });

  it('every row is in one bin', () => {
    const data = dataOf({ x: [0, 1, 2, Number.NaN], y: [5, 6, 8, 7] });
    const bins = binsOf(createPositioner(data, lookOf(data))(specOf()), 112, 112);
    expect(bins.counts.reduce((sum, count) => sum + count, 0)).toBe(3);
    expect(bins.most).toBe(1);
    // The largest values belong to the last bin of each axis, and bins divide the axis evenly.
    expect([bins.of[2], bins.across * bins.width]).toEqual([bins.across - 1, 112 - 2 * PADDING]);
  });
});
