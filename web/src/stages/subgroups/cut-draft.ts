import { type Definition, definitionSchema, type Variable } from '@ivlen/contract';
import { freeName } from '../../study/free-name';

/** A quantity to be cut into groups, as it is written. */
export interface CutDraft {
  readonly source: string;
  readonly how: 'size' | 'values';
  readonly points: string;
  readonly groups: string;
}

const [FEWEST, MOST] = [2, 20];

function pointsOf(text: string): number[] {
  return text
    .split(/[;\s]+|,\s+|,$/)
    .filter(Boolean)
    .map((point) => Number(point.replace(',', '.').replace('−', '-')));
}

/** What is wrong, in words; null where nothing is. */
export function problemOfCut({ how, points, groups }: CutDraft): string | null {
  if (how === 'size') {
    const count = Number(groups);
    return Number.isInteger(count) && count >= FEWEST && count <= MOST ? null : `Groups: a whole number from ${FEWEST} to ${MOST}.`;
  }
  const values = pointsOf(points);
  if (values.length === 0) return 'Write one value or more, such as 5 10.';
  if (values.some(Number.isNaN)) return 'Values are numbers, with a space between them.';
  if (values.length > MOST) return `At most ${MOST} values.`;
  return values.every((value, i) => i === 0 || value > (values[i - 1] ?? 0)) ? null : 'Values go from small to large.';
}

/** The derived variable that a draft stands for; null while something is wrong with it. */
export function definitionOfCut(draft: CutDraft, source: Variable, variables: readonly Variable[]): Definition | null {
  if (problemOfCut(draft) !== null) return null;
  const derivation =
    draft.how === 'size'
      ? { type: 'quantile-groups', source: source.id, groups: Number(draft.groups) }
      : { type: 'cut', source: source.id, points: pointsOf(draft.points) };
  const checked = definitionSchema.safeParse({ name: freeName(`${source.name}_group`, variables), unit: null, derivation });
  return checked.success ? checked.data : null;
}
