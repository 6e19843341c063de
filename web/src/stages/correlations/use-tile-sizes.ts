import type { CorrelationSettings, Variable } from '@ivlen/contract';
import { type RefObject, useEffect, useState } from 'react';
import { displayName } from '../../study/variable-name';

/** Pixels between tiles. */
export const GAP = 2;

interface TileSizes {
  readonly tile: number;
  readonly height: number;
  /** Width of the column of names. */
  readonly names: number;
  /** Whether the names over the columns stand upright. */
  readonly upright: boolean;
}

/** About the widths, in pixels, of a letter in a row's name and over a column, and of means and SDs. */
const [ROW_LETTER, COLUMN_LETTER, DESCRIPTIVES] = [7.4, 5.2, 150];
const NAMES = { narrowest: 84, widest: 176 };
const WIDEST = { comfortable: 80, compact: 44, colour: 44 };

/** Tiles as large as fit the screen, within what can be read; a dozen variables fit a laptop's. */
export function useTileSizes(
  grid: RefObject<HTMLElement | null>,
  variables: readonly Variable[],
  { size, descriptives }: Pick<CorrelationSettings, 'size' | 'descriptives'>,
): TileSizes {
  const room = useRoom(grid);
  const count = variables.length;
  const compact = size === 'compact';
  const words = variables.map((variable) => longestWord(displayName(variable)));
  const whole = Math.max(0, ...variables.map((variable) => displayName(variable).length));
  // A name of two words takes two lines where tiles are high enough.
  const letters = compact ? whole : Math.max(Math.ceil(whole / 2) + 1, ...words);
  const names = Math.round(Math.min(NAMES.widest, Math.max(NAMES.narrowest, letters * ROW_LETTER + 12)));
  const narrowest = compact ? 34 : count > 16 ? 48 : 52;
  const fitting = Math.floor((room - names - GAP - (descriptives ? DESCRIPTIVES : 0)) / Math.max(1, count)) - GAP;
  const tile = Math.max(narrowest, Math.min(WIDEST[size], fitting));
  return {
    tile,
    height: compact ? 24 : tileHeight(count),
    names,
    upright: !compact && words.every((length) => length * COLUMN_LETTER <= tile),
  };
}

/** The width that the grid has within what it scrolls in. */
function useRoom(grid: RefObject<HTMLElement | null>): number {
  const [room, setRoom] = useState(0);
  useEffect(() => {
    const scroller = grid.current?.closest<HTMLElement>('[data-scrolls]');
    if (!scroller) return;
    const measure = () => {
      const { paddingLeft, paddingRight } = getComputedStyle(scroller);
      setRoom(scroller.clientWidth - Number.parseFloat(paddingLeft) - Number.parseFloat(paddingRight));
    };
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(scroller);
    return () => observer.disconnect();
  }, [grid]);
  return room;
}

function longestWord(name: string): number {
  return Math.max(...name.split(' ').map((word) => word.length));
}

/** Tiles get lower as variables get more, so that a dozen fit a laptop's screen. */
function tileHeight(size: number): number {
  if (size <= 7) return 54;
  if (size <= 9) return 48;
  return size <= 12 ? 39 : 32;
}
