import type { CorrelationSettings, Study, Variable } from '@ivlen/contract';
import { COEFFICIENTS } from '@ivlen/core';
import { commonMethod } from '../../coefficients/requests';
import {
  adjustmentWords,
  type CoefficientChoice,
  controlWords,
  intervalWords,
  levelsWords,
  methodsWords,
  missingWords,
} from '../../coefficients/sentence-parts';
import { groupsInWords } from '../../groups/words';
import { countOfVariables, type InUseChoice, rowsWords, variablesWords } from '../../in-use/in-use-words';
import type { SentencePart } from '../../methods-line/methods-parts';
import type { TakingPart } from '../../settings/use-grouping';
import type { View } from './views';

export type SubgroupChoice = CoefficientChoice | InUseChoice | 'groups';
type Parts = SentencePart<SubgroupChoice>[];

export interface SubgroupFacts {
  readonly variables: readonly Variable[];
  readonly candidates: readonly Variable[];
  /** "all 248 rows". */
  readonly rows: string;
  /** null where nothing makes groups. */
  readonly taking: TakingPart | null;
  /** The grouping variable, while its groups come or are too many to be listed. */
  readonly byName: string | null;
  readonly view: View;
}

/** What the pairs, the grids and the differences show. */
export function sentence(_: Study, settings: CorrelationSettings, facts: SubgroupFacts): Parts {
  if (facts.view === 'descriptives') return descriptivesSentence(facts);
  if (facts.view === 'dependent') return dependentSentence(settings, facts);
  const { variables, candidates, rows } = facts;
  const held = settings.control.length > 0;
  const method = commonMethod(settings);
  return [
    methodsWords({ ...settings, methods: [method] }),
    ' among ',
    variablesWords(countOfVariables(variables.length)),
    ' across ',
    groupsWords(facts),
    ', ',
    rowsWords(rows),
    ...(held ? controlWords(settings, candidates) : []),
    ', using ',
    missingWords(settings),
    '; compared by Fisher’s z, ',
    adjustmentWords(settings),
    ', marked at ',
    levelsWords(settings),
    ', with ',
    intervalWords(settings),
    ...(held ? [] : controlWords(settings, candidates)),
    '.',
  ];
}

function groupsWords({ taking, byName }: SubgroupFacts): SentencePart<SubgroupChoice> {
  return {
    choice: 'groups',
    text: taking ? groupsInWords(taking) : byName ? `groups of ${byName}` : 'no groups yet',
    label: 'the groups',
    wide: true,
  };
}

function descriptivesSentence(facts: SubgroupFacts): Parts {
  return [
    'Means and standard deviations of ',
    variablesWords(countOfVariables(facts.variables.length)),
    ' in ',
    groupsWords(facts),
    ', ',
    rowsWords(facts.rows),
    '.',
  ];
}

/** Of coefficients that share their rows: groups play no part in it. */
function dependentSentence(settings: CorrelationSettings, { rows }: SubgroupFacts): Parts {
  return [
    'Two coefficients of the same rows compared by ',
    { ...methodsWords({ ...settings, methods: [commonMethod(settings)], control: [] }), text: COEFFICIENTS[commonMethod(settings)].name },
    ', all groups together, in those of ',
    rowsWords(rows),
    ' that are complete for all their variables, decided at the first of ',
    levelsWords(settings),
    ', with ',
    { ...intervalWords({ ...settings, control: [], interval: 'default' }) },
    '.',
  ];
}
