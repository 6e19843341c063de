import { makesGroups, type PairCaution, type WayChoice } from '@ivlen/contract';
import { displayName } from '../study/variable-name';
import { IN_FORCE, type OfferedChoice, type OfferedOption, type PairInQuestion, remedyOf } from './offered-choice';

/** Nothing, what is held constant already, the common component, or a grouping variable. */
export function heldChoice({ study, x, y, control, groupBy }: PairInQuestion, found: readonly PairCaution[]): OfferedChoice[] {
  const groupings = study.state.variables.filter((variable) => makesGroups(variable) && variable.id !== x.id && variable.id !== y.id);
  const within = remedyOf(found, 'within-groups');
  const namesOf = (ids: readonly string[]) =>
    ids.map((id) => displayName(study.state.variables.find((variable) => variable.id === id) ?? { name: id })).join(', ');
  const names = namesOf(control);
  // The common component, which a caution advises to hold constant.
  const shared = found.find(({ remedy }) => remedy?.kind === 'component-constant')?.remedy?.held ?? [];
  const held: readonly (OfferedOption & { option: Extract<WayChoice, { kind: 'held' }>['options'][number] })[] = [
    {
      key: 'nothing',
      label: 'nothing',
      inWords: 'nothing held constant',
      because: control.length === 0 ? IN_FORCE : null,
      option: { kind: 'nothing' },
    },
    ...(control.length > 0
      ? [
          {
            key: `controls:${control.join()}`,
            label: names,
            inWords: `${names} held constant`,
            because: IN_FORCE,
            option: { kind: 'controls' as const, ids: [...control] },
          },
        ]
      : []),
    ...(shared.length > 0 && control.length === 0
      ? [
          {
            key: `controls:${shared.join()}`,
            label: namesOf(shared),
            inWords: `${namesOf(shared)} held constant`,
            because: remedyOf(found, 'component-constant'),
            option: { kind: 'controls' as const, ids: [...shared] },
          },
        ]
      : []),
    ...groupings.map((variable) => ({
      key: `groups:${variable.id}`,
      label: displayName(variable),
      inWords: `${displayName(variable)} held constant`,
      because: variable.id === groupBy?.id ? within : null,
      option: { kind: 'groups' as const, by: variable.id },
    })),
  ];
  if (held.length < 2) return [];
  return [
    {
      key: 'held',
      title: 'held constant',
      choice: { kind: 'held', options: held.map(({ option }) => option) },
      options: held.map(({ option: _, ...rest }) => rest),
      own: control.length > 0 ? 1 : 0,
    },
  ];
}
