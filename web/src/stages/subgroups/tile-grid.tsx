import type { Variable } from '@ivlen/contract';
import { countMarks } from '@ivlen/core';
import { type KeyboardEvent, type ReactNode, useMemo, useRef, useState } from 'react';
import { moved, type Place } from '../../coefficients/use-grid-keys';
import { useCoefficientScale } from '../../figures/use-coefficient-scale';
import { type ComparedPair, pairId, pairName } from '../../groups/compared-pairs';
import { coefficientText } from '../../numbers/number-text';
import { displayName } from '../../study/variable-name';

export interface Tile {
  /** From −1 to 1, which gives its colour. */
  readonly value: number;
  /** What is written on it; the value, where nothing is said. */
  readonly text?: string;
  readonly p: number | null;
  readonly levels: readonly number[];
  /** Drawn around it, with what it says. */
  readonly outline?: string;
}

interface TileGridProps {
  readonly label: string;
  readonly variables: readonly Variable[];
  readonly pairs: readonly ComparedPair[];
  readonly tileOf: (pair: ComparedPair) => Tile | null;
  /** What the other half says of a pair. */
  readonly above?: (pair: ComparedPair) => ReactNode;
  /** Id of the pair that is marked. */
  readonly lit: string | null;
  readonly onHover: (pair: ComparedPair | null) => void;
  readonly onOpen: (pair: ComparedPair) => void;
  readonly size: TileSize;
}

interface TileSize {
  readonly tile: number;
  readonly height: number;
  readonly names: number;
  readonly text: boolean;
}

/** Tiles narrower than this have their marks under the number; columns narrower than that are numbered. */
const [NARROW, NAMED_FROM] = [52, 50];
const [LEAST_WITH_TEXT, MOST_WITH_TEXT] = [32, 56];

/** Sizes of tiles by how many variables there are: two grids stand beside each other, with numbers where there is room for them. */
export function tileSize(count: number, width: number): TileSize {
  const columns = Math.max(1, count - 1);
  const room = Math.floor(((width - 24) / 2 - 100) / columns) - 1;
  const tile = Math.min(MOST_WITH_TEXT, room);
  if (tile >= LEAST_WITH_TEXT) return { tile, height: tile < 44 ? 28 : 32, names: 100, text: true };
  const small = count <= 20 ? 20 : 12;
  return { tile: small, height: small, names: 96, text: false };
}

/** The size where there is one grid alone. */
export function largeTileSize(count: number): TileSize {
  return count <= 12 ? { tile: 66, height: 40, names: 120, text: true } : { tile: 46, height: 30, names: 120, text: true };
}

