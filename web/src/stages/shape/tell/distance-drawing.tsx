import type { JointResult } from '@ivlen/contract';
import type { Asking } from '../../../telling/asking';
import { drawnFigure } from '../../../telling/drawn-figure';
import { PointsDrawing } from '../../../telling/points-drawing';
import type { ToldFigure } from '../../../telling/told';

/** Of more rows the furthest are drawn, and of the others every so many: those lie upon each other. */
const [MOST_DRAWN, FURTHEST] = [4000, 1000];

/** Squared distances of rows from the common mean against what joint normality lets expect. */
export function distancesFigure({ client }: Asking, distances: NonNullable<JointResult['distances']>, variables: number): ToldFigure {
  const { theoretical, observed, limit } = distances;
  const points = observed.map((value, i) => ({ x: theoretical[i] ?? 0, y: value, marked: limit !== null && value > limit }));
  const beyond = points.filter(({ marked }) => marked).length;
  const label = `Squared Mahalanobis distances of ${points.length.toLocaleString('en-GB')} rows in ${variables} variables against those expected under joint normality`;
  return drawnFigure(client, {
    title: 'Distance plot',
    caption:
      limit === null
        ? `${label}.`
        : `${label}; ${beyond === 0 ? 'none lies' : beyond === 1 ? 'one lies' : `${beyond} lie`} beyond the line that the furthest row of a jointly normal sample passes in 5 of 100.`,
    alternative: `${label}, ${beyond} beyond the limit.`,
    element: (width) => (
      <PointsDrawing
        label={label}
        xLabel="expected squared distance"
        yLabel="squared distance"
        width={width}
        points={drawnOf(points)}
        levels={limit === null ? [] : [{ y: limit, limit: true }]}
        equal
      />
    ),
  });
}

/** Ascending. */
function drawnOf<T>(points: readonly T[]): readonly T[] {
  if (points.length <= MOST_DRAWN) return points;
  const step = Math.ceil((points.length - FURTHEST) / (MOST_DRAWN - FURTHEST));
  return points.filter((_, i) => i >= points.length - FURTHEST || i % step === 0);
}
