import type { GroupedPair } from '@ivlen/contract';
import { render } from '@testing-library/react';
import { scaleLinear } from 'd3-scale';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { filePalette } from '../src/figures/export/day-colours';
import { GroupScatterplot } from '../src/figures/group-scatterplot';
import type { ComparedPair, ShownGroup } from '../src/groups/compared-pairs';
import { Lane, laneHeight } from '../src/stages/subgroups/pairs/lane';
import { shownInWords } from '../src/stages/subgroups/pairs/pairs-export';
import { PairsFigure } from '../src/stages/subgroups/pairs/pairs-figure';
import { show } from './served';
import { testStudy } from './test-study';

const study = testStudy();
const [nitrate, phosphate] = study.state.variables as [ComparedPair['x'], ComparedPair['y']];
const group = (label: string, style: number): ShownGroup => ({ is: 'group', value: style, label, style, rows: 20 });
const cell = (coefficient: number | null): ComparedPair['pooled'] => ({
  coefficient,
  n: 20,
  pValue: 0.1,
  log10P: -1,
  low: coefficient === null ? null : coefficient - 0.2,
  high: coefficient === null ? null : coefficient + 0.2,
  zVariance: 1 / 17,
  because: null,
  adjustedP: null,
});
const within: GroupedPair['within'] = {
  coefficient: 0.25,
  low: 0,
  high: 0.5,
  pValue: 0.1,
  log10P: -1,
  n: 60,
  df: 56,
  spreadRatio: 1,
  meanOfZ: null,
};
const pairOf = (rs: readonly (number | null)[]): ComparedPair => ({
  x: nitrate,
  y: phosphate,
  method: 'pearson',
  pooled: cell(0.5),
  cells: rs.map(cell),
  tested: rs.map((r) => r !== null && Math.abs(r) < 0.9),
  within,
  homogeneity: { q: 6, df: 2, pValue: 0.0498, log10P: -1.3 },
  adjustedP: null,
  random: null,
  two: null,
  reversed: false,
  hidden: false,
});
const x = scaleLinear([-1, 1], [0, 200]);
const laneOf = (rs: readonly (number | null)[]) => {
  const groups = rs.map((_, k) => group(`g${k}`, k));
  const { container } = render(
    <svg>
      <title>lane</title>
      <Lane pair={pairOf(rs)} groups={groups} x={x} />
    </svg>,
  );
  return container;
};

describe('a lane', () => {
  it('has a point and an interval for each group where its coefficient lies, hollow where it is not tested', () => {
    const lane = laneOf([0.1, -0.5, 0.95, null]);
    const points = [...lane.querySelectorAll('path')];
    expect(points).toHaveLength(3);
    expect(points.map((point) => point.getAttribute('fill'))).toEqual(['var(--group-1)', 'var(--group-2)', 'var(--surface)']);
    const intervals = [...lane.querySelectorAll('line')].filter((line) => line.getAttribute('stroke-width') === '1.5');
    expect(intervals.map((line) => ['x1', 'x2'].map((end) => Math.round(Number(line.getAttribute(end)))))).toEqual([
      [90, 130],
      [30, 70],
      [175, 215],
    ]);
    // Over all of them, and dashed within groups.
    const marks = [...lane.querySelectorAll('line')].filter((line) => line.getAttribute('stroke-width') === '2');
    expect(marks.map((line) => [Number(line.getAttribute('x1')), line.getAttribute('stroke-dasharray')])).toEqual([
      [150, null],
      [125, '2 2'],
    ]);
  });

  it('has points without intervals above twelve groups, each at a height of its own', () => {
    const lane = laneOf(Array.from({ length: 13 }, (_, k) => k / 20));
    expect([...lane.querySelectorAll('line')].filter((line) => line.getAttribute('stroke-width') === '1.5')).toHaveLength(0);
    expect(lane.querySelectorAll('path')).toHaveLength(13);
    expect(laneHeight(13)).toBe(108);
  });
});

describe('the pairs as a figure for a file', () => {
  it('has every pair with its name and p, every group with its n, and its size on paper', () => {
    const svg = renderToStaticMarkup(
      <PairsFigure
        pairs={[
          pairOf([0.1, 0.3, 0.5]),
          {
            ...pairOf([0.2, null, null]),
            y: { ...phosphate, name: 'a_name_that_is_much_longer_than_fits' },
            homogeneity: { q: null, df: 0, pValue: null, log10P: null },
          },
        ]}
        groups={[group('Aster', 0), group('Birk', 1), group('Corrin', 2)]}
        levels={[0.05]}
        palette={filePalette(true)}
        width={600}
        title="Streams by catchment"
        caption="Coefficients with intervals."
        millimetres={170}
      />,
    );
    expect(svg).toContain('width="170mm"');
    expect(svg).toContain('<title>Streams by catchment</title>');
    for (const words of [
      'nitrate × phosphate',
      'p = .0498',
      'not tested',
      'nitrate × a name that is …',
      'Aster, n = 20',
      'Corrin, n = 20',
      '−.50',
      'all of them; dashed: within groups',
    ]) {
      expect(svg).toContain(words);
    }
    expect(svg).not.toContain('var(');
    expect(svg).not.toContain('NaN');
  });
});

describe('a scatterplot by group', () => {
  it('has the points of each group in its colour and shape, a line of each that has one, and the one of all', () => {
    show(
      <GroupScatterplot
        points={{ x: Float64Array.of(1, 2, 3, 4, 5), y: Float64Array.of(2, 1, 5, 4, 9), rows: Uint32Array.of(0, 1, 2, 3) }}
        groupOf={Int8Array.of(0, 0, 1, 1, -1)}
        groups={[
          { label: 'Aster', style: 0, line: { slope: -1, intercept: 3 } },
          { label: 'Birk', style: 3, line: null },
        ]}
        pooled={{ slope: 0.8, intercept: 1 }}
        study={study}
        xLabel="nitrate"
        yLabel="phosphate"
        width={400}
        height={300}
      />,
    );
    const plot = document.querySelector('svg[role="img"]');
    expect(plot?.getAttribute('aria-label')).toBe(
      'Scatterplot of phosphate against nitrate by group, 4 points; Aster falling, Birk without a line; all rows together rising',
    );
    expect(plot?.querySelectorAll('[data-testid="group-line"]')).toHaveLength(1);
    expect(plot?.querySelectorAll('[data-testid="pooled-line"]')).toHaveLength(1);
    const fills = [...(plot?.querySelectorAll('path[fill-opacity]') ?? [])].map((path) => path.getAttribute('fill'));
    expect(fills).toEqual(['var(--group-1)', 'var(--group-4)']);
  });
});

describe('the caption of a chart', () => {
  it.each([
    [28, 28, 28, ''],
    [5, 5, 28, ' 5 of these 28 pairs are chosen.'],
    [120, 300, 300, ' The first 120 of 300 pairs are drawn.'],
    [120, 200, 300, ' 200 of these 300 pairs are chosen. The first 120 of 200 pairs are drawn.'],
  ])('says which pairs it has: %d drawn of %d chosen of %d', (drawn, shown, all, words) =>
    expect(shownInWords(drawn, shown, all)).toBe(words),
  );
});
