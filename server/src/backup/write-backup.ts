import { rename, rm } from 'node:fs/promises';
import { IVLEN_VERSION } from '@ivlen/contract';
import pg from 'pg';
import { to as copyTo } from 'pg-copy-streams';
import { readBackupFile, writeBackupFile } from './backup-file';
import { FORMAT, KEPT_TABLES } from './backup-head';

/**
 * Writes all studies into a file, as they stand at one moment, under another name until it was read back whole.
 * @throws an error of the database or the disk; nothing is left then
 */
export async function writeBackup(databaseUrl: string, path: string): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl, application_name: 'ivlen backup' });
  const part = `${path}.part`;
  // What breaks the connection is told by the query that it breaks.
  client.on('error', () => {});
  await client.connect();
  try {
    await client.query('begin isolation level repeatable read read only');
    const tables = await columnsOf(client);
    const migrations = await client.query<{ name: string }>('select name from knex_migrations order by id');
    const head = {
      'ivlen-backup': true as const,
      version: FORMAT,
      program: IVLEN_VERSION,
      migrations: migrations.rows.map(({ name }) => name),
      tables: KEPT_TABLES.flatMap((name) => (tables.has(name) ? [{ name, columns: tables.get(name) ?? [] }] : [])),
    };
    const names = (name: string) => (tables.get(name) ?? []).map((column) => `"${column}"`).join(', ');
    await writeBackupFile(part, head, (name) => client.query(copyTo(`copy "${name}" (${names(name)}) to stdout`)));
    await client.query('commit');
    await readBackupFile(
      part,
      async () => {},
      async (_, rows) => {
        for await (const _piece of rows);
      },
    );
    await rename(part, path);
  } finally {
    await client.end().catch(() => {});
    await rm(part, { force: true });
  }
}

/** The columns of each table of a schema, in order. */
export async function columnsOf(client: pg.Client, schema = 'public'): Promise<Map<string, string[]>> {
  const { rows } = await client.query<{ table: string; column: string }>(
    `select table_name as table, column_name as column from information_schema.columns where table_schema = $1 order by table_name, ordinal_position`,
    [schema],
  );
  const tables = new Map<string, string[]>();
  for (const { table, column } of rows) tables.set(table, [...(tables.get(table) ?? []), column]);
  return tables;
}
