import { boxSummary, density, histogram } from '@ivlen/core';
import { NO_GROUP } from '../../../figures/group-styles';
import type { Box, Marginal } from '../../../figures/marks/marginal';
import type { PlotData } from './plot-data';

const DENSITY_POINTS = 96;

/**
 * @param groups that have a density and a box of their own; none for all rows together
 * @param domain ends of the axis: bins are of the values within, or a few values beyond would leave the others one bar
 */
export function marginalOf(data: PlotData, variable: string, groups: readonly number[], domain?: readonly [number, number]): Marginal {
  const column = data.columns.get(variable);
  if (!column) throw new Error(`the column ${variable} is not there`);
  const [low, high] = domain ?? [Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY];
  const isThere = (value: number) => value >= low && value <= high;
  const present = column.filter(isThere);
  const bins = histogram(present);
  const parts: { group: number | null; values: Float64Array }[] =
    groups.length > 0 && data.groups
      ? groups.map((group) => ({
          group,
          values: column.filter((value, place) => isThere(value) && (data.groups?.[place] ?? NO_GROUP) === group),
        }))
      : [{ group: null, values: present }];
  return {
    variable,
    n: present.length,
    edges: [...bins.edges],
    counts: [...bins.counts],
    densities: parts
      .filter(({ values }) => values.length > 1 && values.some((value) => value !== values[0]))
      .map(({ group, values }) => {
        const curve = density(values, { points: DENSITY_POINTS });
        // A group's curve is as high as its share of the rows, so that the groups add up to all.
        const share = values.length / present.length;
        return { group, x: [...curve.x], y: Array.from(curve.density, (height) => height * share) };
      }),
    boxes: parts.filter(({ values }) => values.length > 0).map(({ group, values }) => boxOf(group, values)),
  };
}

function boxOf(group: number | null, values: Float64Array): Box {
  const { q1, median, q3, whiskers } = boxSummary(values);
  return { group, n: values.length, low: whiskers[0], q1, median, q3, high: whiskers[1] };
}
