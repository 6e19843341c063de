import type { Knex } from 'knex';
import type { Database } from './connect';
import { studies } from './migrations/0001-studies';
import { imports } from './migrations/0002-imports';
import { spooledImports } from './migrations/0003-spooled-imports';
import { keptResultsAndPins } from './migrations/0004-kept-results-and-pins';
import { reports } from './migrations/0005-reports';
import { installation } from './migrations/0006-installation';

interface Migration {
  readonly name: string;
  up(knex: Knex): Promise<void>;
}

const MIGRATIONS: readonly Migration[] = [
  { name: '0001-studies', up: studies },
  { name: '0002-imports', up: imports },
  { name: '0003-spooled-imports', up: spooledImports },
  { name: '0004-kept-results-and-pins', up: keptResultsAndPins },
  { name: '0005-reports', up: reports },
  { name: '0006-installation', up: installation },
];

export const MIGRATION_NAMES: readonly string[] = MIGRATIONS.map(({ name }) => name);

/**
 * Brings the schema up to date. Migrations go one way: a backup, not a reverse step, leads back.
 * @param steps how many of them, from the first; all where nothing is said
 */
export async function migrate(database: Database, steps = MIGRATIONS.length): Promise<void> {
  await database.migrate.latest({
    migrationSource: {
      getMigrations: async () => MIGRATIONS.slice(0, steps),
      getMigrationName: (migration: Migration) => migration.name,
      getMigration: async (migration: Migration) => ({ up: migration.up, down: refuseDown }),
    },
  });
}

async function refuseDown(): Promise<void> {
  throw new Error('migrations only go up');
}
