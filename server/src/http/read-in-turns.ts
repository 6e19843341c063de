import type { MiddlewareHandler } from 'hono';

/** Bodies up to this are read at once: a few milliseconds. */
const SHORT = 256 * 1024;

/** Reads a long body of JSON step by step, each step a turn of its own, so that others are answered in between. */
export const readInTurns: MiddlewareHandler = (c, next) => {
  const told = Number(c.req.header('content-length') ?? Number.POSITIVE_INFINITY);
  if (!(told > SHORT) || !c.req.header('content-type')?.startsWith('application/json')) return next();
  c.req.json = async () => {
    const text = await c.req.text();
    await anotherTurn();
    const read = JSON.parse(text);
    await anotherTurn();
    return read;
  };
  return next();
};

function anotherTurn(): Promise<void> {
  return new Promise((resolve) => setImmediate(resolve));
}
