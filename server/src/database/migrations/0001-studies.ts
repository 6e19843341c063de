import type { Knex } from 'knex';

/** Studies, their revisions, their columns in chunks, and the settings of their stages. */
export async function studies(knex: Knex): Promise<void> {
  await knex.raw(`
    create table study (
      id uuid primary key,
      name text not null,
      note text,
      head integer not null,
      created timestamptz not null default now(),
      changed timestamptz not null default now(),
      archived timestamptz,
      deleted timestamptz
    );

    create table revision (
      study uuid not null references study on delete cascade,
      number integer not null,
      parent integer,
      kind text not null,
      summary text not null,
      reason text,
      figures jsonb,
      row_count integer not null,
      state jsonb not null,
      created timestamptz not null default now(),
      primary key (study, number),
      foreign key (study, parent) references revision (study, number)
    );

    create table column_chunk (
      study uuid not null references study on delete cascade,
      variable text not null,
      chunk integer not null,
      revision integer not null,
      data bytea not null,
      primary key (study, variable, chunk, revision)
    );
    -- Measurements hardly compress, and trying costs more than reading them.
    alter table column_chunk alter column data set storage external;

    create table column_dictionary (
      study uuid not null references study on delete cascade,
      variable text not null,
      revision integer not null,
      entries jsonb not null,
      primary key (study, variable, revision)
    );

    create table stage_setting (
      study uuid not null references study on delete cascade,
      stage text not null,
      version integer not null,
      settings jsonb not null,
      primary key (study, stage)
    );
  `);
}
