import {
  correlationSettingsSchema,
  methodForPair,
  ownMethods,
  type PairResult,
  type Pinned,
  pairKey,
  type Variable,
} from '@ivlen/contract';
import { RULE_SOURCES } from '@ivlen/core';
import { z } from 'zod';
import { commonMethod } from '../../../coefficients/requests';
import { Scatterplot } from '../../../figures/scatterplot';
import { fittedLine } from '../../../pair-card/fitted-line';
import { usedRows } from '../../../study/used-rows';
import { axisLabel, displayName } from '../../../study/variable-name';
import { askedMatrix } from '../../../telling/asked-matrix';
import type { Asking } from '../../../telling/asking';
import { drawnFigure } from '../../../telling/drawn-figure';
import { namedVariables } from '../../../telling/named-variables';
import { sourcesOfInterval, sourcesOfRemedies, sourcesOfSettings } from '../../../telling/sources-of';
import { NOTHING_TOLD, paragraph, sentence, type Told, type ToldFigure } from '../../../telling/told';
import { askedPair, checkedPair, pairInWords, pairMethods, type Reported } from './reported-pair';
import { tellSection } from './tell-section';

const SHAPE = 0.72;
const withPair = z.object({
  x: z.string().optional(),
  y: z.string().optional(),
  method: z.string().optional(),
  among: z.array(z.string()).optional(),
  /** In place of x and y, as the stage once pinned a pair that stood alone. */
  variables: z.array(z.string()).optional(),
});

/** A pair: its sentence, its scatterplot, and what was looked at; or a section of its card. */
export async function tellPair(pinned: Pinned, asking: Asking): Promise<Told> {
  const { section } = pinned.settings;
  const reported = reportedOf(pinned, asking);
  return typeof section === 'string' ? tellSection(section, pinned, reported, asking) : tellWhole(reported, asking);
}

function reportedOf(pinned: Pinned, { study }: Asking): Reported {
  const own = withPair.parse(pinned.settings);
  const request = pinned.request?.kind === 'pair' ? pinned.request : null;
  const [first = '', second = ''] = own.variables ?? [];
  const ids = [own.x ?? request?.x ?? first, own.y ?? request?.y ?? second];
  const [x, y] = namedVariables(study, ids);
  if (!x || !y) throw new Error('a pair has two variables');
  const settings = correlationSettingsSchema.parse(pinned.settings);
  const among = study.state.variables.filter(
    ({ id }) => (own.among ?? request?.rows.completeFor ?? ids).includes(id) && !settings.control.includes(id),
  );
  const method = methodForPair(commonMethod(settings), ownMethods(study.state), x.id, y.id);
  return { x, y, method, settings, among };
}

async function tellWhole(reported: Reported, asking: Asking): Promise<Told> {
  const { x, y, method, settings, among } = reported;
  const result = await askedPair(asking, reported);
  // A figure alone reports no coefficient, and nothing of it has to be looked at.
  const isReported = asking.parts === null || asking.parts.includes('text');
  const [checked, adjustedP, figure] = await Promise.all([
    isReported ? checkedPair(asking, reported) : null,
    adjustedAmong(asking, reported),
    pairFigure(asking, x, y, result, among, settings),
  ]);
  const said = pairInWords(asking, reported, result, adjustedP);
  return {
    ...NOTHING_TOLD,
    heading: `${displayName(x)} and ${displayName(y)}`,
    paragraphs: said === null ? [] : [paragraph(sentence('pair', said))],
    figures: [figure],
    methods: [pairMethods(asking, settings, method)],
    sources: [
      ...sourcesOfSettings(settings, [method]),
      ...sourcesOfInterval(result.tests[method]),
      ...(settings.control.length > 0 ? [] : sourcesOfRemedies(asking.study, [pairKey(x.id, y.id)])),
      ...RULE_SOURCES['strength words of Cohen'],
    ],
    pairs: checked ? [checked] : [],
    tests: 1,
  };
}

/** p adjusted among the pairs that stood on screen; null where nothing is adjusted, or the pair stood alone. */
async function adjustedAmong(
  asking: Asking,
  { x, y, settings, among }: Pick<Reported, 'x' | 'y' | 'settings' | 'among'>,
): Promise<number | null> {
  const known = [x, y].every(({ id }) => among.some((variable) => variable.id === id));
  if (settings.adjust === 'none' || among.length < 3 || !known) return null;
  const { adjustedP } = (await askedMatrix(asking, among, settings)).cell(y, x);
  return Number.isNaN(adjustedP) ? null : adjustedP;
}

/** The scatterplot of the rows that the coefficient uses. */
async function pairFigure(
  asking: Asking,
  x: Variable,
  y: Variable,
  result: PairResult,
  among: readonly Variable[],
  { missing, level }: Pick<z.infer<typeof correlationSettingsSchema>, 'missing' | 'level'>,
): Promise<ToldFigure> {
  const { study, client } = asking;
  const needed = missing === 'listwise' ? [...new Set([x.id, y.id, ...among.map(({ id }) => id)])] : [x.id, y.id];
  const [columns, inUse, line] = await Promise.all([
    Promise.all(needed.map((id) => asking.values(id))),
    asking.rowsInUse(),
    asking.ask({
      kind: 'line',
      x: x.id,
      y: y.id,
      rows: { completeFor: missing === 'listwise' ? needed.toSorted() : [], group: null },
      level,
    }),
  ]);
  const [xs = new Float64Array(), ys = new Float64Array()] = columns;
  const points = { x: xs, y: ys, rows: usedRows(columns, inUse) };
  const fitted = fittedLine(result);
  const n = points.rows.length.toLocaleString('en-GB');
  const curve = line.parabola ? ', and the parabola by which the relation is curved' : '';
  return drawnFigure(client, {
    title: `${displayName(y)} against ${displayName(x)}`,
    caption: `${axisLabel(y)} against ${axisLabel(x)}, n = ${n}${fitted ? `, with the least-squares line and its ${Math.round(level * 1000) / 10} % band` : ''}${curve}.`,
    alternative: `Scatterplot of ${displayName(y)} against ${displayName(x)}, ${n} points${fitted ? `; the line ${fitted.slope < 0 ? 'falls' : 'rises'}` : ''}.`,
    element: (width) => (
      <Scatterplot
        points={points}
        line={fitted}
        band={fitted ? line.band : undefined}
        parabola={line.parabola?.points}
        study={study}
        xLabel={axisLabel(x)}
        yLabel={axisLabel(y)}
        width={width}
        height={Math.round(width * SHAPE)}
      />
    ),
  });
}
