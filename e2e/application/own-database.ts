import { randomUUID } from 'node:crypto';
import { Client } from 'pg';

/** A database of one's own on the test server. */
export interface OwnDatabase {
  readonly url: URL;
  /** Lets no value be stored until what is returned is called. */
  holdStoring(): Promise<() => Promise<void>>;
  drop(): Promise<void>;
}

export async function createOwnDatabase(): Promise<OwnDatabase> {
  const server = process.env.IVLEN_TEST_DATABASE_URL;
  if (!server) throw new Error('IVLEN_TEST_DATABASE_URL names no PostgreSQL server. Run ./ivlen test browser, which starts one.');
  const name = `ivlen_e2e_${randomUUID().replaceAll('-', '')}`;
  await administer(server, `create database ${name}`);
  const url = new URL(server);
  url.pathname = `/${name}`;
  const holdStoring = async () => {
    const client = new Client({ connectionString: url.href });
    await client.connect();
    await client.query('begin');
    await client.query('lock table column_chunk in share mode');
    return () => client.end();
  };
  return { url, holdStoring, drop: () => administer(server, `drop database ${name} with (force)`) };
}

async function administer(connectionString: string, statement: string): Promise<void> {
  const client = new Client({ connectionString });
  await client.connect();
  await client.query(statement);
  await client.end();
}
