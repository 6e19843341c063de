import { jobStartedSchema, NO_REMEDIES, studyListItemSchema } from '@ivlen/contract';
import { createStudy, Jobs } from '@ivlen/server';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { z } from 'zod';
import { openTestApplication, type TestApplication } from './test-application';

let app: TestApplication;
beforeAll(async () => {
  app = await openTestApplication();
});
afterAll(() => app.close());

const later = <T>(value: T, ms: number) => new Promise<T>((resolve) => setTimeout(resolve, ms, value));

describe('a job', () => {
  it('tells its progress, and its result also to who asks late', async () => {
    const jobs = new Jobs();
    const job = jobs.start(async ({ tell }) => {
      tell(() => ({ what: 'rows', done: 3, total: 10 }));
      return later('all', 5);
    });
    expect(job.progress()).toEqual({ what: 'rows', done: 3, total: 10 });
    expect(await job.result).toBe('all');
    expect(await jobs.get(job.id).result).toBe('all');
  });

  it('that is stopped says so, whatever it was doing', async () => {
    const job = new Jobs().start(async ({ signal }) => {
      await later(null, 5);
      signal.throwIfAborted();
      return 'never';
    });
    job.stop();
    await expect(job.result).rejects.toMatchObject({ code: 'stopped', message: 'It was stopped. Nothing was stored.' });
  });

  it('that nobody knows is not there', async () => {
    expect(() => new Jobs().get('x')).toThrowError(expect.objectContaining({ code: 'no-such-job' }));
    const response = await app.send('DELETE', '/jobs/0b6a5f0e-3a0e-4a52-9f43-0d2f4f5f8a11');
    expect(response.status).toBe(404);
    expect(jobStartedSchema.safeParse(await response.json()).success).toBe(false);
  });
});

it('a study whose storing is stopped half-way is not there at all', async () => {
  const stretch = Float64Array.of(1, 2, 3);
  const variable = { label: null, unit: null, kind: 'continuous', storage: 'number', decimals: null, role: null } as const;
  const rest = {
    highMeans: null,
    valueLabels: {},
    missingCodes: [],
    validRange: null,
    note: null,
    derivation: null,
    detectionLimit: null,
    reliability: null,
    version: 1,
  };
  const state = {
    variables: ['v1', 'v2'].map((id) => ({ id, name: id, ...variable, ...rest })),
    rowMeaning: null,
    source: null,
    citation: null,
    exclusions: null,
    rowsChosen: null,
    setAside: null,
    subset: null,
    namedSubsets: [],
    inUse: null,
    accepted: [],
    pairMethods: {},
    remedies: NO_REMEDIES,
    leftOut: [],
    pairNotes: {},
    questions: [],
  };
  let stored = 0;
  const making = createStudy(
    app.database,
    {
      name: 'Half',
      rowCount: 3,
      summary: 'made',
      state,
      columns: ['v1', 'v2'].map((id) => ({ variable: id, dictionary: null, chunks: () => [stretch] })),
    },
    {
      onStored: (rows) => {
        stored += rows;
        if (stored > 3) throw new Error('stopped');
      },
    },
  );
  await expect(making).rejects.toThrow('stopped');
  expect(stored).toBe(6);
  expect(await app.ask(z.array(studyListItemSchema), 'GET', '/studies')).toEqual([]);
  expect(await app.database('column_chunk').count('* as count').first()).toEqual({ count: '0' });
});
