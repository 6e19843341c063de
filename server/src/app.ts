import { createRoute, type OpenAPIHono, z } from '@hono/zod-openapi';
import { analysisRoutes } from './analyses/analysis-routes';
import { AnalysisService } from './analyses/analysis-service';
import { archiveRoutes } from './archives/archive-routes';
import { ArchiveService } from './archives/archive-service';
import { Columns } from './columns/columns';
import type { Database } from './database/connect';
import { derivationRoutes } from './derivations/derivation-routes';
import { Disk } from './disk/disk';
import { DomainError } from './errors/domain-error';
import { answer, handleErrors } from './errors/error-handler';
import { exportRoutes } from './exports/export-routes';
import { ExportService } from './exports/export-service';
import { createApi, jsonResponses } from './http/api';
import { bodyLimits } from './http/body-limits';
import { readInTurns } from './http/read-in-turns';
import type { Converter } from './imports/conversion/converter';
import { importRoutes } from './imports/import-routes';
import { ImportService } from './imports/import-service';
import type { Spool } from './imports/spool';
import { jobRoutes } from './jobs/job-routes';
import { Jobs } from './jobs/jobs';
import { mergeRoutes } from './merges/merge-routes';
import { MergeService } from './merges/merge-service';
import { readingRoutes } from './readings/reading-routes';
import { reportRoutes } from './report/report-routes';
import { rowRoutes } from './rows/row-routes';
import { keyHoldersOnly } from './safety/key';
import { sameOriginOnly } from './safety/same-origin';
import { securityHeaders } from './safety/security-headers';
import { settingsRoutes } from './settings/settings-routes';
import { spaceRoutes } from './space/space-routes';
import { studyRoutes } from './studies/study-routes';
import { trailRoutes } from './trail/trail-routes';
import type { Workers } from './workers/workers';

const health = createRoute({
  method: 'get',
  path: '/health',
  summary: 'Whether the server and its database answer',
  responses: jsonResponses(z.object({ status: z.literal('ok') }), 'Both do'),
});

interface Parts {
  readonly database: Database;
  readonly workers: Workers;
  readonly spool: Spool;
  readonly converter: Converter;
  /** A connection whose statements may take their time; the usual one if there is no other. */
  readonly patient?: Database;
  readonly disk?: Disk;
  /** Who does not have it is refused; none for a machine of one's own. */
  readonly key?: string | undefined;
}

/** The application without a socket: routes, safety, errors. */
export function createApp({
  database,
  workers,
  spool,
  converter,
  patient = database,
  disk = new Disk([spool.folder]),
  key,
}: Parts): OpenAPIHono {
  const app = createApi();
  app.onError(handleErrors(disk));
  app.use('*', securityHeaders, sameOriginOnly);
  if (key) app.use('*', keyHoldersOnly(key));
  app.use('/api/*', bodyLimits);
  app.use('/api/*', readInTurns);
  app.use('/api/*', async (c, next) => {
    await next();
    if (!c.res.headers.has('Cache-Control')) c.header('Cache-Control', 'no-store');
  });

  const columns = new Columns(workers);
  const jobs = new Jobs();
  const imports = new ImportService(database, workers, spool, converter, disk);
  const analyses = new AnalysisService(database, columns, workers);
  const api = createApi()
    .openapi(health, async (c) => {
      await database.raw('select 1');
      return c.json({ status: 'ok' } as const, 200);
    })
    .route('/', studyRoutes(database, columns))
    .route('/', spaceRoutes(database, patient, jobs))
    .route('/', trailRoutes(database))
    .route('/', rowRoutes(database, columns))
    .route('/', derivationRoutes(database, columns))
    .route('/', readingRoutes(database, columns))
    .route('/', settingsRoutes(database))
    .route('/', reportRoutes(database))
    .route('/', importRoutes(database, imports, jobs))
    .route('/', mergeRoutes(database, new MergeService(database, columns, imports), jobs))
    .route('/', archiveRoutes(database, new ArchiveService(database, workers, spool, disk), jobs))
    .route('/', exportRoutes(new ExportService(database, columns, workers, analyses, spool.folder, disk), jobs))
    .route('/', jobRoutes(jobs, disk))
    .route('/', analysisRoutes(analyses, jobs));
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
