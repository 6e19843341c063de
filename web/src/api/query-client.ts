import { notifyManager, QueryClient } from '@tanstack/react-query';
import { isOutage } from './client';

const RETRY_AFTER_MS = 1500;

export function createQueryClient(): QueryClient {
  // Before the next paint rather than after it: a tick box must not jump back for a moment.
  notifyManager.setScheduler(queueMicrotask);
  return new QueryClient({
    defaultOptions: {
      queries: {
        // Outages pass: what is on screen stays, and the question is asked again until it is answered.
        retry: (_count, error) => isOutage(error),
        retryDelay: RETRY_AFTER_MS,
        networkMode: 'always',
      },
      mutations: { networkMode: 'always' },
    },
  });
}
