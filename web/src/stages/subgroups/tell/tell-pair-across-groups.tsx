import type { Pinned } from '@ivlen/contract';
import { COEFFICIENTS, RULE_SOURCES } from '@ivlen/core';
import { z } from 'zod';
import { completeForOf } from '../../../coefficients/requests';
import { GroupScatterplot } from '../../../figures/group-scatterplot';
import { type ComparedPair, comparedPairs, pairName, type ShownGroup, withAxes } from '../../../groups/compared-pairs';
import { groupTable } from '../../../groups/group-table';
import { closerRequest } from '../../../groups/pair-plot-by-group';
import { subgroupsRequest } from '../../../groups/requests';
import { lineAt, slopesSentence } from '../../../groups/slopes';
import { groupPoints } from '../../../groups/use-group-points';
import { betweenSentence, differenceSentence, otherStory, spreadSentence, withInterval } from '../../../groups/words';
import { axisLabel, displayName } from '../../../study/variable-name';
import type { Asking } from '../../../telling/asking';
import { drawnFigure } from '../../../telling/drawn-figure';
import { journalTable } from '../../../telling/journal-table';
import { namedVariables } from '../../../telling/named-variables';
import { NOTHING_TOLD, paragraph, sentence, type Told, type ToldFigure } from '../../../telling/told';
import { methodsOf, type SubgroupPin, sourcesOfGroups } from './pin';

const withPair = z.object({ x: z.string(), y: z.string() });
const SHAPE = 0.72;

/** One pair across the groups: whether they differ, each group's numbers, the points with a line of each. */
export async function tellPairAcrossGroups(pinned: Pinned, pin: SubgroupPin, asking: Asking): Promise<Told> {
  const { study } = asking;
  const { settings, taking } = pin;
  const { x: xId, y: yId } = withPair.parse(pinned.settings);
  const variables = namedVariables(study, [xId, yId]);
  const completeFor = pinned.request && 'rows' in pinned.request ? pinned.request.rows.completeFor : completeForOf(settings, variables);
  const result = await asking.ask(subgroupsRequest(study, variables, settings, taking, { completeFor }));
  // One pair is no family: its p is its own.
  const compared = comparedPairs(study, variables, result, taking, { adjust: 'none' });
  const [pair] = compared.pairs;
  if (!pair) throw new Error('The pair could not be compared across these groups.');
  const own = { ...settings, adjust: 'none' as const };
  const details = await asking.ask(closerRequest({ study, pair, groups: compared.groups, taking, settings, completeFor, width: 0 }));
  const { symbol } = COEFFICIENTS[pair.method];
  const axes = withAxes(pair);
  const story = otherStory(pair, compared.groups);
  const spread = spreadSentence(pair, settings.level);
  const between = betweenSentence(details, settings.levels);
  return {
    ...NOTHING_TOLD,
    heading: `${pairName(pair)} by ${displayName(taking.by)}`,
    paragraphs: [
      paragraph(
        sentence('difference', differenceSentence(pair, compared.groups, taking, own)),
        sentence('within', `Within groups, their means taken out: ${withInterval(symbol, pair.within)}.`),
        story ? sentence('story', story) : null,
        spread ? sentence('spread', spread) : null,
        sentence('slopes', slopesSentence(details, pair, axes, settings.levels)),
        between ? sentence('between', between) : null,
      ),
    ],
    tables: [
      journalTable(
        groupTable(pair, compared.groups, details, {
          name: `${pairName(pair)} by ${displayName(taking.by)}`,
          symbol,
          settings: own,
          withSlopes: true,
        }),
      ),
    ],
    figures: [await groupFigure(asking, pair, compared.groups, pin, details, completeFor)],
    methods: [methodsOf(asking, { ...pin, variables })],
    sources: [...sourcesOfGroups(settings), ...RULE_SOURCES['how much groups differ'], ...RULE_SOURCES['equal slopes']],
    tests: 2,
  };
}

async function groupFigure(
  asking: Asking,
  pair: ComparedPair,
  groups: readonly ShownGroup[],
  { taking }: SubgroupPin,
  details: Parameters<typeof lineAt>[0],
  completeFor: readonly string[],
): Promise<ToldFigure> {
  const { study, client } = asking;
  const { x, y } = withAxes(pair);
  const [columns, inUse] = await Promise.all([
    Promise.all([...new Set([x.id, y.id, taking.by.id, ...completeFor])].map((id) => asking.values(id))),
    asking.rowsInUse(),
  ]);
  const drawn = groupPoints(columns, groups, inUse);
  if (!drawn) throw new Error('The points of the pair are not there.');
  const { slope, intercept } = details.slopes.pooled;
  const by = displayName(taking.by);
  return drawnFigure(client, {
    title: `${pairName(pair)} by ${by}`,
    caption: `${axisLabel(y)} against ${axisLabel(x)} by ${by} (${groups.map(({ label }) => label).join(', ')}), n = ${drawn.points.rows.length}; a line for each group, dashed for all of them.`,
    alternative: `Scatterplot of ${displayName(y)} against ${displayName(x)}, points and lines told apart by ${by}.`,
    element: (width) => (
      <GroupScatterplot
        {...drawn}
        groups={groups.map(({ label, style }, place) => ({ label, style, line: lineAt(details, groups, place) }))}
        pooled={slope === null || intercept === null ? null : { slope, intercept }}
        study={study}
        xLabel={axisLabel(x)}
        yLabel={axisLabel(y)}
        width={width}
        height={Math.round(width * SHAPE)}
      />
    ),
  });
}
