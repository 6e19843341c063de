import type { Knex } from 'knex';

/** What is true of an installation: that the demo was loaded holds also after all studies were removed for good. */
export async function installation(knex: Knex): Promise<void> {
  await knex.raw(`
    create table installation (
      id boolean primary key default true check (id),
      demo_loaded timestamptz
    );
    insert into installation (demo_loaded) select max(created) from study;
  `);
}
