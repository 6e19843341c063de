import { createHash, timingSafeEqual } from 'node:crypto';
import { getCookie, setCookie } from 'hono/cookie';
import { createMiddleware } from 'hono/factory';
import { DomainError } from '../errors/domain-error';
import { answer } from '../errors/error-handler';

const A_YEAR_S = 365 * 24 * 60 * 60;

/**
 * Answers only who has the key, for machines that other people log in to: the address that the start printed carries it,
 * and it is kept as a cookie that no script reads and no other site sends.
 */
export function keyHoldersOnly(key: string) {
  return createMiddleware(async (c, next) => {
    // Cookies know no ports: each installation has one of its own.
    const cookie = `ivlen-${/:(\d+)$/.exec(c.req.header('host') ?? '')?.[1] ?? '80'}`;
    const url = new URL(c.req.url);
    const brought = url.searchParams.get('key');
    if (c.req.method === 'GET' && brought !== null && isSame(brought, key)) {
      setCookie(c, cookie, key, { httpOnly: true, sameSite: 'Strict', path: '/', maxAge: A_YEAR_S });
      url.searchParams.delete('key');
      return c.redirect(`${url.pathname}${url.search}`, 303);
    }
    if (isSame(getCookie(c, cookie) ?? '', key)) return next();
    if (url.pathname.startsWith('/api/')) return answer(c, noKey());
    return c.text(`${noKey().message}\n${noKey().hint}\n`, 401);
  });
}

function noKey(): DomainError {
  return new DomainError('no-key', 'This Ivlen was started with a key, and opens only to who has it.', {
    hint: 'Open the whole address that ./ivlen start printed, once in this browser.',
  });
}

/** Takes the same time wherever the two differ. */
function isSame(given: string, key: string): boolean {
  const [a, b] = [given, key].map((text) => createHash('sha256').update(text).digest());
  return a !== undefined && b !== undefined && timingSafeEqual(a, b);
}
