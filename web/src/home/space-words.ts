import type { Space } from '@ivlen/contract';

const DATE = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long' });
const KILOBYTE = 1024;
const MEGABYTE = 1024 * KILOBYTE;

/** Bytes as people say them. */
export function bytesInWords(bytes: number): string {
  if (bytes < KILOBYTE) return `${bytes} bytes`;
  if (bytes < MEGABYTE) return `${Math.round(bytes / KILOBYTE)} kB`;
  const megabytes = bytes / MEGABYTE;
  return `${megabytes < 10 ? Math.round(megabytes * 10) / 10 : Math.round(megabytes).toLocaleString('en-GB')} MB`;
}

/** "6 studies, 48 MB" */
export function spaceInWords({ studies, bytes }: Pick<Space, 'studies' | 'bytes'>): string {
  return `${studies.toLocaleString('en-GB')} ${studies === 1 ? 'study' : 'studies'}, ${bytesInWords(bytes)}`;
}

/** "2 deleted ones, 12 MB, kept until 3 March" */
export function deletedInWords({ studies, bytes, firstGoes, lastGoes }: NonNullable<Space['deleted']>): string {
  const [first, last] = [firstGoes, lastGoes].map((day) => DATE.format(new Date(day)));
  const kept = first === last ? `kept until ${first}` : `kept until ${first} (the first) to ${last} (the last)`;
  return `${studies.toLocaleString('en-GB')} deleted ${studies === 1 ? 'one' : 'ones'}, ${bytesInWords(bytes)}, ${kept}`;
}
