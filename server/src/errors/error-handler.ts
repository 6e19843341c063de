import { randomUUID } from 'node:crypto';
import type { ApiError } from '@ivlen/contract';
import type { Context, ErrorHandler } from 'hono';
import { HTTPException } from 'hono/http-exception';
import type { ContentfulStatusCode } from 'hono/utils/http-status';
import { databaseGone, isDatabaseGone } from '../database/connect';
import { type Disk, isDiskFull } from '../disk/disk';
import { DomainError } from './domain-error';
import { logError } from './log';

const STATUS: Readonly<Record<string, ContentfulStatusCode>> = {
  'no-such-study': 404,
  'no-such-revision': 404,
  'no-such-variable': 404,
  'no-such-import': 404,
  'no-such-job': 404,
  'no-such-export': 404,
  'no-such-block': 404,
  'block-moved': 409,
  'report-full': 422,
  'not-found': 404,
  'head-moved': 409,
  'settings-moved': 409,
  'too-large': 413,
  'wrong-content-type': 415,
  'malformed-json': 400,
  'foreign-origin': 403,
  'database-gone': 503,
  'no-key': 401,
  'disk-full': 507,
  'server-stopping': 503,
  'damaged-data': 500,
  unexpected: 500,
};
const REFUSED: ContentfulStatusCode = 422;

/** The one place that turns errors into answers. */
export function handleErrors(disk: Disk): ErrorHandler {
  return (error, c) => {
    if (error instanceof HTTPException && error.status === 415) return answer(c, wrongContentType());
    // What the router refuses by itself with 400 is a body that it could not parse.
    if (error instanceof HTTPException && error.status === 400) return answer(c, notJson());
    if (!(error instanceof DomainError) && !isDatabaseGone(error) && c.req.raw.signal.aborted)
      return c.body(null, 499 as ContentfulStatusCode);
    return answer(c, asDomainError(error, disk));
  };
}

/** What an error tells outside: a refusal in its words; anything unforeseen is logged, and told as a number. */
export function errorBody(error: unknown, disk: Disk): ApiError {
  return bodyOf(asDomainError(error, disk));
}

function bodyOf({ code, message, where, hint }: DomainError): ApiError {
  return { code, message, ...(where ? { where } : {}), ...(hint ? { hint } : {}) };
}

function asDomainError(error: unknown, disk: Disk): DomainError {
  if (error instanceof DomainError) return error;
  // A database that cannot write stands still, so that a full disk often shows as one that does not answer.
  if (isDiskFull(error) || (isDatabaseGone(error) && disk.isFull())) {
    const full = disk.fullError();
    if (disk.isTimeToLog()) logError(full.message, error);
    return full;
  }
  if (isDatabaseGone(error)) return databaseGone();
  if (isUnstorable(error)) return unstorable();
  if (error instanceof Error && error.message === WORKERS_END) return beingStopped();
  const id = randomUUID();
  logError(`error ${id}`, error);
  return new DomainError('unexpected', 'Something went wrong that Ivlen did not foresee.', {
    where: `error ${id}`,
    hint: 'What was stored is kept. Try again; the server’s log says more under this number.',
  });
}

/** What is under way when the program is stopped ends so. */
const WORKERS_END = 'Terminating worker thread';

function beingStopped(): DomainError {
  return new DomainError('server-stopping', 'Ivlen is being stopped; what was under way was not finished.', {
    hint: 'Nothing that was stored is lost. Start it again, and ask again.',
  });
}

/** Numbers beyond those of the database, texts that are none of its identifiers, and characters that no text has. */
const UNSTORABLE = new Set(['22003', '22P02', '22021', '22P05']);

function isUnstorable(error: unknown): boolean {
  return error instanceof Error && 'severity' in error && 'code' in error && typeof error.code === 'string' && UNSTORABLE.has(error.code);
}

function unstorable(): DomainError {
  return new DomainError('unstorable', 'The request holds a number that is too large, or a character that no text has.', {
    hint: 'Correct it and try again; if you did not write it yourself, reload the page.',
  });
}

function wrongContentType(): DomainError {
  return new DomainError('wrong-content-type', 'The body of the request is of another type than this address takes.', {
    where: 'Content-Type',
    hint: 'Send JSON as application/json, and a file as application/octet-stream.',
  });
}

function notJson(): DomainError {
  return new DomainError('malformed-json', 'The body of the request is no JSON: it ends too early, or a character is out of place.', {
    where: 'body',
    hint: 'Correct it and send it again; if you did not write it yourself, reload the page.',
  });
}

export function answer(c: Context, error: DomainError): Response {
  const body: { error: ApiError } = { error: bodyOf(error) };
  return c.json(body, STATUS[error.code] ?? REFUSED);
}
