import { useQuery } from '@tanstack/react-query';
import { type Remote, wrap } from 'comlink';
import type { PairContext } from './pair-request';
import { usePairPoints } from './use-pair-points';
import type { Computing } from './without.worker';

let computing: Remote<Computing> | null = null;

/** Made when it is first needed, and kept. */
function worker(): Remote<Computing> {
  computing ??= wrap<Computing>(new Worker(new URL('./without.worker.ts', import.meta.url), { type: 'module' }));
  return computing;
}

/** The pair with and without some rows, computed beside the page so that it follows the hand. @param rows numbers from 1 */
export function useWithout({ study, pair, completeFor, settings: { alternative } }: PairContext, rows: readonly number[]) {
  const { points } = usePairPoints(study, pair, completeFor);
  const { data } = useQuery({
    queryKey: ['without', study.id, study.head, pair.x.id, pair.y.id, completeFor, rows, alternative],
    queryFn: () => {
      if (!points) throw new Error('the points are not there yet');
      const left = new Set(rows.map((row) => row - 1));
      const without = new Set([...points.rows.keys()].filter((place) => left.has(points.rows[place] ?? -1)));
      const pick = (values: Float64Array) => Float64Array.from(points.rows, (row) => values[row] ?? Number.NaN);
      return worker().withAndWithout(pick(points.x), pick(points.y), without, alternative);
    },
    enabled: points !== null,
    staleTime: Number.POSITIVE_INFINITY,
  });
  return data;
}
