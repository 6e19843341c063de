import {
  type CorrelationSettings,
  correlationSettingsSchema,
  makesGroups,
  type Pinned,
  rowsInUse,
  type ScatterplotSettings,
  scatterplotSettingsSchema,
  type Variable,
} from '@ivlen/contract';
import { COEFFICIENTS, METHOD_SOURCES, RULE_SOURCES } from '@ivlen/core';
import { z } from 'zod';
import { completeForOf } from '../../../coefficients/requests';
import { significant } from '../../../figures/as-measured';
import { MOST_GROUPS } from '../../../figures/group-styles';
import { sentenceOf } from '../../../methods-line/methods-parts';
import { coefficientText } from '../../../numbers/number-text';
import type { Group } from '../../../settings/use-grouping';
import { rowsInWords } from '../../../study/rows-in-use';
import { fetchRowNames } from '../../../study/use-row-name';
import { usedRows } from '../../../study/used-rows';
import { axisLabel, displayName } from '../../../study/variable-name';
import { askedMatrix } from '../../../telling/asked-matrix';
import type { Asking } from '../../../telling/asking';
import { groupingOf, takingPartOf } from '../../../telling/grouping-of';
import { namedVariables } from '../../../telling/named-variables';
import { NOTHING_TOLD, type Tell, type Told } from '../../../telling/told';
import { buildFigure } from '../export/build-figure';
import { MOST_POINTS } from '../matrix/layout';
import { type PlotLook, pointLook } from '../plotting/plot-data';
import { MOST_SHAPED } from '../plotting/plotter';
import { PlottingClient } from '../plotting/plotting-client';
import { sentence } from '../sentence';
import { sentence as singleSentence } from '../single/sentence';
import { equationOf } from '../single/single-figure';
import type { Third } from '../single/third-scale';
import { buildSingle } from '../single/use-single-export';
import { thirdOf } from '../single/use-single-plot';
import { groupsShown, NO_GROUPS_SHOWN } from '../use-groups-shown';
import { plotDataOf } from '../use-plot-data';
import { domainsOf } from '../use-plot-look';

/** More panels beside each other than this have room for points alone, and for small words. */
const [MOST_WITH_CORNERS, SMALL] = [6, 6.5];

const withPanels = z.object({
  rows: z.array(z.string()).default([]),
  columns: z.array(z.string()).default([]),
  correlations: z.unknown().optional(),
});
const withAxes = z.object({ x: z.string(), y: z.string() });

/** What is pinned in the Scatterplots stage. */
export const tell: Tell = (pinned, asking) => ('x' in pinned.settings ? tellSingle(pinned, asking) : tellMatrix(pinned, asking));

/** The scatterplot matrix, or outcomes against predictors. */
async function tellMatrix({ settings: stored }: Pinned, asking: Asking): Promise<Told> {
  const { study } = asking;
  const panels = withPanels.parse(stored);
  const settings = scatterplotSettingsSchema.parse(stored);
  const correlation = panelCorrelation(
    panels.correlations === undefined ? await asking.settings('correlations') : correlationSettingsSchema.parse(panels.correlations),
  );
  const rows = namedVariables(study, panels.rows);
  const square = panels.rows.join() === panels.columns.join();
  const columns = square ? rows : namedVariables(study, panels.columns);
  const variables = [...new Set([...rows, ...columns])];
  const taking = settings.perGroup ? await groupingOf(asking) : null;
  const groups = taking ? groupsShown(taking.by, taking, settings.hidden) : NO_GROUPS_SHOWN;
  const completeFor = completeForOf(correlation, variables);
  const [matrix, client] = await Promise.all([
    askedMatrix(asking, variables, correlation),
    plottingClient(asking, variables, { by: groups.by, groups: groups.all, completeFor }),
  ]);
  const facts = {
    study,
    rows,
    columns,
    settings,
    correlation,
    rankMethod: COEFFICIENTS[correlation.methods[0] ?? 'pearson'].onRanks,
    matrix,
    cautionsKnown: false,
    groups,
    completeFor,
  };
  const said = sentenceOf(
    sentence(settings, correlation, {
      variables: variables.length,
      rows: rowsInWords(study),
      grouping: taking
        ? { by: taking.by, candidates: [taking.by], chosen: null, withoutOne: false, choose: ignore, take: ignore, takeWithoutOne: ignore }
        : undefined,
      taking,
      rectangle: square ? null : { outcomes: rows.length, predictors: columns.length },
      canJitter: variables.some(({ kind }) => kind !== 'continuous'),
      binned: rowsInUse(study) > MOST_POINTS,
    }),
  );
  const names = variables.map(displayName).join(', ');
  return {
    ...NOTHING_TOLD,
    heading: 'Scatterplots',
    figures: [
      {
        caption: said,
        alternative: `Scatterplot matrix of ${names}; the correlation table has the coefficients.`,
        draw: async (options, fontFace) => {
          const scene = await sceneOf(client, variables, settings, correlation, groups, square);
          const many = columns.length > MOST_WITH_CORNERS;
          return buildFigure(
            // Panels on paper are small: what stands in their corners would lie on them.
            many ? { ...facts, settings: { ...settings, corners: false } } : facts,
            scene,
            said,
            many ? { ...options, font: Math.min(options.font, SMALL) } : options,
            fontFace,
          );
        },
      },
    ],
    sources: METHOD_SOURCES[correlation.methods[0] ?? 'pearson'],
  };
}

