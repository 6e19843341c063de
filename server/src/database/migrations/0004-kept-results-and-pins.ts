import type { Knex } from 'knex';

/** Results that survive a restart, what is pinned for the report, and how each chunk is written with a checksum of it. */
export async function keptResultsAndPins(knex: Knex): Promise<void> {
  await knex.raw(`
    create table result_cache (
      key text primary key,
      study uuid not null references study on delete cascade,
      result json not null,
      bytes integer not null,
      used timestamptz not null default clock_timestamp()
    );
    create index result_cache_study on result_cache (study);
    create index result_cache_used on result_cache (used);

    create table pin (
      id uuid primary key,
      study uuid not null references study on delete cascade,
      place integer not null,
      stage text not null,
      thing text not null,
      title text not null,
      request jsonb,
      settings jsonb not null,
      revision integer,
      created timestamptz not null default now()
    );
    create index pin_study on pin (study, place);

    -- Without it each deleted revision looks for its children among all of them.
    create index revision_parent on revision (study, parent);

    alter table column_chunk add column encoding smallint not null default 1;
    alter table column_chunk add column checksum bytea;
    update column_chunk set checksum = sha256(data);
    alter table column_chunk alter column checksum set not null;
    alter table column_chunk alter column encoding drop default;
  `);
}