/** A triangle of coloured tiles, one for each pair; the pair that is marked is outlined. */
export function TileGrid(props: TileGridProps) {
  const { label, variables, pairs, tileOf, above, lit, onHover, onOpen, size } = props;
  const scale = useCoefficientScale();
  const { tile, height, names: nameWidth, text } = size;
  const byKey = useMemo(
    () => new Map(pairs.flatMap((pair) => [[key(pair.x, pair.y), pair] as const, [key(pair.y, pair.x), pair] as const])),
    [pairs],
  );
  const grid = useRef<HTMLDivElement>(null);
  const [active, setActive] = useState<Place>({ i: 1, j: 0 });
  const onKeyDown = (event: KeyboardEvent) => {
    const next = moved(event.key, event.ctrlKey || event.metaKey, active, variables.length);
    // Only below the diagonal are there tiles to stand on.
    if (!next || next.j < 0 || next.i <= next.j) return;
    event.preventDefault();
    setActive(next);
    grid.current?.querySelector<HTMLElement>(`[data-cell="${variables[next.i]?.id}.${variables[next.j]?.id}"]`)?.focus();
  };
  // Names over narrow columns would be cut off to nothing.
  const numbered = tile < NAMED_FROM;
  const names = above ? variables : variables.slice(0, -1);
  return (
    <div
      ref={grid}
      role="grid"
      aria-label={label}
      tabIndex={-1}
      className="numerals grid w-fit gap-px"
      style={{ gridTemplateColumns: `minmax(0,${nameWidth}px) repeat(${names.length}, ${tile}px)` }}
      onKeyDown={onKeyDown}
      onPointerLeave={() => onHover(null)}
    >
      <div role="row" className="contents">
        <span role="columnheader" />
        {names.map((variable, j) => (
          <span
            key={variable.id}
            role="columnheader"
            title={displayName(variable)}
            className="self-end truncate pb-0.5 text-center text-[11px] text-muted"
            style={{ maxWidth: tile }}
          >
            {numbered ? j + 1 : displayName(variable)}
          </span>
        ))}
      </div>
      {variables.map((row, i) => {
        if (i === 0 && !above) return null;
        return (
          <div key={row.id} role="row" className="contents">
            <span
              role="rowheader"
              title={displayName(row)}
              className="truncate pr-1.5 text-right text-[12px] leading-none"
              style={{ lineHeight: `${height}px` }}
            >
              {numbered ? `${displayName(row)} ${i + 1}` : displayName(row)}
            </span>
            {names.map((column, j) => {
              const pair = i === j ? undefined : byKey.get(key(row, column));
              if (!pair || (i < j && !above)) return <span key={column.id} role="gridcell" />;
              if (i < j) {
                return (
                  <span
                    key={column.id}
                    role="gridcell"
                    className={`flex items-center justify-center bg-surface text-[11px] ${lit === pairId(pair) ? 'relative z-10 outline-2 outline-accent' : ''}`}
                    style={{ height }}
                  >
                    {above?.(pair)}
                  </span>
                );
              }
              const found = tileOf(pair);
              const colours = found ? scale(found.value) : null;
              const marks = found ? '*'.repeat(countMarks(found.p ?? Number.NaN, found.levels)) : '';
              return (
                <button
                  key={column.id}
                  type="button"
                  role="gridcell"
                  data-cell={`${row.id}.${column.id}`}
                  data-lit={lit === pairId(pair) ? '' : undefined}
                  tabIndex={active.i === i && active.j === j ? 0 : -1}
                  aria-label={`${pairName(pair)}: ${found ? `${writtenOn(found)}${marks}` : 'no coefficient'}${found?.outline ? `, ${found.outline}` : ''}`}
                  className={`relative flex items-center justify-center text-[12px] ${lit === pairId(pair) ? 'z-10 outline-2 outline-accent' : found?.outline ? 'outline-2 -outline-offset-2 outline-ink' : ''}`}
                  style={{ height, background: colours?.background ?? 'var(--rule)', color: colours?.text ?? 'var(--muted)' }}
                  onPointerEnter={() => onHover(pair)}
                  onFocus={() => {
                    setActive({ i, j });
                    onHover(pair);
                  }}
                  onClick={() => onOpen(pair)}
                >
                  {text ? found ? <TileText text={writtenOn(found)} marks={marks} narrow={tile < NARROW} /> : '–' : marks && <Dot />}
                </button>
              );
            })}
          </div>
        );
      })}
    </div>
  );
}

function writtenOn({ text, value }: Tile): string {
  return text ?? coefficientText(value);
}

/** Marks stand beside the number without moving it, or under it where there is no room beside. */
function TileText({ text, marks, narrow }: { text: string; marks: string; narrow: boolean }) {
  if (narrow) {
    return (
      <span className="flex flex-col items-center text-[11px] leading-none">
        {text}
        <span className="h-1.5 leading-[9px]">{marks}</span>
      </span>
    );
  }
  return (
    <span className="relative">
      {text}
      <span className="absolute top-0 left-full text-[11px]">{marks}</span>
    </span>
  );
}

function Dot() {
  return <span className="size-1 rounded-full bg-current" />;
}

function key(a: Variable, b: Variable): string {
  return `${a.id} ${b.id}`;
}
