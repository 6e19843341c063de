import { reportSettingsSchema, rowsInUse, type Study } from '@ivlen/contract';
import type { QueryClient } from '@tanstack/react-query';
import { checksumQuery, settingsQuery } from '../../api/queries';
import { reportQuery } from '../../pins/report-query';
import { toldQuery } from '../../telling/tell-pin';
import type { TellingStages } from '../../telling/telling-stages';
import { isPin } from './use-told';

/** In larger tables what is pinned takes long to compute, and is computed when the report is opened. */
const CELLS_READ_AHEAD = 1_000_000;

/** Tells what is pinned, one after the other, so that nobody waits for it. */
export async function readAhead(client: QueryClient, study: Study, stages: TellingStages): Promise<void> {
  const [{ blocks }, { settings }] = await Promise.all([
    client.fetchQuery(reportQuery(study.id)),
    client.fetchQuery(settingsQuery(study.id, 'report')),
    client.prefetchQuery(settingsQuery(study.id, 'shape')),
  ]);
  if (blocks.length === 0 || rowsInUse(study) * study.state.variables.length > CELLS_READ_AHEAD) return;
  await client.prefetchQuery(checksumQuery(study.id, study.head));
  for (const { content, shows } of blocks.filter(isPin)) {
    await client.prefetchQuery(toldQuery(client, stages, study, { pin: content.pin, shows }, settings ?? reportSettingsSchema.parse({})));
  }
}
