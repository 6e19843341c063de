import { groupToken } from './group-styles';

const NAMES = ['ink', 'muted', 'rule', 'edge', 'accent', 'surface', 'paper', 'caution', 'positive', 'bar'] as const;

/** Colours of a figure, as SVG has them: tokens on screen, plain colours in a file. */
export type Palette = Readonly<Record<(typeof NAMES)[number], string>> & {
  /** The colour of a group; that of all rows for null. */
  readonly group: (group: number | null) => string;
};

export function paletteOf(token: (name: `--${string}`) => string): Palette {
  const colours = Object.fromEntries(NAMES.map((name) => [name, token(`--${name}`)])) as Record<(typeof NAMES)[number], string>;
  return { ...colours, group: (group) => token(group === null ? '--accent' : groupToken(group)) };
}

export const SCREEN = paletteOf((name) => `var(${name})`);
