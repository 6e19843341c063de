import { Readable } from 'node:stream';
import type { ReadableStream } from 'node:stream/web';
import type { Context } from 'hono';

/** What a request sends, to be read as it comes. */
export type SentBody = Readable | ReadableStream<Uint8Array>;

/** The body of a request straight from its socket, where there is one: large files pass faster so. */
export function sentBody(c: Context): SentBody {
  if (c.req.header('content-length') === '0') return Readable.from([]);
  const { incoming } = (c.env ?? {}) as { incoming?: unknown };
  if (incoming instanceof Readable) return incoming;
  return (c.req.raw.body ?? new Blob([]).stream()) as ReadableStream<Uint8Array>;
}

/** The bytes that a request says its body has; 0 where it says none. They are not to be relied on. */
export function toldLength(c: Context): number {
  const told = Number(c.req.header('content-length'));
  return Number.isFinite(told) ? told : 0;
}
