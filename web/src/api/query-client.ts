import { QueryClient } from '@tanstack/react-query';
import { isOutage } from './client';

const RETRY_AFTER_MS = 1500;

export function createQueryClient(): QueryClient {
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
