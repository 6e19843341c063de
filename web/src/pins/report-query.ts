import { reportSchema } from '@ivlen/contract';
import { queryOptions } from '@tanstack/react-query';
import { request } from '../api/client';

/** What is pinned and written for the report of a study. */
export const reportQuery = (study: string) =>
  queryOptions({
    queryKey: ['report', study],
    queryFn: ({ signal }) => request(`/studies/${study}/report`, reportSchema, { signal }),
  });
