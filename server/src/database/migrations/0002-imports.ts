import type { Knex } from 'knex';

/** Files on their way in: kept apart from studies until "Create study", and forgotten after a day. */
export async function imports(knex: Knex): Promise<void> {
  await knex.raw(`
    create table import_file (
      id uuid primary key,
      name text not null,
      bytes integer not null,
      settings jsonb,
      created timestamptz not null default now()
    );

    create table import_part (
      import_id uuid not null references import_file on delete cascade,
      part integer not null,
      data bytea not null,
      primary key (import_id, part)
    );
    alter table import_part alter column data set storage external;
  `);
}
