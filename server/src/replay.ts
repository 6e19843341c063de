import { randomUUID } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { connect } from './database/connect';
import { migrate } from './database/migrate';
import { DomainError } from './errors/domain-error';
import { Spool } from './imports/spool';
import { replayArchive } from './replay/replay-archive';
import { replayedInWords } from './replay/replayed-words';
import { createWorkerPool } from './workers/workers';

/** Computes the record of an archive again in a database of its own: 0 where nothing differs, 1 where something does, 2 where it cannot be read. */
async function main(path: string | undefined, serverUrl: string | undefined): Promise<number> {
  if (!path || !serverUrl) {
    console.error('Which archive? ./ivlen replay ARCHIVE');
    return 2;
  }
  const server = connect(serverUrl);
  const name = `ivlen_replay_${randomUUID().replaceAll('-', '')}`;
  await server.raw(`create database ${name}`);
  const url = new URL(serverUrl);
  url.pathname = `/${name}`;
  const database = connect(url.href);
  const folder = await mkdtemp(join(tmpdir(), 'ivlen-replay-'));
  const workers = createWorkerPool(fileURLToPath(new URL('./worker.cjs', import.meta.url)));
  try {
    await migrate(database);
    const replayed = await replayArchive(path, database, workers, new Spool(folder));
    for (const line of replayedInWords(replayed)) console.log(line);
    return replayed.differences.length === 0 && replayed.otherData === null ? 0 : 1;
  } catch (error) {
    if (!(error instanceof DomainError) && !(error instanceof Error && 'code' in error)) throw error;
    console.error(
      [error.message, error instanceof DomainError ? (error.where ?? '') : '', error instanceof DomainError ? (error.hint ?? '') : '']
        .filter(Boolean)
        .join(' '),
    );
    return 2;
  } finally {
    await workers.close();
    await database.destroy();
    await rm(folder, { recursive: true, force: true });
    await server.raw(`drop database ${name}`);
    await server.destroy();
  }
}

process.exitCode = await main(process.argv[2], process.env.IVLEN_DATABASE_URL);
