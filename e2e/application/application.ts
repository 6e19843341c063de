import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { createInterface } from 'node:readline';
import { createCuttableLink } from './cuttable-link';
import { createOwnDatabase } from './own-database';

const ROOT = resolve(import.meta.dirname, '../..');

/** The built application, with the demo studies, on a database of its own that can be cut off. */
export interface Application {
  readonly address: string;
  /** Where files wait. */
  readonly spool: string;
  cutDatabase(): void;
  /** Lets no value be stored until what is returned is called. */
  holdStoring(): Promise<() => Promise<void>>;
  mendDatabase(): void;
  /** Kills the server as a power cut would, and starts it again on the same port. */
  killAndRestart(): Promise<void>;
  close(): Promise<void>;
}

/** @param cuttable whether the way to the database can be cut; then it leads through this process, and waits for it */
export async function startApplication({ cuttable = true } = {}): Promise<Application> {
  const database = await createOwnDatabase();
  const link = await createCuttableLink(database.url.hostname, Number(database.url.port));
  const url = new URL(database.url);
  if (cuttable) url.port = String(link.port);
  const spool = await mkdtemp(join(tmpdir(), 'ivlen-e2e-'));
  let { server, address } = await startServer(url.href, spool, 0);
  return {
    address,
    spool,
    cutDatabase: link.cut,
    holdStoring: database.holdStoring,
    mendDatabase: link.mend,
    async killAndRestart() {
      await ended(server, 'SIGKILL');
      ({ server, address } = await startServer(url.href, spool, Number(new URL(address).port)));
    },
    async close() {
      await ended(server, 'SIGTERM');
      await rm(spool, { recursive: true, force: true });
      await link.close();
      await database.drop();
    },
  };
}

async function startServer(databaseUrl: string, spool: string, port: number): Promise<{ server: ChildProcess; address: string }> {
  const server = spawn(process.execPath, ['server/dist/main.js'], {
    cwd: ROOT,
    env: {
      ...process.env,
      NODE_ENV: 'production',
      IVLEN_DATABASE_URL: databaseUrl,
      IVLEN_SPOOL: spool,
      IVLEN_PORT: String(port),
      IVLEN_PORT_FIXED: '1',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const lines = createInterface({ input: server.stdout });
  for await (const line of lines) {
    const address = /http:\/\/127\.0\.0\.1:\d+/.exec(line)?.[0];
    if (address) {
      server.stdout.resume();
      return { server, address };
    }
  }
  throw new Error('the server ended before it said its address');
}

function ended(server: ChildProcess, signal: NodeJS.Signals): Promise<void> {
  return new Promise((resolveEnd) => {
    server.once('exit', () => resolveEnd());
    server.kill(signal);
  });
}
