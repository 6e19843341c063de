import css from '../../styles/tokens.css?raw';
import { type Palette, paletteOf } from '../palette';

const [day = ''] = css.split('[data-theme="night"]');
const GREY = { '--ink': 'black', '--accent': 'black', '--positive': 'dimgray', '--caution': 'black', '--muted': 'black' } as const;

/** A token's colour by day, whatever the theme on screen: figures are for paper. */
export function dayToken(name: `--${string}`): string {
  return new RegExp(`${name}: (#[0-9a-f]{6})`).exec(day)?.[1] ?? 'black';
}

/** Colours of a figure in a file; without colour, groups are told apart by their shapes alone. */
export function filePalette(colour: boolean): Palette {
  const paper = { '--paper': 'white', '--surface': 'white' } as Record<string, string>;
  const grey = GREY as Record<string, string>;
  return paletteOf(
    (name) => paper[name] ?? (colour ? dayToken(name) : (grey[name] ?? (name.startsWith('--group') ? 'black' : dayToken(name)))),
  );
}
