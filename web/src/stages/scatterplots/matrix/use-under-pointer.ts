import { useCallback, useMemo, useState } from 'react';
import type { PanelSpec, PlotLook } from '../plotting/plot-data';
import type { PlottingClient } from '../plotting/plotting-client';
import type { Sheet } from '../plotting/sheet';
import { useLatest } from '../use-latest';

interface Pointed {
  readonly spec: PanelSpec;
  readonly at: readonly [number, number];
}

export interface UnderPointer {
  readonly spec: PanelSpec;
  /** The place of the nearest row; null for none. */
  readonly place: number | null;
  /** Rows in the bin; null where points are drawn. */
  readonly count: number | null;
  /** Where that row is, by panel. */
  readonly rings: ReadonlyMap<string, readonly [number, number]>;
}

const NO_RINGS: UnderPointer['rings'] = new Map();

/** The row, or the bin, under the pointer. */
export function useUnderPointer(client: PlottingClient | null, look: PlotLook | null, sheet: Sheet) {
  const [pointed, setPointed] = useState<Pointed | null>(null);
  const request = useMemo(() => (client && look && pointed ? { client, look, sheet, ...pointed } : null), [client, look, sheet, pointed]);
  const answer = useLatest(request, async (wanted): Promise<UnderPointer> => {
    const { place, count, where } = await wanted.client.drawing(wanted.look, wanted.sheet).under(wanted.spec.id, ...wanted.at);
    const rings = new Map(where.flatMap(([id, at]) => (at ? [[id, at] as const] : [])));
    return { spec: wanted.spec, place, count, rings };
  });
  const point = useCallback((next: Pointed | null) => setPointed(next), []);
  const isCurrent = answer !== null && pointed !== null && answer.request.spec === pointed.spec;
  return { under: isCurrent ? answer.result : null, rings: isCurrent ? answer.result.rings : NO_RINGS, point };
}
