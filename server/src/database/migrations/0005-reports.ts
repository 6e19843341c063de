import type { Knex } from 'knex';

/** The report of a study: its blocks in order. What was pinned before becomes a block each, in the same order. */
export async function reports(knex: Knex): Promise<void> {
  await knex.raw(`
    create table report_block (
      id uuid primary key,
      study uuid not null references study on delete cascade,
      place integer not null,
      version integer not null default 1,
      content jsonb not null,
      title text,
      text jsonb,
      shows jsonb,
      beside uuid,
      created timestamptz not null default now()
    );
    create index report_block_study on report_block (study, place);

    insert into report_block (id, study, place, content, created)
    select id, study, place,
      jsonb_build_object('kind', 'pin', 'pin', jsonb_build_object(
        'stage', stage, 'thing', thing, 'title', title, 'request', request, 'settings', settings, 'revision', revision)),
      created
    from pin;
    drop table pin;
  `);
}
