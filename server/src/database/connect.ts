import knex, { type Knex } from 'knex';
import { DomainError } from '../errors/domain-error';

export type Database = Knex;
/** A connection or a transaction: what repository functions take first. */
export type Connection = Knex | Knex.Transaction;

const STATEMENT_TIMEOUT_MS = 9_000;
// A database that is frozen does not end a statement by itself; nobody waits for it longer than for one that works.
const QUERY_TIMEOUT_MS = 10_000;
// A server that is gone refuses at once; only a machine that stands still for a moment takes long to answer.
const CONNECT_TIMEOUT_MS = 10_000;

/**
 * @param options.patient for what may take its time and keeps nobody waiting, such as bringing the tables up to this version
 * @param options.schema in which tables are looked for and made; default public
 */
export function connect(connectionString: string, { patient = false, schema }: { patient?: boolean; schema?: string } = {}): Database {
  return knex({
    client: 'pg',
    connection: {
      connectionString,
      ...(patient ? {} : { statement_timeout: STATEMENT_TIMEOUT_MS, query_timeout: QUERY_TIMEOUT_MS }),
      connectionTimeoutMillis: CONNECT_TIMEOUT_MS,
      application_name: 'ivlen',
    },
    ...(schema ? { searchPath: [schema] } : {}),
    // What was sent is data of a study, and has no business in a message.
    compileSqlOnError: false,
    pool: { min: 0, max: 10, acquireTimeoutMillis: 12_000 },
  });
}

const GONE = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', '57P01', '57P02', '57P03', '08006', '08001', '08003']);

/** Whether an error means that the database does not answer, as opposed to having refused a query. */
export function isDatabaseGone(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const { code, severity } = error as Error & { code?: unknown; severity?: unknown };
  if (typeof code === 'string' && GONE.has(code)) return true;
  // What ends the connection is more than a refused query, whatever it is called.
  if (severity === 'FATAL' || severity === 'PANIC') return true;
  if (error instanceof AggregateError) return error.errors.some(isDatabaseGone);
  return /Connection terminated|connection error and is not queryable|Query read timeout|timeout exceeded when trying to connect|timeout expired|Timeout acquiring a connection|Connection ended/i.test(
    error.message,
  );
}

export function databaseGone(): DomainError {
  return new DomainError('database-gone', 'The database does not answer.', {
    hint: 'Nothing that was stored is lost. Ivlen keeps trying; if this lasts, stop it and start it again.',
  });
}
