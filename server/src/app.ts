import { createRoute, type OpenAPIHono, z } from '@hono/zod-openapi';
import { analysisRoutes } from './analyses/analysis-routes';
import { AnalysisService } from './analyses/analysis-service';
import { ColumnCache } from './columns/column-cache';
import type { Database } from './database/connect';
import { DomainError } from './errors/domain-error';
import { answer, handleError } from './errors/error-handler';
import { createApi, jsonResponses } from './http/api';
import { importRoutes } from './imports/import-routes';
import { ImportService } from './imports/import-service';
import { sameOriginOnly } from './safety/same-origin';
import { securityHeaders } from './safety/security-headers';
import { settingsRoutes } from './settings/settings-routes';
import { studyRoutes } from './studies/study-routes';
import { trailRoutes } from './trail/trail-routes';
import type { Workers } from './workers/workers';

const health = createRoute({
  method: 'get',
  path: '/health',
  summary: 'Whether the server and its database answer',
  responses: jsonResponses(z.object({ status: z.literal('ok') }), 'Both do'),
});

/** The application without a socket: routes, safety, errors. */
export function createApp({ database, workers }: { database: Database; workers: Workers }): OpenAPIHono {
  const app = createApi();
  app.onError(handleError);
  app.use('*', securityHeaders, sameOriginOnly);
  app.use('/api/*', async (c, next) => {
    await next();
    if (!c.res.headers.has('Cache-Control')) c.header('Cache-Control', 'no-store');
  });

  const api = createApi()
    .openapi(health, async (c) => {
      await database.raw('select 1');
      return c.json({ status: 'ok' } as const, 200);
    })
    .route('/', studyRoutes(database))
    .route('/', trailRoutes(database))
    .route('/', settingsRoutes(database))
    .route('/', importRoutes(database, new ImportService(database, workers)))
    .route('/', analysisRoutes(new AnalysisService(database, new ColumnCache(), workers)));
  app.route('/api', api);
  app.doc31('/api/openapi.json', {
    openapi: '3.1.0',
    info: { title: 'Ivlen', version: '1', description: 'Studies, imports and analyses.' },
  });
  app.all('/api/*', (c) =>
    answer(
      c,
      new DomainError('not-found', 'There is nothing at this address.', {
        where: c.req.path,
        hint: 'See /api/openapi.json for what there is.',
      }),
    ),
  );
  return app;
}
