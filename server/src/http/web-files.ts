import { serveStatic } from '@hono/node-server/serve-static';
import type { OpenAPIHono } from '@hono/zod-openapi';
import { compress } from 'hono/compress';

const ONE_YEAR = 'public, max-age=31536000, immutable';

/** Serves the built pages; every other path is a page of the application and gets its index. */
export function serveWebFiles(app: OpenAPIHono, folder: string): void {
  app.use('*', compress());
  app.use('/assets/*', serveStatic({ root: folder, onFound: (_path, c) => c.header('Cache-Control', ONE_YEAR) }));
  app.use('/favicon.svg', serveStatic({ root: folder }));
  app.get('*', serveStatic({ root: folder, path: 'index.html', onFound: (_path, c) => c.header('Cache-Control', 'no-cache') }));
}
