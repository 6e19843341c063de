import { canBeCorrelated, type Study } from '@ivlen/contract';
import { displayName } from '../../study/variable-name';
import type { StageLink } from '../stage-links';

/** Something that can be gone to. */
export interface FoundItem {
  readonly id: string;
  readonly group: (typeof GROUPS)[number];
  readonly name: string;
  /** More about it, which is searched as well. */
  readonly remark: string;
  /** Under the study's address, or an address of its own where it begins with a slash. */
  readonly to: string;
}

export const GROUPS = ['Variables', 'Pairs', 'Stages', 'Questions', 'Help'] as const;
/** So many of each are listed. */
const MOST = 8;

/**
 * What fits the words typed, by group: each word stands somewhere in the name or its remark; what begins with the first word
 * comes first. Nothing typed lists stages and variables.
 */
export function findItems(study: Study, stages: readonly StageLink[], typed: string): FoundItem[] {
  const words = typed
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '' && word !== '×');
  const { variables, questions } = study.state;
  const variable = (item: (typeof variables)[number]): FoundItem => ({
    id: `variable.${item.id}`,
    group: 'Variables',
    name: displayName(item),
    remark: [item.label, item.unit, item.kind].filter(Boolean).join(', '),
    to: `data?view=codebook&entry=${item.id}`,
  });
  const places: FoundItem[] = stages.flatMap((stage) => [
    { id: `stage.${stage.id}`, group: 'Stages', name: stage.name, remark: '', to: stage.id },
    ...(stage.views ?? []).map(
      ({ id, name }): FoundItem => ({
        id: `stage.${stage.id}.${id}`,
        group: 'Stages',
        name: `${stage.name}: ${name}`,
        remark: '',
        to: `${stage.id}?view=${id}`,
      }),
    ),
  ]);
  const asked: FoundItem[] = questions.map((question, i) => ({
    id: `question.${question.id}`,
    group: 'Questions',
    name: question.text,
    remark: `question ${i + 1}`,
    to: 'correlations?view=questions',
  }));
  const pairs = words.length === 0 ? [] : pairsOf(study, words);
  const all = [...variables.map(variable), ...places, ...asked].filter((item) => fits(item, words));
  return GROUPS.flatMap((group) =>
    [...all, ...pairs]
      .filter((item) => item.group === group)
      .toSorted(beginningFirst(words))
      .slice(0, MOST),
  );
}

/** Pairs whose two names hold the words between them; each word must be in one of the two, and each name hold one if there are two. */
function pairsOf({ state }: Study, words: readonly string[]): FoundItem[] {
  const named = state.variables.filter(canBeCorrelated).map((variable) => ({ variable, name: displayName(variable).toLowerCase() }));
  const touched = named.filter(({ name }) => words.some((word) => name.includes(word)));
  const found: FoundItem[] = [];
  for (const [i, a] of named.entries()) {
    for (const b of named.slice(i + 1)) {
      const both = touched.includes(a) && touched.includes(b);
      if (!(words.length > 1 ? both : touched.includes(a) || touched.includes(b))) continue;
      if (!words.every((word) => a.name.includes(word) || b.name.includes(word))) continue;
      found.push({
        id: `pair.${a.variable.id}.${b.variable.id}`,
        group: 'Pairs',
        name: `${displayName(a.variable)} × ${displayName(b.variable)}`,
        remark: '',
        to: `correlations?pair=${a.variable.id}~${b.variable.id}`,
      });
      // Enough to choose from; a study of 200 variables has 19,900 pairs.
      if (found.length >= 10 * MOST) return found;
    }
  }
  return found;
}

function fits({ name, remark }: FoundItem, words: readonly string[]): boolean {
  const text = `${name} ${remark}`.toLowerCase();
  return words.every((word) => text.includes(word));
}

function beginningFirst([first]: readonly string[]) {
  const place = ({ name }: FoundItem) => (first && name.toLowerCase().startsWith(first) ? 0 : 1);
  return (a: FoundItem, b: FoundItem) => place(a) - place(b);
}
