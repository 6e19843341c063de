import { type PointerEvent, type RefObject, useCallback, useMemo, useRef, useState } from 'react';
import type { Picture } from '../plotting/picture';
import type { PanelSpec, PlotLook } from '../plotting/plot-data';
import type { Combining, Outline } from '../plotting/plotter';
import type { PlottingClient } from '../plotting/plotting-client';
import type { Sheet } from '../plotting/sheet';
import { createStore } from './store';

export type BrushShape = 'rectangle' | 'lasso';

/** Rows that are lit. */
export interface Selection {
  /** A byte for each place of the data. */
  readonly mask: Uint8Array;
  readonly count: number;
  /** The pair that was brushed last. */
  readonly x: string;
  readonly y: string;
}

interface BrushOptions {
  readonly client: PlottingClient | null;
  readonly look: PlotLook | null;
  /** The panels in view, which follow the hand. */
  readonly sheet: Sheet;
  readonly shape: BrushShape;
  readonly combining: Combining;
  readonly put: (picture: Picture, mask: Uint8Array | null) => void;
  readonly onPress: (spec: PanelSpec) => void;
  readonly selection: Selection | null;
  readonly onSelect: (selection: Selection) => void;
  /** Told while the brush moves, and until its last step is drawn. */
  readonly moving: RefObject<boolean>;
}

interface Stroke {
  readonly spec: PanelSpec;
  readonly from: readonly [number, number];
  readonly before: Selection | null;
  readonly combining: Combining;
  points: [number, number][];
  moved: boolean;
}

/** What is drawn of the brush while it moves. */
export interface BrushTrace {
  readonly panel: string;
  readonly outline: Outline;
}

/** A pointer that moves less than this presses, and does not brush. */
const SLACK = 4;
const LASSO_STEP = 3;
const TOLD_EVERY = 90;

/** Brushing in a panel: a step is asked for when the one before is there, so that the drawing follows the hand as fast as it can. */
export function useBrush(options: BrushOptions) {
  const [trace] = useState(() => createStore<BrushTrace | null>(null));
  const told = useRef(0);
  const stroke = useRef<Stroke | null>(null);
  const last = useRef<Stroke | null>(null);
  const { moving } = options;
  const busy = useRef(false);
  const again = useRef(false);
  const latest = useRef(options);
  latest.current = options;

  /** Lights the rows inside an outline; what comes after it is asked for once it is there. */
  const light = useCallback(async (spec: PanelSpec, outline: Outline, before: Selection | null, combining: Combining) => {
    const { client, look, sheet, put } = latest.current;
    if (!client || !look) return;
    const step = await client.drawing(look, sheet).brush(spec.id, outline, before?.mask ?? null, combining);
    if (!step || latest.current.client !== client) return;
    const { mask, count, picture } = step;
    if (latest.current.sheet === sheet) put(picture, mask);
    // The page is told less often than the panels are drawn: what it shows of the rows is read, not followed.
    const now = performance.now();
    if (stroke.current && now - told.current < TOLD_EVERY) return;
    told.current = now;
    latest.current.onSelect({ mask, count, x: spec.x, y: spec.y });
  }, []);

  const step = useCallback(async () => {
    const current = stroke.current ?? last.current;
    if (!current) return;
    if (busy.current) {
      again.current = true;
      return;
    }
    busy.current = true;
    try {
      await light(current.spec, outlineOf(current, latest.current.shape), current.before, current.combining);
    } finally {
      busy.current = false;
    }
    if (again.current) {
      again.current = false;
      void step();
    } else if (!stroke.current) moving.current = false;
  }, [light, moving]);

  const handlers = useMemo(() => {
    const at = (event: PointerEvent<Element>): [number, number] => {
      const box = event.currentTarget.getBoundingClientRect();
      return [event.clientX - box.left, event.clientY - box.top];
    };
    return {
      onPointerDown(event: PointerEvent<Element>, spec: PanelSpec) {
        if (event.button !== 0) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        const combining = event.shiftKey ? 'add' : event.altKey ? 'intersect' : latest.current.combining;
        const point = at(event);
        last.current = null;
        moving.current = true;
        stroke.current = { spec, from: point, before: latest.current.selection, combining, points: [point], moved: false };
      },
      onPointerMove(event: PointerEvent<Element>) {
        const current = stroke.current;
        if (!current) return;
        const point = at(event);
        const before = current.points.at(-1) ?? current.from;
        if (!current.moved && distance(current.from, point) < SLACK) return;
        current.moved = true;
        if (latest.current.shape === 'rectangle') current.points = [point];
        else if (distance(before, point) >= LASSO_STEP) current.points.push(point);
        trace.set({ panel: current.spec.id, outline: outlineOf(current, latest.current.shape) });
        void step();
      },
      onPointerUp() {
        const current = stroke.current;
        if (!current) return;
        stroke.current = null;
        moving.current = busy.current || current.moved;
        if (!current.moved) return latest.current.onPress(current.spec);
        // The last step is the one that stays.
        last.current = current;
        void step();
      },
      onPointerCancel() {
        stroke.current = null;
        moving.current = false;
      },
    };
  }, [step, trace, moving]);

  const forget = useCallback(() => {
    stroke.current = null;
    last.current = null;
    trace.set(null);
  }, [trace]);
  return { trace, handlers, forget };
}

function outlineOf({ from, points }: Pick<Stroke, 'from' | 'points'>, shape: BrushShape): Outline {
  const [x1, y1] = from;
  const [x2, y2] = points.at(-1) ?? from;
  if (shape === 'lasso') return points;
  return [
    [x1, y1],
    [x2, y1],
    [x2, y2],
    [x1, y2],
  ];
}

function distance([x1, y1]: readonly [number, number], [x2, y2]: readonly [number, number]): number {
  return Math.hypot(x1 - x2, y1 - y2);
}
