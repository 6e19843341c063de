import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { z } from 'zod';
import { isOutage, request } from '../api/client';

const LOOK_EVERY_MS = 15_000;
const LOOK_AGAIN_MS = 1_500;

/** Says when server or database are away, and has everything asked anew when they are back. */
export function OutageBand() {
  const client = useQueryClient();
  const { error } = useQuery({
    queryKey: ['health'],
    queryFn: ({ signal }) => request('/health', z.object({ status: z.literal('ok') }), { signal }),
    retry: false,
    refetchInterval: (query) => (query.state.status === 'error' ? LOOK_AGAIN_MS : LOOK_EVERY_MS),
  });
  const away = error !== null && isOutage(error);
  const wasAway = useRef(false);
  useEffect(() => {
    if (wasAway.current && !away) void client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'health' });
    wasAway.current = away;
  }, [away, client]);

  // Another question may notice an outage long before the next look.
  useEffect(
    () =>
      client.getQueryCache().subscribe(({ type, query }) => {
        if (type === 'updated' && query.queryKey[0] !== 'health' && isOutage(query.state.fetchFailureReason)) {
          void client.invalidateQueries({ queryKey: ['health'] });
        }
      }),
    [client],
  );

  if (!away || !(error instanceof Error)) return null;
  const hint = 'hint' in error && typeof error.hint === 'string' ? error.hint : '';
  return (
    <div role="alert" className="border-b border-caution bg-caution-soft px-4 py-2">
      <strong>{error.message}</strong> What is on screen is kept. {hint}
    </div>
  );
}
