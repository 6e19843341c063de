import { randomUUID } from 'node:crypto';
import type { ApiError } from '@ivlen/contract';
import type { Context, ErrorHandler } from 'hono';
import { HTTPException } from 'hono/http-exception';
import type { ContentfulStatusCode } from 'hono/utils/http-status';
import { databaseGone, isDatabaseGone } from '../database/connect';
import { DomainError } from './domain-error';

const STATUS: Readonly<Record<string, ContentfulStatusCode>> = {
  'no-such-study': 404,
  'no-such-revision': 404,
  'no-such-variable': 404,
  'no-such-import': 404,
  'not-found': 404,
  'head-moved': 409,
  'settings-moved': 409,
  'too-large': 413,
  'wrong-content-type': 415,
  'foreign-origin': 403,
  'database-gone': 503,
};
const REFUSED: ContentfulStatusCode = 422;

/** The one place that turns errors into answers. */
export const handleError: ErrorHandler = (error, c) => {
  if (error instanceof DomainError) return answer(c, error);
  if (error instanceof HTTPException && error.status === 415) return answer(c, wrongContentType());
  if (isDatabaseGone(error)) return answer(c, databaseGone());
  if (c.req.raw.signal.aborted) return c.body(null, 499 as ContentfulStatusCode);
  const id = randomUUID();
  console.error(`[${id}]`, error);
  return answer(
    c,
    new DomainError('unexpected', 'Something went wrong that Ivlen did not foresee.', {
      where: `error ${id}`,
      hint: 'What was stored is kept. Try again; the server’s log says more under this number.',
    }),
    500,
  );
};

function wrongContentType(): DomainError {
  return new DomainError('wrong-content-type', 'The body of the request is of another type than this address takes.', {
    where: 'Content-Type',
    hint: 'Send JSON as application/json, and a file as application/octet-stream.',
  });
}

export function answer(c: Context, error: DomainError, status = STATUS[error.code] ?? REFUSED): Response {
  const { code, message, where, hint } = error;
  const body: { error: ApiError } = { error: { code, message, ...(where ? { where } : {}), ...(hint ? { hint } : {}) } };
  return c.json(body, status);
}
