import type { CorrelationSettings, ScatterplotSettings, Variable } from '@ivlen/contract';
import type { Method } from '@ivlen/core';
import { useMemo, useRef } from 'react';
import type { Matrix } from '../../../coefficients/matrix';
import type { Group } from '../../../settings/use-grouping';
import type { PairFit } from '../plotting/pair-fits';
import type { PanelSpec } from '../plotting/plot-data';
import type { Coefficients, CoefficientsByMethod } from '../plotting/some-rows';
import { pairId } from '../use-panel-values';
import { type Layout, type PanelPlace, specAt } from './layout';
import { type PanelModel, panelModel } from './panel-model';
import { isCurved } from './pattern-words';

interface ModelFacts {
  readonly settings: ScatterplotSettings;
  readonly correlation: CorrelationSettings;
  readonly places: readonly PanelPlace[];
  readonly specs: readonly (PanelSpec | null)[];
  readonly matrix: Matrix | undefined;
  readonly rankMethod: Method;
  /** Of each group that is shown; undefined while they are computed, and where none are asked for. */
  readonly byGroup: readonly { readonly group: number; readonly coefficients: CoefficientsByMethod }[] | undefined;
  readonly groups: readonly Group[];
  readonly fits: ReadonlyMap<string, readonly PairFit[]>;
  readonly cautionsKnown: boolean;
  /** Rows that a panel has where nothing is missing. */
  readonly rows: number;
  /** Whether pairs bend in ranks, by pair. */
  readonly curvedRanks: ReadonlyMap<string, boolean>;
  /** Coefficients without the lit rows, by method; null where none are lit, undefined while they are computed. */
  readonly without: CoefficientsByMethod | null | undefined;
}

const NO_FITS: readonly PairFit[] = [];

/** What the plotter draws at each place, null where it draws nothing. What stays the same stays the same object. */
export function usePanelSpecs(
  layout: Layout,
  places: readonly PanelPlace[],
  { below, above }: Pick<ScatterplotSettings, 'below' | 'above'>,
  rows: number,
): readonly (PanelSpec | null)[] {
  const known = useRef(new Map<string, PanelSpec>());
  return useMemo(
    () =>
      places.map((place) => {
        const spec = specAt(layout, place, contentAt({ below, above }, place), rows);
        if (!spec) return null;
        const before = known.current.get(spec.id);
        if (before && before.width === spec.width && before.height === spec.height) return before;
        known.current.set(spec.id, spec);
        return spec;
      }),
    [places, layout, below, above, rows],
  );
}

/** What stands in the panel at a place beside its points. */
export function modelAt(facts: Omit<ModelFacts, 'places' | 'specs'>, place: PanelPlace, spec: PanelSpec | null): PanelModel {
  const { settings, correlation, matrix, rankMethod, byGroup, groups, fits, without, cautionsKnown, curvedRanks, rows } = facts;
  const content = contentAt(settings, place);
  const { row, column } = place;
  const ranked = content === 'ranks';
  const cell = matrix && place.half !== 'diagonal' ? cellAt(matrix, row, column, ranked ? rankMethod : null) : undefined;
  return panelModel({
    place,
    spec,
    content,
    cell,
    curved: ranked && spec ? (curvedRanks.get(pairId(spec)) ?? null) : cell ? isCurved(cell, cautionsKnown) : null,
    corners: settings.corners,
    levels: correlation.levels,
    commonN: rows,
    without: without === null ? null : valuesOf(cell && without?.get(cell.method), row, column).coefficient,
    byGroup: (byGroup ?? []).map(({ group, coefficients }) => ({
      group,
      ...valuesOf(cell && coefficients.get(cell.method), row, column),
    })),
    groups,
    fits: (spec && fits.get(pairId(spec))) || NO_FITS,
  });
}

/** The panels in view, with what stands in them beside the points. */
export function usePanelModels({ places, specs, ...facts }: ModelFacts): readonly PanelModel[] {
  const { settings, correlation, matrix, rankMethod, byGroup, groups, fits, without, cautionsKnown, curvedRanks, rows } = facts;
  const common = useMemo(
    () => ({ settings, correlation, matrix, rankMethod, byGroup, groups, fits, without, cautionsKnown, curvedRanks, rows }),
    [settings, correlation, matrix, rankMethod, byGroup, groups, fits, without, cautionsKnown, curvedRanks, rows],
  );
  return useMemo(() => places.map((place, k) => modelAt(common, place, specs[k] ?? null)), [common, places, specs]);
}

/** @param method null for that of the pair */
function cellAt(matrix: Matrix, row: Variable, column: Variable, method: Method | null) {
  const known = [row, column].every((variable) => matrix.variables.includes(variable));
  if (!known) return undefined;
  if (!method) return matrix.cell(row, column);
  return matrix.cellBy(method, row, column);
}

export function contentAt(settings: Pick<ScatterplotSettings, 'below' | 'above'>, { half }: PanelPlace) {
  return half === 'above' ? settings.above : settings.below;
}

function placeOf({ variables }: Coefficients, row: Variable, column: Variable): number {
  return variables.indexOf(row.id) * variables.length + variables.indexOf(column.id);
}

/** What a matrix says of a pair; nothing while it is computed. */
function valuesOf(coefficients: Coefficients | undefined, row: Variable, column: Variable) {
  if (!coefficients) return { coefficient: Number.NaN, p: Number.NaN, n: 0 };
  const at = placeOf(coefficients, row, column);
  return { coefficient: coefficients.coefficient[at] ?? Number.NaN, p: coefficients.pValue[at] ?? Number.NaN, n: coefficients.n[at] ?? 0 };
}
