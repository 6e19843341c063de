import { mergeModeSchema } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { studyQuery } from '../api/queries';

/** The study that the file goes into, if it does not become one of its own; undefined while it is opened. */
export function useDestination() {
  const [params] = useSearchParams();
  const into = params.get('into');
  const { data: study } = useQuery({ ...studyQuery(into ?? ''), enabled: into !== null });
  if (into === null) return null;
  return study && { study, mode: mergeModeSchema.catch('add').parse(params.get('mode')) };
}

export type Destination = NonNullable<ReturnType<typeof useDestination>>;
