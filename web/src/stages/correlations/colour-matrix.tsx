import { countMarks } from '@ivlen/core';
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from 'react';
import { cellLines, decisiveP } from '../../coefficients/cell-data';
import type { Matrix } from '../../coefficients/matrix';
import { moved, type Place } from '../../coefficients/use-grid-keys';
import { useTheme } from '../../controls/theme';
import { useCoefficientScale } from '../../figures/use-coefficient-scale';
import { greatest, least } from '../../numbers/ends';
import { coefficientText } from '../../numbers/number-text';
import { displayName } from '../../study/variable-name';
import { CellReadout } from './cell-readout';
import type { CorrelationGridProps } from './correlation-grid';

type ColourMatrixProps = Pick<CorrelationGridProps, 'matrix' | 'settings' | 'selected' | 'onOpen'>;

const ROOM = { width: 900, height: 560 };
const [LEAST, MOST] = [5, 26];
/** Tiles at least this large have their names beside them. */
const NAMED_FROM = 10;
const NAMES = 120;

/** The matrix as colours alone, up to two hundred variables: coefficients below the diagonal, a dot above it where one is marked. */
export function ColourMatrix({ matrix, settings, selected, onOpen }: ColourMatrixProps) {
  const { variables } = matrix;
  const size = variables.length;
  const tile = Math.max(LEAST, Math.min(MOST, Math.floor(Math.min(ROOM.width, ROOM.height) / size)));
  const edge = tile * size;
  const canvas = useRef<HTMLCanvasElement>(null);
  const scale = useCoefficientScale();
  const { token } = useTheme();
  const [place, setPlace] = useState<Place | null>(null);
  const named = tile >= NAMED_FROM;

  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const ratio = window.devicePixelRatio || 1;
    context.canvas.width = edge * ratio;
    context.canvas.height = edge * ratio;
    context.scale(ratio, ratio);
    drawTiles(context, matrix, settings, tile, {
      colourOf: (value) => scale(value).background,
      ink: token('--ink'),
      rule: token('--rule'),
    });
  }, [matrix, settings, tile, edge, scale, token]);

  const at = (event: PointerEvent): Place | null => {
    const box = event.currentTarget.getBoundingClientRect();
    const [j, i] = [event.clientX - box.left, event.clientY - box.top].map((offset) => Math.floor(offset / tile));
    return i !== undefined && j !== undefined && i >= 0 && j >= 0 && i < size && j < size ? { i, j } : null;
  };
  const open = ({ i, j }: Place) => {
    const [x, y] = [variables[Math.min(i, j)], variables[Math.max(i, j)]];
    if (i !== j && x && y) onOpen(x, y);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const current = place ?? { i: 1, j: 0 };
    const next = moved(event.key, event.ctrlKey || event.metaKey, current, size);
    if (next) setPlace(next);
    else if (event.key === 'Enter') open(current);
    else return;
    event.preventDefault();
  };
  const [row, column] = place ? [variables[place.i], variables[place.j]] : [];
  const cell = row && column && row !== column ? matrix.cell(row, column) : null;
  const chosen = selected && [selected.x, selected.y].map(({ id }) => variables.findIndex((variable) => variable.id === id));
  const box = canvas.current?.getBoundingClientRect();
  return (
    <div className="numerals relative w-fit pt-1" style={named ? { paddingLeft: NAMES, paddingTop: NAMES } : {}}>
      {named &&
        variables.map((variable, i) => (
          <span key={variable.id} className={`text-[11px] leading-none ${place?.i === i ? 'font-semibold' : 'text-muted'}`}>
            <span className="absolute left-0 truncate pr-1.5 text-right" style={{ width: NAMES, top: NAMES + (i + 0.5) * tile - 6 }}>
              {displayName(variable)}
            </span>
            <span
              aria-hidden="true"
              className="absolute top-0 rotate-180 truncate pt-1.5 [writing-mode:vertical-rl]"
              style={{ height: NAMES, left: NAMES + (i + 0.5) * tile - 6 }}
            >
              {displayName(variable)}
            </span>
          </span>
        ))}
      <div
        role="application"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: arrow keys move over the tiles.
        tabIndex={0}
        aria-label={`Correlation matrix of ${size} variables as colours; arrow keys move, Enter opens the pair`}
        className="relative cursor-pointer"
        style={{ width: edge, height: edge }}
        onKeyDown={onKeyDown}
        onPointerMove={(event) => {
          const next = at(event);
          setPlace((before) => (before?.i === next?.i && before?.j === next?.j ? before : next));
        }}
        onPointerLeave={() => setPlace(null)}
        onClick={() => place && open(place)}
      >
        <canvas ref={canvas} style={{ width: edge, height: edge }} aria-hidden="true" />
        {[place, chosen && { i: greatest(chosen), j: least(chosen) }].map(
          (mark, k) =>
            mark && (
              <span
                key={k === 0 ? 'pointed' : 'selected'}
                aria-hidden="true"
                className={`absolute outline-2 ${k === 0 ? 'outline-ink' : 'outline-accent'}`}
                style={{ left: mark.j * tile, top: mark.i * tile, width: tile, height: tile }}
              />
            ),
        )}
        <span className="sr-only" aria-live="polite">
          {cell ? `${displayName(cell.row)} and ${displayName(cell.column)}: ${cellLines(cell, settings).join('; ')}` : ''}
        </span>
      </div>
      {cell && place && box && (
        <CellReadout
          cell={cell}
          settings={settings}
          place={{ left: box.left + place.j * tile, top: box.top + place.i * tile, bottom: box.top + (place.i + 1) * tile }}
        />
      )}
    </div>
  );
}

interface Colours {
  readonly colourOf: (coefficient: number) => string;
  readonly ink: string;
  readonly rule: string;
}

function drawTiles(
  context: CanvasRenderingContext2D,
  matrix: Matrix,
  settings: ColourMatrixProps['settings'],
  tile: number,
  colours: Colours,
) {
  const { variables } = matrix;
  const gap = tile >= 8 ? 1 : 0;
  const memo = new Map<string, string>();
  const colourOf = (value: number) => {
    // Two decimals tell colours apart as far as an eye can.
    const key = coefficientText(value);
    const found = memo.get(key) ?? colours.colourOf(value);
    memo.set(key, found);
    return found;
  };
  variables.forEach((row, i) => {
    context.globalAlpha = 1;
    context.fillStyle = colours.rule;
    context.fillRect(i * tile, i * tile, tile - gap, tile - gap);
    variables.slice(0, i).forEach((column, j) => {
      const cell = matrix.cell(row, column);
      const faded = settings.dim && settings.strength !== null && Math.abs(cell.coefficient) < settings.strength;
      context.globalAlpha = faded ? 0.25 : 1;
      context.fillStyle = Number.isNaN(cell.coefficient) ? colours.rule : colourOf(cell.coefficient);
      context.fillRect(j * tile, i * tile, tile - gap, tile - gap);
      if (countMarks(decisiveP(cell), settings.levels) === 0) return;
      const dot = Math.max(1, tile / 5);
      context.fillStyle = colours.ink;
      context.fillRect(i * tile + (tile - dot) / 2, j * tile + (tile - dot) / 2, dot, dot);
    });
  });
}
