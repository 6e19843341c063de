import type { Server } from 'node:http';
import { serve } from '@hono/node-server';
import type { OpenAPIHono } from '@hono/zod-openapi';

const HOST = '127.0.0.1';
const PORTS_TRIED = 50;
const KEPT_OPEN_MS = 75_000;

/** Listens on loopback, on the wanted port or, unless it is fixed, the next free one. */
export async function listen(app: OpenAPIHono, wanted: number, fixed: boolean): Promise<{ server: Server; port: number }> {
  for (let port = wanted; ; port++) {
    try {
      return await listenOn(app, port);
    } catch (error) {
      const taken = (error as NodeJS.ErrnoException).code === 'EADDRINUSE';
      if (!taken) throw error;
      if (fixed) throw new Error(`Port ${port} is taken by another program. Choose another one.`);
      if (port >= wanted + PORTS_TRIED) throw new Error(`The ports ${wanted} to ${port} are all taken. Choose another with --port.`);
    }
  }
}

function listenOn(app: OpenAPIHono, port: number): Promise<{ server: Server; port: number }> {
  return new Promise((resolve, reject) => {
    const server = serve({ fetch: app.fetch, hostname: HOST, port }, (info) => resolve({ server: server as Server, port: info.port }));
    // A client that asks again on a connection kept open must not find it just closed.
    (server as Server).keepAliveTimeout = KEPT_OPEN_MS;
    server.once('error', reject);
  });
}
