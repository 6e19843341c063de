import type { MiddlewareHandler } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { DomainError } from '../errors/domain-error';

const MEGABYTE = 1024 * 1024;
/** JSON is read and checked at once, and nobody is answered meanwhile: a tenth of a second for the largest of these. */
const USUAL = 4 * MEGABYTE;
const LARGER: readonly { readonly path: RegExp; readonly most: number }[] = [
  // A block of cells that was pasted, row by row.
  { path: /\/changes$/, most: 6 * MEGABYTE },
];

/** Refuses a body of JSON that is larger than its address takes, before it is read; files are counted as they come. */
export const bodyLimits: MiddlewareHandler = (c, next) => {
  if (c.req.header('content-type')?.startsWith('application/octet-stream')) return next();
  const maxSize = LARGER.find(({ path }) => path.test(c.req.path))?.most ?? USUAL;
  return bodyLimit({
    maxSize,
    onError: () => {
      throw new DomainError('too-large', `A request here may have up to ${maxSize / MEGABYTE} MB.`, {
        hint: 'Do it in parts: paste fewer rows at a time, or bring a large table in as a file.',
      });
    },
  })(c, next);
};
