import { randomUUID } from 'node:crypto';
import { pipeline } from 'node:stream/promises';
import pg from 'pg';
import { from as copyFrom } from 'pg-copy-streams';
import { connect } from '../database/connect';
import { MIGRATION_NAMES, migrate } from '../database/migrate';
import { damaged, newer, noBackup, readBackupFile } from './backup-file';
import { type BackupHead, KEPT_TABLES } from './backup-head';
import { columnsOf } from './write-backup';

/**
 * Puts the studies of a backup in the place of all that are here. The file is read to its end and its checksum compared before
 * anything is touched; then a fresh schema is made, migrated as far as the backup was, filled by a role that can do nothing but
 * add rows to it, and brought up to date; last it takes the place of the present one, in one transaction. Whatever ends it
 * before that leaves the studies as they were.
 * @throws {DomainError} 'no-backup', 'newer-backup', 'damaged-backup'
 */
export async function readBackup(databaseUrl: string, path: string): Promise<void> {
  const head = await verified(path);
  const client = new pg.Client({ connectionString: databaseUrl, application_name: 'ivlen restore' });
  // What breaks the connection is told by the query that it breaks.
  client.on('error', () => {});
  await client.connect();
  const own = randomUUID().replaceAll('-', '');
  const [schema, role] = [`restore_${own}`, `ivlen_restore_${own}`];
  try {
    await dropRemains(client);
    await client.query(`create schema ${schema}`);
    await migrated(databaseUrl, schema, head.migrations.length);
    await fill(client, schema, role, path, head);
    await migrated(databaseUrl, schema, MIGRATION_NAMES.length);
    await client.query('begin');
    await client.query(`alter schema public rename to before_${own}`);
    await client.query(`alter schema ${schema} rename to public`);
    await client.query(`drop schema before_${own} cascade`);
    await client.query('commit');
  } finally {
    // Where the connection is gone there is nothing to take back, and the next restore clears up.
    await client.query('rollback').then(
      () => dropRemains(client),
      () => {},
    );
    await client.end().catch(() => {});
  }
}

/** Reads the whole file once. @returns its head, whose tables are those that such migrations make */
async function verified(path: string): Promise<BackupHead> {
  let found: BackupHead | undefined;
  await readBackupFile(
    path,
    async (head) => {
      const known = head.migrations.filter((name, i) => MIGRATION_NAMES[i] === name).length;
      if (head.migrations.length > MIGRATION_NAMES.length && known === MIGRATION_NAMES.length) throw newer(head.program);
      if (known < head.migrations.length || known === 0) throw noBackup();
      if (head.tables.some(({ name }) => !KEPT_TABLES.includes(name)) || !head.tables.some(({ name }) => name === 'study'))
        throw noBackup();
      found = head;
    },
    async (_, rows) => {
      for await (const _piece of rows);
    },
  );
  if (!found) throw damaged();
  return found;
}

async function migrated(databaseUrl: string, schema: string, steps: number): Promise<void> {
  const database = connect(databaseUrl, { patient: true, schema });
  try {
    await migrate(database, steps);
  } finally {
    await database.destroy();
  }
}

async function fill(client: pg.Client, schema: string, role: string, path: string, head: BackupHead): Promise<void> {
  const present = await columnsOf(client, schema);
  const quoted = (names: readonly string[]) => names.map((name) => `"${name}"`).join(', ');
  await client.query('begin');
  await client.query(`create role ${role} nologin`);
  await client.query(`grant usage on schema ${schema} to ${role}`);
  for (const { name, columns } of head.tables) {
    const known = present.get(name) ?? [];
    if (known.length !== columns.length || columns.some((column) => !known.includes(column))) throw damaged();
    // A migration may have put a row there that the backup brings too.
    await client.query(`delete from ${schema}."${name}"`);
    await client.query(`grant insert on ${schema}."${name}" to ${role}`);
  }
  await client.query(`set local role ${role}`);
  await readBackupFile(
    path,
    async () => {},
    async ({ name, columns }, rows) => {
      await pipeline(rows, client.query(copyFrom(`copy ${schema}."${name}" (${quoted(columns)}) from stdin`)));
    },
  ).catch((error: unknown) => {
    // Rows that no table takes: a checksum that fits does not make them ours.
    throw error instanceof Error && 'severity' in error ? damaged() : error;
  });
  await client.query('reset role');
  await client.query(`drop owned by ${role}`);
  await client.query(`drop role ${role}`);
  await client.query('commit');
}

/** Schemas and roles of a restore that ended in the middle. */
async function dropRemains(client: pg.Client): Promise<void> {
  const { rows } = await client.query<{ name: string }>(
    `select nspname as name from pg_namespace where nspname ~ '^(restore|before)_[0-9a-f]{32}$'`,
  );
  for (const { name } of rows) await client.query(`drop schema ${name} cascade`);
}
