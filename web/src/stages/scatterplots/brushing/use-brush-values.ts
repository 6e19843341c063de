import { METHOD_NAMES } from '@ivlen/core';
import { useMemo, useRef } from 'react';
import type { PlottingClient } from '../plotting/plotting-client';
import type { CoefficientRequest, CoefficientsByMethod, SomeTest } from '../plotting/some-rows';
import { useLatest } from '../use-latest';
import type { Selection } from './use-brush';

interface Asked {
  readonly client: PlottingClient;
  readonly selection: Selection;
  readonly coefficients: CoefficientRequest;
}

/** The brushed pair by one method, over all rows and without the lit ones. */
export interface WithAndWithout {
  readonly all: SomeTest;
  readonly without: SomeTest;
}

interface BrushValues {
  /** Of all pairs without the lit rows, by method; null where none are lit, undefined while they are computed. */
  readonly without: CoefficientsByMethod | null | undefined;
  /** By every method; null while it is computed. */
  readonly pair: readonly WithAndWithout[] | null;
}

const NONE: BrushValues = { without: null, pair: null };
/** Between two computings there is as much time for the drawing as the first took, up to so many milliseconds. */
const LONGEST_PAUSE = 250;

/** Coefficients with and without the lit rows; they follow the brush as fast as they can be computed. */
export function useBrushValues(client: PlottingClient | null, selection: Selection | null, coefficients: CoefficientRequest): BrushValues {
  const request = useMemo(
    () => (client && selection && selection.count > 0 ? { client, selection, coefficients } : null),
    [client, selection, coefficients],
  );
  const whole = useRef<{ key: string; tests: readonly SomeTest[] } | null>(null);
  const answer = useLatest(request, async (wanted: Asked): Promise<BrushValues> => {
    const start = performance.now();
    const { mask, x, y } = wanted.selection;
    const { computing, key } = wanted.client;
    const pair = { x, y, alternative: wanted.coefficients.alternative };
    const pairKey = [key, x, y, pair.alternative].join(' ');
    if (whole.current?.key !== pairKey) {
      whole.current = { key: pairKey, tests: await computing.pairWithout(new Uint8Array(mask.length), pair, METHOD_NAMES) };
    }
    const all = whole.current.tests;
    const left = await computing.pairWithout(mask, pair, METHOD_NAMES);
    const without = await computing.without(mask, wanted.coefficients);
    await new Promise((resolve) => setTimeout(resolve, Math.min(LONGEST_PAUSE, performance.now() - start)));
    return { without, pair: METHOD_NAMES.flatMap((_, k) => (all[k] && left[k] ? [{ all: all[k], without: left[k] }] : [])) };
  });
  if (request === null) return NONE;
  // What was computed for another selection a moment ago stays until the next is there.
  return answer?.result ?? { without: undefined, pair: null };
}
