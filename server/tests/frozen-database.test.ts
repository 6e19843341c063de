import { createServer, connect as dial, type Socket } from 'node:net';
import { connect, createApp, createInlineConverter, createInlineWorkers, Spool } from '@ivlen/server';
import { afterAll, beforeAll, expect, inject, it } from 'vitest';
import { databaseUrl } from './database-template';

/** A way to the database that can be frozen: it stays open, and nothing comes through. */
const server = new URL(inject('serverUrl'));
const sockets = new Set<Socket>();
const link = createServer((near) => {
  const far = dial(Number(server.port), server.hostname);
  for (const [from, to] of [
    [near, far],
    [far, near],
  ] as const) {
    sockets.add(from);
    from.pipe(to);
    from.on('error', () => to.destroy());
    from.on('close', () => to.destroy());
  }
});
let database: ReturnType<typeof connect>;
beforeAll(async () => {
  const port = await new Promise<number>((resolve) =>
    link.listen(0, '127.0.0.1', () => resolve((link.address() as { port: number }).port)),
  );
  const url = new URL(databaseUrl(inject('serverUrl'), inject('template')));
  url.port = String(port);
  database = connect(url.href);
});
afterAll(async () => {
  for (const socket of sockets) socket.destroy();
  link.close();
  await database.destroy().catch(() => {});
});

it('a database that is frozen holds no request longer than it may, and the refusal says so', async () => {
  const app = createApp({ database, workers: createInlineWorkers(), spool: new Spool('unused'), converter: createInlineConverter() });
  const ask = () => app.request('http://127.0.0.1/api/health', { headers: { Host: '127.0.0.1' } });
  expect((await ask()).status).toBe(200);
  for (const socket of sockets) socket.unpipe();
  const started = performance.now();
  const response = await ask();
  const waited = performance.now() - started;
  expect(response.status).toBe(503);
  expect(await response.json()).toMatchObject({ error: { code: 'database-gone', message: 'The database does not answer.' } });
  expect(waited).toBeGreaterThan(8000);
  expect(waited).toBeLessThan(13_000);
}, 60_000);
