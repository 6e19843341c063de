import type { CorrelationSettings } from '@ivlen/contract';
import { RULE_SOURCES } from '@ivlen/core';
import { createElement } from 'react';
import { asFile } from '../../../figures/export/as-file';
import { filePalette } from '../../../figures/export/day-colours';
import { drawingWidth, FONT_UNITS } from '../../../figures/export/figure-options';
import {
  type Compared,
  comparedPairs,
  EVERY_PAIR,
  filteredPairs,
  OUTCOMES_BY_PREDICTORS,
  orderedPairs,
  pairName,
} from '../../../groups/compared-pairs';
import { subgroupsRequest } from '../../../groups/requests';
import { groupsInWords, otherStories, otherStory, wholeSentence } from '../../../groups/words';
import { adjustedBy } from '../../../telling/adjusted-by';
import type { Asking } from '../../../telling/asking';
import { journalTable } from '../../../telling/journal-table';
import { NOTHING_TOLD, paragraph, sentence, type Tell, type Told } from '../../../telling/told';
import { describedGroups, groupDescriptivesRequest, groupDescriptivesTable } from '../descriptives/described-groups';
import { chosenTwo, takingTwo } from '../difference/chosen-two';
import { differenceTable } from '../difference/difference-table';
import { shownInWords } from '../pairs/pairs-export';
import { PairsFigure } from '../pairs/pairs-figure';
import { pairsTable } from '../pairs/pairs-table';
import { groupMatrixTable } from '../side/group-matrix-table';
import { methodsOf, pinOf, type SubgroupPin, sourcesOfGroups, viewOf } from './pin';
import { tellDependent } from './tell-dependent';
import { tellPairAcrossGroups } from './tell-pair-across-groups';

/** More lanes than this are no figure. */
const MOST_LANES = 24;

/** What is pinned in the Subgroups stage. */
export const tell: Tell = async (pinned, asking) => {
  if (viewOf(pinned) === 'dependent') return tellDependent(pinned, asking);
  const pin = await pinOf(pinned, asking);
  if (pinned.thing === 'pair') return tellPairAcrossGroups(pinned, pin, asking);
  if (pin.view === 'descriptives') return tellDescriptives(pin, asking);
  return pin.view === 'difference' ? tellDifference(pin, asking) : tellPairs(pin, asking);
};

/** Pairs by groups: counted in a sentence, whose sign reverses, in a table or side by side, as a figure. */
async function tellPairs(pin: SubgroupPin, asking: Asking): Promise<Told> {
  const { settings, layout, variables, taking, view } = pin;
  const result = await asking.ask(subgroupsRequest(asking.study, variables, settings, taking));
  const family = layout.byRole ? OUTCOMES_BY_PREDICTORS : EVERY_PAIR;
  const compared = comparedPairs(asking.study, variables, result, taking, settings, family);
  const shown = orderedPairs(filteredPairs(compared.pairs, layout, settings.levels[0] ?? 0.05), layout.order);
  const stories = otherStories(compared.pairs);
  const tested = compared.pairs.filter(({ homogeneity }) => homogeneity.pValue !== null).length;
  const side = [
    ...compared.groups.map(({ label }, k) => groupMatrixTable(label, variables, compared.pairs, ({ cells }) => cells[k], taking, settings)),
    groupMatrixTable('all groups', variables, compared.pairs, ({ pooled }) => pooled, taking, settings),
  ];
  return {
    ...NOTHING_TOLD,
    heading: `Comparison of ${groupsInWords(taking)}`,
    paragraphs: [
      paragraph(sentence('whole', wholeSentence(compared, taking, settings))),
      ...stories.slice(0, 6).map((pair) => ({
        ...paragraph(
          sentence(
            `${pair.x.id}~${pair.y.id}`,
            `${pairName(pair)}: ${pair.reversed ? 'the sign reverses inside the groups' : 'the groups hide an association'}; ${otherStory(pair, compared.groups)}`,
          ),
        ),
        item: true,
      })),
    ],
    tables: view === 'side' ? side.map(journalTable) : [journalTable(pairsTable(shown, compared.groups, taking, settings))],
    figures: shown.length === 0 ? [] : [pairsFigure(compared, shown, settings)],
    usual: view === 'side' ? ['text', 'tables'] : ['text', 'tables', 'figures'],
    methods: [methodsOf(asking, pin)],
    sources: sourcesOfGroups(settings),
    tests: tested,
    ...adjustedBy(settings),
  };
}

function pairsFigure(
  { groups, taking, pairs: all }: Compared,
  shown: Compared['pairs'],
  { levels }: CorrelationSettings,
): Told['figures'][number] {
  const pairs = shown.slice(0, MOST_LANES);
  const caption = `Coefficients with their intervals in ${groupsInWords(taking)} and over all of them, pair by pair.${shownInWords(pairs.length, shown.length, all.length)}`;
  return {
    caption,
    alternative: `A lane for each of ${pairs.length} pairs with the coefficients of ${groups.map(({ label }) => label).join(', ')} from −1 to 1; the table has the same numbers.`,
    draw: async (options, fontFace) => {
      const element = createElement(PairsFigure, {
        pairs,
        groups,
        levels,
        palette: filePalette(options.colour),
        width: drawingWidth(options, FONT_UNITS),
        title: caption,
        caption,
        millimetres: options.width,
        ...(fontFace ? { fontFace } : {}),
      });
      return { svg: await asFile(element), caption, shapes: true };
    },
  };
}

/** The difference of two groups, pair by pair. */
async function tellDifference(pin: SubgroupPin, asking: Asking): Promise<Told> {
  const { settings, layout, variables, taking } = pin;
  const { first, second } = chosenTwo(taking, layout);
  const two = takingTwo(taking, first, second);
  const against = second === 'rest' ? first.value : null;
  const result = await asking.ask(subgroupsRequest(asking.study, variables, settings, two, { against }));
  const compared = comparedPairs(asking.study, variables, result, two, settings);
  const [a, b] = compared.groups;
  if (!a || !b) throw new Error('Two groups are needed for a difference.');
  return {
    ...NOTHING_TOLD,
    heading: `${a.label} and ${b.label}`,
    paragraphs: [paragraph(sentence('whole', wholeSentence(compared, { ...two, all: taking.all }, settings)))],
    tables: [journalTable(differenceTable(compared.pairs, a, b, two, settings))],
    methods: [methodsOf(asking, { ...pin, taking: { ...two, all: taking.all } })],
    sources: sourcesOfGroups(settings),
    tests: compared.pairs.filter(({ homogeneity }) => homogeneity.pValue !== null).length,
    ...adjustedBy(settings),
  };
}

/** Means and SDs of each variable in each group. */
async function tellDescriptives(pin: SubgroupPin, asking: Asking): Promise<Told> {
  const { settings, variables, taking } = pin;
  const [result, shape] = await Promise.all([asking.ask(groupDescriptivesRequest(variables, settings, taking)), asking.settings('shape')]);
  const lines = describedGroups(result, variables, taking);
  return {
    ...NOTHING_TOLD,
    heading: 'Descriptives by group',
    tables: [
      journalTable({
        ...groupDescriptivesTable(lines, groupsInWords(taking), shape.rule),
        note: '‹ SD below two thirds of that over all of them; ° marked by its shape.',
      }),
    ],
    methods: [methodsOf(asking, pin)],
    sources: shape.rule.kind === 'limits' ? RULE_SOURCES['shape limits 2 and 7'] : [],
  };
}
