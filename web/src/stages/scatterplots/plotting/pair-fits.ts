import { concentrationEllipse, createRanker, describe, fittedLine, linearity, lineBand, lowess, pearson } from '@ivlen/core';
import { NO_GROUP } from '../../../figures/group-styles';
import type { PlotData } from './plot-data';

/** What is laid over the points of a panel, in the units of its axes: values, or ranks. */
export interface PairFit {
  /** The group it is of; null for all rows. */
  readonly group: number | null;
  readonly line: { readonly slope: number; readonly intercept: number; readonly from: number; readonly to: number } | null;
  readonly band: readonly { readonly x: number; readonly low: number; readonly high: number }[];
  readonly curve: readonly { readonly x: number; readonly y: number }[];
  readonly ellipse: readonly { readonly x: number; readonly y: number }[];
}

export interface FitRequest {
  readonly x: string;
  readonly y: string;
  readonly scale: 'values' | 'ranks';
  readonly line: boolean;
  readonly curve: boolean;
  readonly ellipse: boolean;
  readonly share: number;
  /** Confidence level of the band. */
  readonly level: number;
  /** Groups that each have their own; none for one over all rows. */
  readonly groups: readonly number[];
}

/** More rows than this are thinned evenly before a smooth curve is drawn through them. */
export const MOST_SMOOTHED = 20_000;
const CURVE_POINTS = 80;
const BAND_POINTS = 24;
const FEWEST = 3;

/** Line, curve and ellipse of a pair, of all rows or of each group. */
export function pairFits(data: PlotData, request: FitRequest): PairFit[] {
  const [xs, ys] = [data.columns.get(request.x), data.columns.get(request.y)];
  if (!xs || !ys) throw new Error(`the columns of ${request.x} and ${request.y} are not there`);
  const ranked = request.scale === 'ranks';
  const [x, y] = ranked ? [createRanker(xs)(ys), createRanker(ys)(xs)] : [xs, ys];
  const { groups } = data;
  if (request.groups.length === 0 || !groups) return [fitOf(x, y, null, request)];
  return request.groups.map((group) => {
    const of = (values: Float64Array) => values.filter((_, place) => (groups[place] ?? NO_GROUP) === group);
    return fitOf(of(x), of(y), group, request);
  });
}

/** Whether a pair bends even in ranks, as the caution of curved pairs has it: then it is not monotonic. */
export function isCurvedInRanks({ columns }: PlotData, x: string, y: string): boolean {
  const [xs, ys] = [columns.get(x), columns.get(y)];
  if (!xs || !ys) throw new Error(`the columns of ${x} and ${y} are not there`);
  return linearity(createRanker(xs)(ys), createRanker(ys)(xs)).curved;
}

function fitOf(xs: Float64Array, ys: Float64Array, group: number | null, request: FitRequest): PairFit {
  const places = [...xs.keys()].filter((place) => xs[place] === xs[place] && ys[place] === ys[place]);
  const x = Float64Array.from(places, (place) => xs[place] as number);
  const y = Float64Array.from(places, (place) => ys[place] as number);
  const few = x.length < FEWEST;
  const sorted = x.slice().sort();
  const [from, to] = [sorted[0] ?? 0, sorted.at(-1) ?? 0];
  const { slope, intercept } = fittedLine(x, y);
  const drawn = request.line && !few && Number.isFinite(slope);
  return {
    group,
    line: drawn ? { slope, intercept, from, to } : null,
    band: drawn && request.scale === 'values' ? lineBand(x, y, evenly(from, to, BAND_POINTS), { level: request.level }) : [],
    curve: request.curve && !few && to > from ? curveOf(x, y) : [],
    // Ranks are spread evenly: no ellipse says anything of them.
    ellipse: request.ellipse && !few && request.scale === 'values' ? ellipseOf(x, y, request.share) : [],
  };
}

function evenly(from: number, to: number, points: number): number[] {
  return Array.from({ length: points }, (_, i) => from + ((to - from) * i) / (points - 1));
}

function curveOf(x: Float64Array, y: Float64Array): { x: number; y: number }[] {
  const step = Math.ceil(x.length / MOST_SMOOTHED);
  const thinned = (values: Float64Array) => (step > 1 ? values.filter((_, i) => i % step === 0) : values);
  const smooth = lowess(thinned(x), thinned(y));
  const last = smooth.x.length - 1;
  const chosen = new Set(Array.from({ length: CURVE_POINTS }, (_, i) => Math.round((last * i) / (CURVE_POINTS - 1))));
  return [...chosen].map((i) => ({ x: smooth.x[i] ?? 0, y: smooth.fitted[i] ?? 0 }));
}

function ellipseOf(x: Float64Array, y: Float64Array, share: number): { x: number; y: number }[] {
  const [a, b] = [describe(x), describe(y)];
  const moments = { meanX: a.mean, meanY: b.mean, sdX: a.sd, sdY: b.sd, r: pearson(x, y).coefficient };
  const outline = concentrationEllipse(moments, share);
  return outline ? Array.from(outline.x, (at, i) => ({ x: at, y: outline.y[i] ?? 0 })) : [];
}
