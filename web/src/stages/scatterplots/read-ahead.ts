import type { Study } from '@ivlen/contract';
import type { QueryClient } from '@tanstack/react-query';
import { settingsQuery } from '../../api/queries';
import { plottingWorkers } from './plotting/plotting-client';

/** Starts the workers that draw before they are asked to, and reads the settings. */
export async function readAhead(client: QueryClient, study: Study): Promise<void> {
  plottingWorkers();
  await client.prefetchQuery(settingsQuery(study.id, 'scatterplots'));
}
