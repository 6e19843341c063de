import { SHAPES, type Shape } from './marks/shapes';

/** Of a place without a group. */
export const NO_GROUP = 255;

const COLOURS = 5;
/** Colours and shapes go round at different lengths, so that no two groups have both alike. */
export const MOST_GROUPS = COLOURS * SHAPES.length;

/** The token of a group's colour. */
export function groupToken(group: number): `--${string}` {
  return group === NO_GROUP ? '--ink' : `--group-${(group % COLOURS) + 1}`;
}

export function groupShape(group: number): Shape {
  return group === NO_GROUP ? 'circle' : (SHAPES[group % SHAPES.length] ?? 'circle');
}

/** Every colour token, in the order of the groups. */
export const GROUP_TOKENS = Array.from({ length: MOST_GROUPS }, (_, group) => groupToken(group));
