import { createRanker, type Ranker } from '@ivlen/core';
import { PADDING } from '../../../figures/padding';
import type { PanelSpec, PlotData, PlotLook } from './plot-data';

/** Where each place's point lies in a panel, in pixels of the page from its upper left corner; NaN in either where it has none. */
export interface Positions {
  readonly x: Float32Array;
  readonly y: Float32Array;
  /** Rows complete for both variables, drawn or not. */
  readonly n: number;
  /** Places whose values lie beyond an axis; they are put at its end. */
  readonly beyond: Uint32Array;
}

type Side = 'x' | 'y';

/** Finds where points lie. What panels of one row or column have in common is computed once. */
export function createPositioner(data: PlotData, look: PlotLook): (spec: PanelSpec) => Positions {
  const known = <T>(made: Map<string, T>, key: string, make: () => T): T => {
    const found = made.get(key) ?? make();
    made.set(key, found);
    return found;
  };
  const rankers = new Map<string, Ranker>();
  const complete = new Map<string, boolean>();
  const counts = new Map<string, number>();
  const pixels = new Map<string, Float32Array>();
  const outside = new Map<string, Uint32Array>();
  const hidden = new Set(look.hidden);

  const columnOf = (id: string): Float64Array => {
    const column = data.columns.get(id);
    if (!column) throw new Error(`the column ${id} is not there`);
    return column;
  };
  const isComplete = (id: string) => known(complete, id, () => columnOf(id).every((value) => value === value));
  const ranksOf = (id: string, partner?: Float64Array) => known(rankers, id, () => createRanker(columnOf(id)))(partner);
  const ends = (side: Side, { width, height }: PanelSpec) =>
    side === 'x' ? ([PADDING, width - PADDING] as const) : ([height - PADDING, PADDING] as const);

  const placed = (values: Float64Array, domain: readonly [number, number], side: Side, spec: PanelSpec, jitter: number) => {
    const [from, to] = ends(side, spec);
    const { at } = axisOf(domain, from, to);
    const placed = new Float32Array(values.length);
    for (let place = 0; place < values.length; place++) {
      const value = values[place] as number;
      placed[place] = at(jitter > 0 ? value + jitter * shift(data.rows[place] as number, side === 'x' ? 1 : 2) : value);
      if (data.groups !== null && hidden.has(data.groups[place] as number)) placed[place] = Number.NaN;
    }
    return placed;
  };
  const valuePixels = (id: string, side: Side, spec: PanelSpec) =>
    known(pixels, `v.${side}.${id}.${ends(side, spec)}`, () =>
      placed(columnOf(id), look.domains.get(id) ?? [0, 1], side, spec, look.jitter.get(id) ?? 0),
    );
  const beyondOf = (id: string) =>
    known(outside, id, () => {
      const [low, high] = look.domains.get(id) ?? [0, 1];
      const column = columnOf(id);
      const beyond: number[] = [];
      for (let place = 0; place < column.length; place++) {
        const value = column[place] as number;
        if (value < low || value > high) beyond.push(place);
      }
      return Uint32Array.from(beyond);
    });
  const rankPixels = (spec: PanelSpec, id: string, side: Side, partner: string, n: number) => {
    const make = (column?: Float64Array) => placed(ranksOf(id, column), [1, n], side, spec, 0);
    // Where nothing is missing, the ranks are the same whoever the partner is.
    if (n === data.rows.length) return known(pixels, `r.${side}.${id}.${ends(side, spec)}`, () => make());
    return make(columnOf(partner));
  };
  const countOf = (a: string, b: string) =>
    known(counts, a < b ? `${a} ${b}` : `${b} ${a}`, () => {
      if (isComplete(a) && isComplete(b)) return data.rows.length;
      const [xs, ys] = [columnOf(a), columnOf(b)];
      let n = 0;
      for (let place = 0; place < xs.length; place++) if (xs[place] === xs[place] && ys[place] === ys[place]) n++;
      return n;
    });

  return (spec) => {
    const n = countOf(spec.x, spec.y);
    if (spec.scale === 'ranks') {
      return {
        x: rankPixels(spec, spec.x, 'x', spec.y, n),
        y: rankPixels(spec, spec.y, 'y', spec.x, n),
        n,
        beyond: new Uint32Array(),
      };
    }
    const [x, y] = [valuePixels(spec.x, 'x', spec), valuePixels(spec.y, 'y', spec)];
    const beyond = new Set([...beyondOf(spec.x), ...beyondOf(spec.y)]);
    return { x, y, n, beyond: Uint32Array.from(beyond) };
  };
}

/** A linear axis from one pixel to another; values beyond its ends stand a little outside them, at the frame. */
export function axisOf([low, high]: readonly [number, number], from: number, to: number) {
  const scale = high > low ? (to - from) / (high - low) : 0;
  const least = Math.min(from, to) - PADDING / 2;
  const most = Math.max(from, to) + PADDING / 2;
  const middle = (from + to) / 2;
  return {
    at: (value: number) => (scale === 0 ? middle + 0 * value : Math.max(least, Math.min(most, from + (value - low) * scale))),
  };
}

/** Between −1 and 1, the same for a row whenever it is drawn (Wang's integer hash). */
export function shift(row: number, axis: number): number {
  let hash = (row * 2 + axis) | 0;
  hash = (hash ^ 61 ^ (hash >>> 16)) | 0;
  hash = (hash + (hash << 3)) | 0;
  hash ^= hash >>> 4;
  hash = Math.imul(hash, 0x27d4eb2d);
  hash ^= hash >>> 15;
  return (hash >>> 0) / 2_147_483_648 - 1;
}
