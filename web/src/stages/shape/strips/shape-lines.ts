import type { Analysis, Variable } from '@ivlen/contract';
import type { Group } from '../../../settings/use-grouping';

/** A strip: a variable in all rows, or in those of one group. */
export interface StripSubject {
  readonly variable: Variable;
  readonly group: (Group & { readonly by: string }) | null;
}

/** Each variable, and under it its groups. */
export function stripSubjects(variables: readonly Variable[], by: Variable | null, groups: readonly Group[]): StripSubject[] {
  return variables.flatMap((variable) => [
    { variable, group: null },
    ...(by && by.id !== variable.id ? groups.map((group) => ({ variable, group: { ...group, by: by.id } })) : []),
  ]);
}

/** How the address and lists call a strip. */
export function subjectKey({ variable, group }: StripSubject): string {
  return group ? `${variable.id}~${group.value}` : variable.id;
}

export function shapeRequest({ variable, group }: StripSubject): Extract<Analysis, { kind: 'shape' }> {
  return { kind: 'shape', variable: variable.id, rows: { completeFor: [], group: group && { by: group.by, value: group.value } } };
}
