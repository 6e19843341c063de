import type { CorrelationSettings, NewBlockInput, PinnedInput, ReportBlock, ReportParagraph, Study, Variable } from '@ivlen/contract';
import { correlatedVariables } from '../../coefficients/requests';
import { adjustedForPicking, strongestOf } from '../../coefficients/strongest';
import { displayName } from '../../study/variable-name';
import { askedMatrix } from '../../telling/asked-matrix';
import type { Asking } from '../../telling/asking';

/** So many pairs of a first draft are drawn. */
const MOST_DRAWN = 3;
/** More variables than this are no matrix for a page. */
export const MOST_IN_MATRIX = 60;

interface DraftedPair {
  readonly x: Variable;
  readonly y: Variable;
}

/**
 * A first draft of the whole report from what the study has: the questions as they were asked; without any, outcomes with
 * predictors; without roles, the strongest pairs. What the report has already is not put in again.
 * @param ticked the working set
 */
export async function firstDraft(asking: Asking, ticked: readonly Variable[], before: readonly ReportBlock[]): Promise<NewBlockInput[]> {
  const settings = await asking.settings('correlations');
  const variables = correlatedVariables(ticked, settings).slice(0, MOST_IN_MATRIX);
  const { results, pairs } = await resultsOf(asking, variables, settings);
  const matrix: NewBlockInput[] =
    variables.length >= 3 ? [{ content: { kind: 'pin', pin: matrixPin(variables, settings) }, shows: ['tables'] }] : [];
  const figures = pairs
    .slice(0, MOST_DRAWN)
    .map((pair): NewBlockInput => ({ content: { kind: 'pin', pin: pairPin(pair, settings, variables) }, shows: ['figures'] }));
  const drafted = [
    paragraphOf('data'),
    paragraphOf('methods'),
    ...results,
    ...matrix,
    ...figures,
    paragraphOf('checks'),
    paragraphOf('limits'),
    paragraphOf('references'),
  ];
  return drafted.filter((block) => !before.some(({ content }) => sameContent(content, block.content)));
}

/** What the results are about, and the pairs that are drawn. */
async function resultsOf(
  asking: Asking,
  variables: readonly Variable[],
  settings: CorrelationSettings,
): Promise<{ results: NewBlockInput[]; pairs: DraftedPair[] }> {
  const { state } = asking.study;
  const asked = state.questions.filter(({ hypotheses }) => hypotheses.length > 0);
  if (asked.length > 0) {
    const find = (id: string) => state.variables.find((variable) => variable.id === id);
    const pairs = asked
      .flatMap(({ hypotheses }) => hypotheses)
      .flatMap((hypothesis): DraftedPair[] => {
        const [x, y] = [find(hypothesis.x), find(hypothesis.y)];
        // A hypothesis whose result was not looked at yet is not drawn either.
        return x && y && hypothesis.shown ? [{ x, y }] : [];
      });
    return { results: asked.map(({ id, text }) => ({ content: { kind: 'pin', pin: questionPin(id, text, variables, settings) } })), pairs };
  }
  const byRole = (wanted: Variable['role']) => variables.filter(({ role }) => role === wanted);
  const [outcomes, predictors] = [byRole('outcome'), byRole('predictor')];
  if (outcomes.length > 0 && predictors.length > 0) {
    const pairs = outcomes.flatMap((y) => predictors.map((x) => ({ x, y })));
    return { results: [{ content: { kind: 'pin', pin: rectanglePin(variables, settings) } }], pairs };
  }
  if (variables.length < 2) return { results: [], pairs: [] };
  const picking = adjustedForPicking(settings);
  const matrix = await askedMatrix(asking, variables, picking);
  const pairs = strongestOf(matrix, picking).map(({ row, column }) => ({ x: column, y: row }));
  return { results: [{ content: { kind: 'pin', pin: strongestPin(variables, settings) } }], pairs };
}

function paragraphOf(of: ReportParagraph): NewBlockInput {
  return { content: { kind: 'paragraph', of } };
}

const ids = (variables: readonly Variable[]) => variables.map(({ id }) => id);
const ofCorrelations = { stage: 'correlations', request: null, revision: null } as const;

function matrixPin(variables: readonly Variable[], settings: CorrelationSettings): PinnedInput {
  return {
    ...ofCorrelations,
    thing: 'matrix',
    title: `Correlations among ${variables.length} variables`,
    // Papers have the lower half alone, unless a second coefficient was chosen for the other.
    settings: { ...settings, above: settings.above === 'second' ? 'second' : 'nothing', view: 'grid', variables: ids(variables) },
  };
}

function strongestPin(variables: readonly Variable[], settings: CorrelationSettings): PinnedInput {
  return {
    ...ofCorrelations,
    thing: 'text',
    title: `The strongest correlations among ${variables.length} variables`,
    settings: { ...settings, view: 'strongest', variables: ids(variables) },
  };
}

function rectanglePin(variables: readonly Variable[], settings: CorrelationSettings): PinnedInput {
  return {
    ...ofCorrelations,
    thing: 'matrix',
    title: 'Outcomes × predictors',
    settings: { ...settings, view: 'rectangle', variables: ids(variables) },
  };
}

function questionPin(question: string, text: string, variables: readonly Variable[], settings: CorrelationSettings): PinnedInput {
  return {
    ...ofCorrelations,
    thing: 'text',
    title: text.slice(0, 300),
    settings: { ...settings, view: 'questions', question, variables: ids(variables) },
  };
}

function pairPin({ x, y }: DraftedPair, settings: CorrelationSettings, among: readonly Variable[]): PinnedInput {
  return {
    ...ofCorrelations,
    thing: 'pair',
    title: `${displayName(x)} and ${displayName(y)}`,
    settings: { ...settings, x: x.id, y: y.id, among: ids(among) },
  };
}

/** Whether a block would say what another one says. */
function sameContent(a: ReportBlock['content'], b: NewBlockInput['content']): boolean {
  if (a.kind === 'paragraph') return b.kind === 'paragraph' && a.of === b.of && a.of !== 'own';
  if (b.kind !== 'pin') return false;
  const of = ({ stage, thing, settings: { view = null, question = null, x = null, y = null, variables = null } }: PinnedInput) =>
    JSON.stringify([stage, thing, view, question, x, y, thing === 'pair' ? null : variables]);
  return of(a.pin) === of(b.pin);
}

/** The study has nothing to write of. */
export function whyNoDraft({ state }: Pick<Study, 'state'>, ticked: readonly Variable[]): string | null {
  if (ticked.length >= 2 || state.questions.some(({ hypotheses }) => hypotheses.length > 0)) return null;
  return 'Tick two or more variables on the left: their correlations are what a draft is about.';
}
