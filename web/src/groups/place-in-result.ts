import type { ComparedGroup } from '@ivlen/contract';
import type { ShownGroup } from './compared-pairs';

/** Where a group stands among those of a result; −1 where it does not. */
export function placeInResult(
  { groups }: { readonly groups: readonly ComparedGroup[] },
  group: Pick<ShownGroup, 'is' | 'value'> | undefined,
): number {
  return groups.findIndex(({ is, value }) => is === group?.is && value === group?.value);
}
