import type { CorrelationSettings, ScatterplotSettings, Variable } from '@ivlen/contract';
import { COEFFICIENTS } from '@ivlen/core';
import { percent } from '../../coefficients/cell-data';
import { missingWords, sidedness } from '../../coefficients/sentence-parts';
import { groupsInWords } from '../../groups/words';
import { countOfVariables, type InUseChoice, rowsWords, variablesWords } from '../../in-use/in-use-words';
import type { SentencePart } from '../../methods-line/methods-parts';
import type { Grouping, TakingPart } from '../../settings/use-grouping';
import { displayName } from '../../study/variable-name';
import { DIAGONAL_WORDS, overlaysInWords, overlaysOn, PANEL_WORDS } from './panel-words';

export type ScatterplotChoice = InUseChoice | 'groups' | 'below' | 'above' | 'diagonal' | 'method' | 'missing' | 'overlays' | 'jitter';
type Part = SentencePart<ScatterplotChoice>;

export interface ScatterplotFacts {
  readonly variables: number;
  /** "all 248 rows". */
  readonly rows: string;
  readonly grouping: Grouping | undefined;
  /** Which groups take part, where they are told apart. */
  readonly taking: TakingPart | null;
  /** Outcomes and predictors, where these are the panels; null for the square. */
  readonly rectangle: { readonly outcomes: number; readonly predictors: number } | null;
  /** Some variable has few different values, so that points can be moved apart. */
  readonly canJitter: boolean;
  /** Whether rows are counted in bins since there are too many for points. */
  readonly binned: boolean;
}

/** What the panels show. */
export function sentence(settings: ScatterplotSettings, correlation: CorrelationSettings, facts: ScatterplotFacts): Part[] {
  const { rectangle } = facts;
  const of = rectangle
    ? `${counted(rectangle.outcomes, 'outcome')} against ${counted(rectangle.predictors, 'predictor')}`
    : countOfVariables(facts.variables);
  const chosen = overlaysOn(settings);
  return [
    'Scatterplots of ',
    variablesWords(of),
    ' in ',
    rowsWords(facts.rows),
    ', ',
    groups(settings, facts),
    ', ',
    ...(rectangle ? [half('below', 'the panels', settings)] : square(settings)),
    '; ',
    method(settings, correlation),
    ', ',
    missing(correlation),
    '; ',
    { choice: 'overlays', text: overlaysInWords(settings), label: 'what is laid over the points', usual: chosen.length === 0 },
    ' laid over',
    ...jitter(settings, facts),
    facts.binned ? '; so many rows are counted in bins.' : '.',
  ];
}

function square(settings: ScatterplotSettings): Part[] {
  return [
    half('below', 'what is shown below the diagonal', settings),
    ' below the diagonal, ',
    half('above', 'what is shown above the diagonal', settings),
    ' above, ',
    { choice: 'diagonal', text: DIAGONAL_WORDS[settings.diagonal].name, label: 'what is shown on the diagonal' },
    ' on it',
  ];
}

function groups({ perGroup }: ScatterplotSettings, { grouping, taking }: ScatterplotFacts): Part {
  if (!grouping || grouping.candidates.length === 0) return 'all rows together';
  return {
    choice: 'groups',
    text: perGroup && grouping.by ? colouredBy(grouping.by, taking) : 'all rows together',
    label: 'whether groups are told apart',
    usual: !perGroup,
  };
}

/** Of some groups only, they are said. */
function colouredBy(by: Variable, taking: TakingPart | null): string {
  return taking?.isSome ? `coloured by ${groupsInWords(taking)}` : `coloured by ${displayName(by)}`;
}

function half(choice: 'below' | 'above', label: string, settings: ScatterplotSettings): Part {
  return { choice, text: PANEL_WORDS[settings[choice]].name, label };
}

function method({ corners }: ScatterplotSettings, correlation: CorrelationSettings): Part {
  const { methods, level } = correlation;
  const words = `${COEFFICIENTS[methods[0] ?? 'pearson'].name}${corners ? ` with ${percent(level)} intervals${sidedness(correlation)}` : ''}`;
  return { choice: 'method', text: words, label: 'the coefficient' };
}

function missing(correlation: CorrelationSettings): Part {
  return { ...missingWords(correlation), choice: 'missing' };
}

function jitter(settings: ScatterplotSettings, { canJitter }: ScatterplotFacts): Part[] {
  if (!canJitter) return [];
  const words = settings.jitter ? 'jittered' : 'no jitter';
  return [', ', { choice: 'jitter', text: words, label: 'whether points are moved apart', usual: !settings.jitter }];
}

function counted(count: number, one: string): string {
  return `${count} ${one}${count === 1 ? '' : 's'}`;
}
