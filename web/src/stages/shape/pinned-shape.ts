import type { ShapeSettings, Variable } from '@ivlen/contract';
import type { Pinned } from '../../pins/pin-button';

/** A part of the Shape stage as it is pinned. */
export function pinnedShape(
  variables: readonly Variable[],
  settings: ShapeSettings,
  view: string,
  title: string,
  more: Readonly<Record<string, unknown>> = {},
): Pinned {
  return {
    stage: 'shape',
    thing: 'table',
    title,
    request: null,
    settings: { ...settings, view, variables: variables.map(({ id }) => id), ...more },
  };
}
