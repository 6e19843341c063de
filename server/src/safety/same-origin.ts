import { createMiddleware } from 'hono/factory';
import { DomainError } from '../errors/domain-error';

const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

/**
 * Answers only requests addressed to this machine by a loopback name (no DNS rebinding), and only those that come from
 * our own pages (no cross-site reads or writes).
 */
export const sameOriginOnly = createMiddleware(async (c, next) => {
  const host = c.req.header('host') ?? '';
  const origin = c.req.header('origin');
  const site = c.req.header('sec-fetch-site');
  const foreign = origin !== undefined && origin !== `http://${host}`;
  if (!LOOPBACK.test(host) || foreign || site === 'cross-site') {
    throw new DomainError('foreign-origin', 'Ivlen answers only its own pages on this machine.', {
      hint: 'Open the address that ./ivlen start printed.',
    });
  }
  await next();
});