/** As the stage has it: the common coefficient and the one of ranks, nothing held constant. */
function panelCorrelation(settings: CorrelationSettings): CorrelationSettings {
  const method = settings.methods[0] ?? 'pearson';
  const methods = [...new Set([method, COEFFICIENTS[method].onRanks])];
  return { ...settings, methods, control: [], order: 'listed' };
}

interface ClientFacts {
  readonly by: Variable | null;
  readonly groups: readonly Group[];
  readonly completeFor: readonly string[];
}

async function plottingClient(asking: Asking, variables: readonly Variable[], { by, groups, completeFor }: ClientFacts) {
  const ids = [...new Set([...variables.map(({ id }) => id), ...(by ? [by.id] : []), ...completeFor])];
  const [columns, inUse] = await Promise.all([Promise.all(ids.map((id) => asking.values(id))), asking.rowsInUse()]);
  const found = new Map(ids.map((id, i) => [id, columns[i] ?? new Float64Array()] as const));
  const data = plotDataOf(found, asking.study.rows, { by: by?.id ?? null, groups, completeFor, inUse });
  return new PlottingClient(data, `report ${asking.study.id} ${asking.study.head} ${ids.join(' ')}`);
}

/** Axes, look, distributions and groups of the panels, for paper. */
async function sceneOf(
  client: PlottingClient,
  variables: readonly Variable[],
  settings: ScatterplotSettings,
  { methods, missing, alternative }: CorrelationSettings,
  groups: ReturnType<typeof groupsShown>,
  square: boolean,
) {
  const ids = variables.map(({ id }) => id);
  const axes = new Map((await client.computing.axes(ids)).map((axis, i) => [ids[i] ?? '', axis] as const));
  const domains = domainsOf(axes, settings.bulk);
  const look: PlotLook = {
    ...NO_COLOURS,
    hidden: groups.hidden,
    domains,
    jitter: new Map(settings.jitter ? [...axes].map(([id, axis]) => [id, axis.jitter] as const) : []),
  };
  const wanted =
    square && settings.diagonal !== 'name' ? ids.map((variable) => ({ variable, domain: domains.get(variable) ?? ([0, 1] as const) })) : [];
  const marginals = new Map(
    (await client.computing.marginals(wanted, groups.shown)).map((marginal) => [marginal.variable, marginal] as const),
  );
  const showsCoefficients = [settings.below, settings.above].includes('coefficient') && groups.shown.length > 0;
  const byGroup = showsCoefficients
    ? await client.computing.byGroup(groups.shown, { variables: ids, methods, missing, alternative })
    : undefined;
  return { client, look, marginals, groupLines: byGroup?.map((coefficients, k) => ({ group: groups.shown[k] ?? 0, coefficients })) };
}

/** The colours of paper are put in when a figure is built. */
const NO_COLOURS = {
  ratio: 1,
  surface: [255, 255, 255],
  ink: [0, 0, 0],
  faint: [200, 200, 200],
  lit: [0, 0, 0],
  beyond: [0, 0, 0],
  groups: [],
} as const;

