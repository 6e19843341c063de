import type { Colour } from './picture';

/** What is plotted: the rows in use, one after the other; a place among them is not the row's number. */
export interface PlotData {
  /** Values by variable, one for each place; NaN is missing. */
  readonly columns: ReadonlyMap<string, Float64Array>;
  /** Number of each place's row, from 0. */
  readonly rows: Uint32Array;
  /** Group of each place, counted from 0; null where groups are not told apart. */
  readonly groups: Uint8Array | null;
}

/** One panel: two variables, as values or as ranks among the rows complete for both. */
export interface PanelSpec {
  readonly id: string;
  readonly x: string;
  readonly y: string;
  readonly scale: 'values' | 'ranks';
  readonly style: 'points' | 'bins';
  /** Of the plotting area, in pixels of the page. */
  readonly width: number;
  readonly height: number;
}

/** How panels look, the same for all. */
export interface PlotLook {
  /** Pixels of the picture for each of the page. */
  readonly ratio: number;
  readonly surface: Colour;
  readonly ink: Colour;
  /** Points that are not lit, while others are. */
  readonly faint: Colour;
  readonly lit: Colour;
  /** Points beyond the axis. */
  readonly beyond: Colour;
  /** Colours of the groups, in their order. */
  readonly groups: readonly Colour[];
  /** Groups that are not drawn. */
  readonly hidden: readonly number[];
  /** Smallest and largest value of each variable's axis. */
  readonly domains: ReadonlyMap<string, readonly [number, number]>;
  /** How far values are moved at most, in their own unit; by variable, none for those not named. */
  readonly jitter: ReadonlyMap<string, number>;
}

/** Radius in pixels of the page and opacity of a point: the more of them in the area, the smaller and fainter. */
export function pointLook(n: number, area: number, grouped: boolean): { radius: number; opacity: number } {
  const base = n <= 60 ? 2.6 : n <= 400 ? 2 : n <= 3000 ? 1.5 : 1.1;
  const radius = base * (area > 120_000 ? 1.6 : area > 30_000 ? 1.25 : 1) + (grouped && n <= 3000 ? 0.5 : 0);
  const covered = (n * Math.PI * radius ** 2) / Math.max(1, area);
  return { radius, opacity: Math.max(0.1, Math.min(grouped ? 0.85 : 0.7, 0.75 / (1 + 0.9 * covered))) };
}
