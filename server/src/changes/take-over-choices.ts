import type { ChoicesPreview } from '@ivlen/contract';
import type { Connection } from '../database/connect';
import { DomainError } from '../errors/domain-error';
import { countOf } from '../phrases/phrases';
import { selectAllSettings, writeSettings } from '../settings/settings-repository';
import { getStudy } from '../studies/study-repository';
import type { AppliedChange, ChangeContext } from './applied-change';
import { type Transferred, transferChoices } from './transfer-choices';

/** Takes over the choices of another study, as it stands. @throws {DomainError} 'nothing-fits' */
export async function takeOverChoices({ db, table, number }: ChangeContext, from: string): Promise<AppliedChange> {
  const { name, transferred } = await transfer(db, table.study, table.state, from, number);
  await writeSettings(db, table.study, transferred.settings);
  const { fits, notFitting, state } = transferred;
  const rest = notFitting.length > 0 ? `; ${notFitting.length} of them did not fit` : '';
  return {
    kind: 'choices',
    summary: `Choices of “${name}” taken over: ${fits[0]}${fits.length > 1 ? ` and ${countOf(fits.length - 1, 'more', 'more')}` : ''}${rest}`,
    figures: { fits, notFitting },
    state,
  };
}

/** What of another study's choices would fit. */
export async function previewChoices(db: Connection, study: string, from: string): Promise<ChoicesPreview> {
  const { state, head } = await getStudy(db, study);
  const { fits, notFitting } = (await transfer(db, study, state, from, head + 1)).transferred;
  return { fits, notFitting };
}

async function transfer(
  db: Connection,
  study: string,
  state: Transferred['state'],
  from: string,
  number: number,
): Promise<{ name: string; transferred: Transferred }> {
  const other = await getStudy(db, from);
  const [theirs, ours] = [await selectAllSettings(db, from), await selectAllSettings(db, study)];
  const transferred = transferChoices({ state: other.state, settings: theirs }, { state, settings: ours }, number);
  if (transferred.fits.length === 0) {
    throw new DomainError('nothing-fits', `Nothing that “${other.name}” says fits this study: no variable has the same name.`, {
      hint: 'Give the variables here the names that they have there.',
    });
  }
  return { name: other.name, transferred };
}