/** One large scatterplot. */
async function tellSingle({ settings: stored }: Pinned, asking: Asking): Promise<Told> {
  const { study } = asking;
  const settings = scatterplotSettingsSchema.parse(stored);
  const { single, share } = settings;
  const axes = withAxes.parse(stored);
  const [x, y] = namedVariables(study, [axes.x, axes.y]);
  if (!x || !y) throw new Error('a scatterplot has two variables');
  const third = study.state.variables.find(({ id }) => id === single.third) ?? null;
  const taking = third && makesGroups(third) ? await takingPartOf(asking, third.id, null, false) : null;
  const grouped = taking && taking.all.length <= MOST_GROUPS ? taking : null;
  const quantity = third && !makesGroups(third) ? third : null;
  const client = await plottingClient(asking, [x, y, ...(quantity ? [quantity] : [])], {
    by: grouped?.by ?? null,
    groups: grouped?.all ?? [],
    completeFor: [],
  });
  const [xs = new Float64Array(), ys = new Float64Array()] = [client.data.columns.get(x.id), client.data.columns.get(y.id)];
  const places = [...usedRows([xs, ys])];
  const n = places.length;
  const line = single.equation
    ? await asking.ask({ kind: 'line', x: x.id, y: y.id, rows: { completeFor: [], group: null }, level: LEVEL })
    : undefined;
  const equation = equationOf(line, displayName(x), displayName(y), significant, (found) => coefficientText(found));
  const said = `${sentenceOf(singleSentence(single, { study, rows: rowsInWords(study), x, y, third, share, canSize: n <= MOST_SHAPED }))} n = ${n.toLocaleString('en-GB')}.`;
  const values = quantity && client.data.columns.get(quantity.id);
  const scale: Third = grouped
    ? { type: 'groups', variable: grouped.by }
    : quantity && values
      ? thirdOf(quantity, values, single.by, n)
      : { type: 'none' };
  return {
    ...NOTHING_TOLD,
    heading: `${displayName(y)} against ${displayName(x)}`,
    figures: [
      {
        caption: said,
        alternative: `Scatterplot of ${displayName(y)} against ${displayName(x)}, ${n} points.`,
        draw: async (options, fontFace) => {
          const groupPlaces = (grouped?.all ?? []).map((_, place) => place);
          const found = await client.computing.axes([x.id, y.id]);
          const domains = [found[0]?.all ?? UNIT, found[1]?.all ?? UNIT] as const;
          const wanted = [
            { variable: x.id, domain: domains[0] },
            { variable: y.id, domain: domains[1] },
          ];
          const [across, up] = single.margins ? await client.computing.marginals(wanted, groupPlaces) : [];
          const [fits = []] = await client.computing.fits([
            {
              x: x.id,
              y: y.id,
              scale: 'values',
              line: single.line,
              curve: single.curve,
              ellipse: single.ellipse,
              share,
              level: LEVEL,
              groups: groupPlaces,
            },
          ]);
          const { radius, opacity } = pointLook(n, AREA, third !== null);
          const labelled = await fetchRowNames(asking.client, study, single.labels);
          const labels = labelled.flatMap(({ row, name }) => {
            const place = client.data.rows.indexOf(row - 1);
            return places.includes(place) ? [{ place, text: name ?? `row ${row}` }] : [];
          });
          return buildSingle(
            {
              data: client.data,
              third: scale,
              domains,
              figure: {
                variables: { x, y },
                values: { x: xs, y: ys },
                places: n <= MOST_SHAPED ? places : [],
                opacity,
                fits,
                margins: across && up ? { x: across, y: up } : null,
                equation,
                labels,
              },
              radius,
              legend: (grouped?.all ?? []).map(({ label }) => label),
              title: `${axisLabel(y)} against ${axisLabel(x)}`,
              caption: said,
              margins: single.margins,
            },
            options,
            fontFace,
          );
        },
      },
    ],
    sources: single.curve ? RULE_SOURCES['smooth curve'] : [],
  };
}

const UNIT = [0, 1] as const;
const LEVEL = 0.95;
/** Of a plot on paper, in units of the drawing. */
const AREA = 600 * 430;

function ignore(): void {}
