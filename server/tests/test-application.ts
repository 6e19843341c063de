import { randomUUID } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { jobEventSchema, jobStartedSchema } from '@ivlen/contract';
import {
  connect,
  createApp,
  createInlineConverter,
  createInlineWorkers,
  type Database,
  type Disk,
  Spool,
  type Workers,
} from '@ivlen/server';
import { inject } from 'vitest';
import type { z } from 'zod';
import { databaseUrl } from './database-template';

const ORIGIN = 'http://127.0.0.1';

/** An application on a database of its own, asked in-process. */
export interface TestApplication {
  readonly database: Database;
  /** Where files wait. */
  readonly folder: string;
  /** Kinds of the analyses that were computed, in order; not those that were kept. */
  readonly computed: string[];
  /** Of each of them, how many parts were known already. */
  readonly pairsKnown: number[];
  /** The same database under another application, as after a restart. */
  restarted(): TestApplication;
  send(method: string, path: string, body?: unknown, headers?: Record<string, string>): Promise<Response>;
  /** Sends and checks the answer, which must be a success. */
  ask<S extends z.ZodType>(schema: S, method: string, path: string, body?: unknown): Promise<z.infer<S>>;
  close(): Promise<void>;
}

interface Circumstances {
  readonly disk?: Disk;
  readonly key?: string;
  /** What the database answers to whether it is there. */
  readonly failWith?: Error;
}

export async function openTestApplication(circumstances: Circumstances = {}): Promise<TestApplication> {
  const server = connect(inject('serverUrl'));
  const name = `ivlen_test_${randomUUID().replaceAll('-', '')}`;
  await copied(server, name, inject('template'));
  const database = connect(databaseUrl(inject('serverUrl'), name));
  const folder = await mkdtemp(join(tmpdir(), 'ivlen-spool-'));
  const close = async () => {
    await database.destroy();
    await rm(folder, { recursive: true });
    await server.raw(`drop database ${name}`);
    await server.destroy();
  };
  return applicationOn(database, folder, close, circumstances);
}

function applicationOn(
  database: Database,
  folder: string,
  close: () => Promise<void>,
  { disk, key, failWith }: Circumstances,
): TestApplication {
  const inline = createInlineWorkers();
  const computed: string[] = [];
  const pairsKnown: number[] = [];
  const workers: Workers = {
    ...inline,
    run: (task, signal) => {
      if (task.task === 'analyse') {
        computed.push(task.analysis.kind);
        pairsKnown.push(task.known.places.length);
      }
      return inline.run(task, signal);
    },
  };
  const app = createApp({
    database: failWith ? failing(database, failWith) : database,
    workers,
    spool: new Spool(folder),
    converter: createInlineConverter(),
    ...(disk ? { disk } : {}),
    key,
  });

  const send: TestApplication['send'] = async (method, path, body, headers = {}) => {
    const binary = body instanceof Uint8Array;
    const init: RequestInit = { method, headers: { Host: '127.0.0.1', ...headers } };
    if (body !== undefined) {
      init.body = binary ? new Uint8Array(body) : JSON.stringify(body);
      init.headers = { 'Content-Type': binary ? 'application/octet-stream' : 'application/json', ...init.headers };
    }
    return app.request(`${ORIGIN}/api${path}`, init);
  };
  return {
    database,
    folder,
    send,
    async ask(schema, method, path, body) {
      const first = await send(method, path, body);
      const response = first.status === 202 ? await ended(first, send) : first;
      const text = await response.text();
      if (!response.ok) throw new Error(`${method} ${path} answered ${response.status}: ${text}`);
      return schema.parse(JSON.parse(text));
    },
    computed,
    pairsKnown,
    restarted: () => applicationOn(database, folder, close, { ...(disk ? { disk } : {}) }),
    close,
  };
}

const TRIES = 100;
const AGAIN_MS = 100;

/** A database like the template. Only one at a time can be made of it: where tests run beside each other, the others wait. */
async function copied(server: Database, name: string, template: string): Promise<void> {
  for (let left = TRIES; ; left--) {
    try {
      await server.raw(`create database ${name} template ${template}`);
      return;
    } catch (error) {
      if ((error as { code?: string }).code !== '55006' || left === 0) throw error;
      await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
    }
  }
}

/** The same database, but for its answer to whether it is there. */
function failing(database: Database, error: Error): Database {
  return new Proxy(database, { get: (target, name) => (name === 'raw' ? () => Promise.reject(error) : Reflect.get(target, name)) });
}

/** The answer of a job in the end, as if it had been given at once. */
async function ended(started: Response, send: TestApplication['send']): Promise<Response> {
  const { job } = jobStartedSchema.parse(await started.json());
  const events = await (await send('GET', `/jobs/${job}/events`)).text();
  const last = jobEventSchema.parse(JSON.parse(events.trim().split('data: ').at(-1) ?? ''));
  if (last.type === 'done') return Response.json(last.result);
  return Response.json(last, { status: 422 });
}

export const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);
