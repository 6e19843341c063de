import { pinSchema } from '@ivlen/contract';
import { queryOptions } from '@tanstack/react-query';
import { z } from 'zod';
import { request } from '../api/client';

export const pinsQuery = (study: string) =>
  queryOptions({
    queryKey: ['pins', study],
    queryFn: ({ signal }) => request(`/studies/${study}/pins`, z.array(pinSchema), { signal }),
  });
