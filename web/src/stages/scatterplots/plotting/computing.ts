import type { Method } from '@ivlen/core';
import { axisOfColumn } from './axes-of';
import { marginalOf } from './marginals';
import { type FitRequest, isCurvedInRanks, pairFits } from './pair-fits';
import type { PlotData } from './plot-data';
import { type CoefficientRequest, coefficientsByGroup, coefficientsWithout, type PairAsked, pairWithout } from './some-rows';

interface MarginalRequest {
  readonly variable: string;
  readonly domain: readonly [number, number];
}

/** What is computed beside the page, by the core, so that it follows the hand and does not hold up the drawing. */
export function createComputing() {
  let plotted: PlotData | null = null;

  function data(): PlotData {
    if (!plotted) throw new Error('the data have to be set first');
    return plotted;
  }
  return {
    setData: (next: PlotData) => {
      plotted = next;
    },
    axes: (variables: readonly string[]) => variables.map((id) => axisOfColumn(data().columns.get(id) ?? new Float64Array())),
    fits: (requests: readonly FitRequest[]) => requests.map((request) => pairFits(data(), request)),
    marginals: (wanted: readonly MarginalRequest[], groups: readonly number[]) =>
      wanted.map(({ variable, domain }) => marginalOf(data(), variable, groups, domain)),
    curvedRanks: (pairs: readonly { readonly x: string; readonly y: string }[]) => pairs.map(({ x, y }) => isCurvedInRanks(data(), x, y)),
    byGroup: (groups: readonly number[], request: CoefficientRequest) => coefficientsByGroup(data(), groups, request),
    without: (mask: Uint8Array, request: CoefficientRequest) => coefficientsWithout(data(), mask, request),
    pairWithout: (mask: Uint8Array, pair: PairAsked, methods: readonly Method[]) =>
      methods.map((method) => pairWithout(data(), mask, pair, method)),
  };
}
export type Computing = ReturnType<typeof createComputing>;
