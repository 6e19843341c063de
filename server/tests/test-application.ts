import { randomUUID } from 'node:crypto';
import { connect, createApp, createInlineWorkers, type Database } from '@ivlen/server';
import { inject } from 'vitest';
import type { z } from 'zod';
import { databaseUrl } from './database-template';

const ORIGIN = 'http://127.0.0.1';

/** An application on a database of its own, asked in-process. */
export interface TestApplication {
  readonly database: Database;
  send(method: string, path: string, body?: unknown, headers?: Record<string, string>): Promise<Response>;
  /** Sends and checks the answer, which must be a success. */
  ask<S extends z.ZodType>(schema: S, method: string, path: string, body?: unknown): Promise<z.infer<S>>;
  close(): Promise<void>;
}

export async function openTestApplication(): Promise<TestApplication> {
  const server = connect(inject('serverUrl'));
  const name = `ivlen_test_${randomUUID().replaceAll('-', '')}`;
  await server.raw(`create database ${name} template ${inject('template')}`);
  const database = connect(databaseUrl(inject('serverUrl'), name));
  const app = createApp({ database, workers: createInlineWorkers() });

  const send: TestApplication['send'] = async (method, path, body, headers = {}) => {
    const binary = body instanceof Uint8Array;
    const init: RequestInit = { method, headers: { Host: '127.0.0.1', ...headers } };
    if (body !== undefined) {
      init.body = binary ? new Uint8Array(body) : JSON.stringify(body);
      init.headers = { ...init.headers, 'Content-Type': binary ? 'application/octet-stream' : 'application/json' };
    }
    return app.request(`${ORIGIN}/api${path}`, init);
  };
  return {
    database,
    send,
    async ask(schema, method, path, body) {
      const response = await send(method, path, body);
      const text = await response.text();
      if (!response.ok) throw new Error(`${method} ${path} answered ${response.status}: ${text}`);
      return schema.parse(JSON.parse(text));
    },
    async close() {
      await database.destroy();
      await server.raw(`drop database ${name}`);
      await server.destroy();
    },
  };
}

export const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);
