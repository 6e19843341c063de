import type { Knex } from 'knex';

/** Files on their way in wait in a folder; the database keeps how they were read. */
export async function spooledImports(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table import_part;
    delete from import_file;
    alter table import_file drop column settings;
    alter table import_file alter column bytes type bigint;
    alter table import_file add column reading text not null;
    alter table import_file add column preview jsonb not null;
  `);
}
