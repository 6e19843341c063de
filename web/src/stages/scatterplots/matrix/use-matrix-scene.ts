import type { CorrelationSettings, ScatterplotSettings, Study, Variable } from '@ivlen/contract';
import { rowsInUse } from '@ivlen/contract';
import type { Method } from '@ivlen/core';
import { type RefObject, useEffect, useMemo, useRef, useState } from 'react';
import type { Matrix } from '../../../coefficients/matrix';
import type { Selection } from '../brushing/use-brush';
import { useBrushValues } from '../brushing/use-brush-values';
import type { CoefficientRequest } from '../plotting/some-rows';
import type { GroupsShown } from '../use-groups-shown';
import { type PairOnPanel, useAxes, useCurvedRanks, useFits, useGroupCoefficients, useMarginals } from '../use-panel-values';
import { usePlotData } from '../use-plot-data';
import { usePlotLook } from '../use-plot-look';
import { layOut, MOST_POINTS, placesInView, sheetOf } from './layout';
import { usePanelModels, usePanelSpecs } from './use-panel-models';
import { usePictures } from './use-pictures';
import { useView } from './use-view';

export interface SceneFacts {
  readonly study: Study;
  /** Of rows and columns; the same list for the square. */
  readonly rows: readonly Variable[];
  readonly columns: readonly Variable[];
  readonly settings: ScatterplotSettings;
  readonly correlation: CorrelationSettings;
  readonly rankMethod: Method;
  readonly matrix: Matrix | undefined;
  readonly cautionsKnown: boolean;
  readonly groups: GroupsShown;
  /** Under listwise deletion, the variables that a row must be complete for. */
  readonly completeFor: readonly string[];
}

export type MatrixScene = ReturnType<typeof useMatrixScene>;

/** Everything that the matrix of panels is made of: columns, axes, places, pictures, values. */
export function useMatrixScene(facts: SceneFacts, scroller: RefObject<HTMLElement | null>) {
  const { study, rows, columns, settings, correlation, rankMethod, matrix, cautionsKnown, groups, completeFor } = facts;
  const variables = useMemo(() => [...new Set([...rows, ...columns])], [rows, columns]);
  const ids = useMemo(() => variables.map(({ id }) => id), [variables]);
  const { client, error } = usePlotData(study, variables, groups.by, groups.all, completeFor);
  const axes = useAxes(client, ids);
  const look = usePlotLook(axes, { bulk: settings.bulk, jitter: settings.jitter, hidden: groups.hidden });
  const [selection, select] = useState<Selection | null>(null);
  // Places among the rows in use mean other rows once those change.
  useEffect(() => {
    if (client) select(null);
  }, [client]);

  const view = useView(scroller);
  const { below, above, size, corners } = settings;
  const used = rowsInUse(study);
  const plotted = client?.data.rows.length ?? used;
  const layout = useMemo(
    () => layOut({ rows, columns, below, above, size, corners, width: view.width, height: view.height, ranks: used }),
    [rows, columns, below, above, size, corners, view.width, view.height, used],
  );
  const places = useMemo(() => (view.width > 0 ? placesInView(layout, view) : []), [layout, view]);
  const specsByPlace = usePanelSpecs(layout, places, settings, used);
  const specs = useMemo(() => specsByPlace.filter((spec) => spec !== null), [specsByPlace]);
  const mask = selection?.mask ?? null;
  const sheet = useMemo(() => sheetOf(layout, places, specsByPlace), [layout, places, specsByPlace]);
  const moving = useRef(false);
  const pictures = usePictures(client, look, sheet, mask, moving);

  const coefficients = useCoefficientRequest(study, ids, correlation, rankMethod);
  const marginals = useMarginals(client, ids, groups.shown, look?.domains, rows === columns && settings.diagonal !== 'name');
  const pairs = useMemo(() => specs.map(({ x, y, scale }): PairOnPanel => ({ x, y, scale })), [specs]);
  const fits = useFits(client, pairs, settings, correlation.level, groups.shown);
  const showsCoefficients = [below, above].includes('coefficient');
  const byGroup = useGroupCoefficients(showsCoefficients ? client : null, groups.shown, coefficients);
  const groupLines = useGroupLines(byGroup, groups);
  const curvedRanks = useCurvedRanks(pictures.complete && used <= MOST_POINTS ? client : null, pairs);
  const values = useBrushValues(client, selection, coefficients);
  const models = usePanelModels({
    settings,
    correlation,
    places,
    specs: specsByPlace,
    matrix,
    rankMethod,
    byGroup: groupLines,
    groups: groups.all,
    fits,
    cautionsKnown,
    rows: plotted,
    curvedRanks,
    without: values.without,
  });
  return {
    variables,
    client,
    error,
    axes,
    look,
    selection,
    select,
    view,
    layout,
    plotted,
    sheet,
    moving,
    pictures,
    marginals,
    models,
    groupLines,
    pair: values.pair,
  };
}

/** What is asked of groups and of the rows that are left: by the common method, that of ranks, and those of single variables. */
function useCoefficientRequest(
  study: Study,
  variables: readonly string[],
  { methods, missing, alternative }: CorrelationSettings,
  rankMethod: Method,
): CoefficientRequest {
  const { pairMethods } = study.state;
  const common = methods[0] ?? 'pearson';
  return useMemo(() => {
    const own = variables.flatMap((id) => pairMethods[id] ?? []);
    return { variables, methods: [...new Set([common, rankMethod, ...own])], missing, alternative };
  }, [variables, common, rankMethod, pairMethods, missing, alternative]);
}

/** Coefficients of the groups shown, each with the group's place among all. */
function useGroupLines(byGroup: ReturnType<typeof useGroupCoefficients>, { shown }: GroupsShown) {
  return useMemo(() => byGroup?.map((coefficients, k) => ({ group: shown[k] ?? 0, coefficients })), [byGroup, shown]);
}
