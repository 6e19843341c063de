import { render } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { residualFigure, residualQuantilesFigure } from '../src/stages/collinearity/tell/residual-figures';
import { distancesFigure } from '../src/stages/shape/tell/distance-drawing';
import { PointsDrawing } from '../src/telling/points-drawing';

const asking = { client: {} } as Parameters<typeof distancesFigure>[0];
const circles = (drawing: HTMLElement) => [...drawing.querySelectorAll('circle')];
const numbersOf = (element: Element | undefined, name: string) => Number(element?.getAttribute(name));

describe('points with what they are held against', () => {
  const common = { label: 'points', xLabel: 'across', yLabel: 'up', width: 600 };

  it('stand where their values are, marked ones larger, inside the frame', () => {
    const points = [
      { x: 0, y: 0 },
      { x: 5, y: 50 },
      { x: 10, y: 100, marked: true },
    ];
    const { container } = render(<PointsDrawing {...common} points={points} />);
    const [first, middle, last] = circles(container);
    expect(numbersOf(middle, 'cx')).toBeCloseTo((numbersOf(first, 'cx') + numbersOf(last, 'cx')) / 2, 6);
    expect(numbersOf(middle, 'cy')).toBeCloseTo((numbersOf(first, 'cy') + numbersOf(last, 'cy')) / 2, 6);
    expect(numbersOf(first, 'cy')).toBeGreaterThan(numbersOf(last, 'cy'));
    expect(numbersOf(last, 'r')).toBeGreaterThan(numbersOf(first, 'r'));
    for (const circle of circles(container)) expect(numbersOf(circle, 'cx')).toBeLessThan(600);
    expect(container.textContent).toContain('across');
  });

  it('a limit above all points is inside the frame too', () => {
    const { container } = render(<PointsDrawing {...common} points={[{ x: 0, y: 1 }]} levels={[{ y: 40, limit: true }]} />);
    const limit = [...container.querySelectorAll('line')].find((line) => line.getAttribute('stroke') === 'var(--caution)');
    expect(numbersOf(limit, 'y1')).toBeGreaterThan(0);
    expect(numbersOf(limit, 'y1')).toBeLessThan(numbersOf(circles(container)[0], 'cy'));
  });

  it('a single value, and none at all, give no drawing of NaN', () => {
    for (const points of [[{ x: 3, y: 3 }], []])
      expect(render(<PointsDrawing {...common} points={points} equal />).container.innerHTML).not.toContain('NaN');
  });
});

describe('captions say what is drawn', () => {
  const distances = (observed: number[], limit: number | null) =>
    distancesFigure(asking, { theoretical: observed.map((_, i) => i + 1), observed, rows: observed.map((_, i) => i + 1), limit }, 3)
      .caption;

  it('of distances: how many lie beyond, or that there is no limit to judge by', () => {
    expect(distances([1, 2, 30], 14)).toMatch(/of 3 rows in 3 variables .*; one lies beyond the line/);
    expect(distances([1, 20, 30], 14)).toContain('; 2 lie beyond');
    expect(distances([1, 2, 14], 14)).toContain('; none lies beyond');
    expect(distances([1, 2, 14], null)).toMatch(/under joint normality\.$/);
  });

  it('of residuals: those outside the band are counted; without residuals there is no figure', () => {
    const whole = (sample: number[]) =>
      ({
        points: [{ row: 1, fitted: 2, residual: 0.5 }],
        smooth: [],
        quantiles: {
          theoretical: sample.map((_, i) => i - 1),
          sample,
          low: sample.map((_, i) => i - 1.5),
          high: sample.map((_, i) => i - 0.5),
          rows: sample.map((_, i) => i + 1),
        },
      }) as unknown as Parameters<typeof residualFigure>[1];
    expect(residualQuantilesFigure(asking, whole([-1, 0, 1]), 'taxa')?.caption).toContain('3 points, no point outside the band');
    expect(residualQuantilesFigure(asking, whole([-1, 0, 4]), 'taxa')?.caption).toContain('3 points, one point outside the band');
    expect(residualQuantilesFigure(asking, whole([]), 'taxa')).toBeNull();
    expect(residualFigure(asking, whole([0]), 'taxa').caption).toMatch(/^Residuals of taxa against fitted values, 1 point, with/);
  });
});
