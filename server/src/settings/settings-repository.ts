import { readAllSettings, readSettings, type Settings, type SettingsOf, type SettingsScope } from '@ivlen/contract';
import type { Connection } from '../database/connect';
import { DomainError } from '../errors/domain-error';

/** Settings that were never saved have version 0. */
const NEVER_SAVED = 0;

interface SavedSettings<S extends SettingsScope> {
  readonly version: number;
  readonly settings: SettingsOf<S> | null;
  /** Whether some are stored that this version does not understand; they stay until others are saved. */
  readonly unreadable: boolean;
}

export async function selectSettings<S extends SettingsScope>(db: Connection, study: string, stage: S): Promise<SavedSettings<S>> {
  const row = await db('stage_setting')
    .where({ study, stage })
    .first<{ version: number; settings: unknown } | undefined>('version', 'settings');
  if (!row) return { version: NEVER_SAVED, settings: null, unreadable: false };
  const settings = readSettings(stage, row.settings);
  return { version: row.version, settings, unreadable: settings === null };
}

/** All saved settings of a study, by the part of it that they belong to. */
export async function selectAllSettings(db: Connection, study: string): Promise<Settings> {
  const rows = await db('stage_setting').where({ study }).select<{ stage: string; settings: unknown }[]>('stage', 'settings');
  return readAllSettings(Object.fromEntries(rows.map(({ stage, settings }) => [stage, settings])));
}

export async function insertSettings<S extends SettingsScope>(
  db: Connection,
  study: string,
  stage: S,
  settings: SettingsOf<S>,
): Promise<void> {
  await db('stage_setting').insert({ study, stage, version: NEVER_SAVED + 1, settings: JSON.stringify(settings) });
}

/**
 * Saves settings if nobody saved others meanwhile.
 * @param expected the version that the new settings were made from
 * @returns the new version
 * @throws {DomainError} 'settings-moved'
 */
export async function saveSettings(
  db: Connection,
  study: string,
  stage: SettingsScope,
  expected: number,
  settings: unknown,
): Promise<number> {
  const version = expected + 1;
  const stored = JSON.stringify(settings);
  const saved =
    expected === NEVER_SAVED
      ? await db('stage_setting')
          .insert({ study, stage, version, settings: stored })
          .onConflict(['study', 'stage'])
          .ignore()
          .returning('version')
      : await db('stage_setting').where({ study, stage, version: expected }).update({ version, settings: stored }).returning('version');
  if (saved.length === 0) {
    throw new DomainError('settings-moved', 'These settings were changed in another window meanwhile.', {
      hint: 'What you see now is what was saved last; make your change again.',
    });
  }
  return version;
}

/** Writes settings over what was saved, whoever saved it. */
export async function writeSettings(db: Connection, study: string, settings: Settings): Promise<void> {
  for (const [stage, value] of Object.entries(settings)) {
    await db('stage_setting')
      .insert({ study, stage, version: NEVER_SAVED + 1, settings: JSON.stringify(value) })
      .onConflict(['study', 'stage'])
      .merge({ settings: JSON.stringify(value), version: db.raw('stage_setting.version + 1') });
  }
}

export async function copySettings(db: Connection, from: string, to: string): Promise<void> {
  await db.raw(
    `insert into stage_setting (study, stage, version, settings)
     select :to::uuid, stage, version, settings from stage_setting where study = :from`,
    { from, to },
  );
}
