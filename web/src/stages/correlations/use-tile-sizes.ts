import type { CorrelationSettings, Variable } from '@ivlen/contract';
import { type RefObject, useEffect, useState } from 'react';
import { greatest } from '../../numbers/ends';
import { decimalsInUse } from '../../numbers/number-text';
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

interface Room {
  readonly width: number;
  readonly height: number;
}

type Look = Pick<CorrelationSettings, 'size' | 'descriptives' | 'under'>;

/** About the widths, in pixels, of a letter in a row's name and over a column, and of means and SDs. */
const [ROW_LETTER, COLUMN_LETTER, DESCRIPTIVES] = [7.4, 5.2, 190];
const NAMES = { narrowest: 84, widest: 176 };
const WIDEST = { comfortable: 132, compact: 44, colour: 44 };
/** What a tile with a second line needs, and what another decimal does. */
const [NARROWEST_FOR, LOWEST_WITH_LINE, DECIMAL] = [{ nothing: 0, n: 52, interval: 84 }, 46, 8];
/** Of its width, a tile's height at the most; and what stands over and under the grid. */
const [STEEPEST, AROUND] = [0.5, 330];

/** Tiles as large as fit the screen, within what can be read; a dozen variables fit a laptop's. */
export function useTileSizes(grid: RefObject<HTMLElement | null>, variables: readonly Variable[], look: Look): TileSizes {
  return tileSizes(useRoom(grid), variables.map(displayName), look, decimalsInUse().coefficients);
}

/** @param names of the variables @param decimals of the coefficients */
export function tileSizes(room: Room, names: readonly string[], { size, descriptives, under }: Look, decimals = 2): TileSizes {
  const count = names.length;
  const compact = size === 'compact';
  const words = names.map(longestWord);
  const whole = Math.max(0, greatest(names.map((name) => name.length)));
  // A name of two words takes two lines where tiles are high enough.
  const letters = compact ? whole : Math.max(Math.ceil(whole / 2) + 1, ...words);
  const nameWidth = Math.round(Math.min(NAMES.widest, Math.max(NAMES.narrowest, letters * ROW_LETTER + 12)));
  const more = DECIMAL * (decimals - 2);
  const narrowest = compact
    ? 34 + more
    : Math.max(NARROWEST_FOR[under] + (under === 'interval' ? 2 : 1) * more, (count > 16 ? 48 : 52) + more);
  const fitting = Math.floor((room.width - nameWidth - GAP - (descriptives ? DESCRIPTIVES : 0)) / Math.max(1, count)) - GAP;
  const tile = Math.max(narrowest, Math.min(WIDEST[size], fitting));
  const lowest = under === 'nothing' ? tileHeight(count) : Math.max(LOWEST_WITH_LINE, tileHeight(count));
  const inHeight = Math.floor((room.height - AROUND) / Math.max(1, count)) - GAP;
  return {
    tile,
    height: compact ? 24 : Math.max(lowest, Math.min(Math.round(tile * STEEPEST), inHeight)),
    names: nameWidth,
    upright: !compact && words.every((length) => length * COLUMN_LETTER <= tile),
  };
}

/** The width that the grid has within what it scrolls in, and the height of the window. */
function useRoom(grid: RefObject<HTMLElement | null>): Room {
  const [room, setRoom] = useState<Room>({ width: 0, height: 0 });
  useEffect(() => {
    const scroller = grid.current?.closest<HTMLElement>('[data-scrolls]');
    if (!scroller) return;
    const measure = () => {
      const { paddingLeft, paddingRight } = getComputedStyle(scroller);
      const width = scroller.clientWidth - Number.parseFloat(paddingLeft) - Number.parseFloat(paddingRight);
      setRoom((before) =>
        before.width === width && before.height === window.innerHeight ? before : { width, height: window.innerHeight },
      );
    };
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(scroller);
    return () => observer.disconnect();
  }, [grid]);
  return room;
}

function longestWord(name: string): number {
  return greatest(name.split(' ').map((word) => word.length));
}

/** Tiles get lower as variables get more, so that a dozen fit a laptop's screen. */
function tileHeight(size: number): number {
  if (size <= 7) return 54;
  if (size <= 9) return 48;
  return size <= 12 ? 39 : 32;
}
