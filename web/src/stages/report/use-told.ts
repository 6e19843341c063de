import type { PinBlock, ReportBlock, ReportSettings, Study } from '@ivlen/contract';
import { keepPreviousData, useQueries, useQueryClient } from '@tanstack/react-query';
import { type ToldPin, toldQuery } from '../../telling/tell-pin';
import { useTellingStages } from '../../telling/telling-stages';

/** What each pin of a report says by now: told, still coming, or why not. */
export interface PinState {
  readonly pin: ToldPin | undefined;
  readonly error: Error | null;
}

/** Tells all pins of a report. */
export function useTold(study: Study, blocks: readonly ReportBlock[], settings: ReportSettings): ReadonlyMap<string, PinState> {
  const client = useQueryClient();
  const stages = useTellingStages();
  const pins = blocks.filter(isPin);
  return useQueries({
    queries: pins.map(({ content: { pin }, shows }) => ({
      ...toldQuery(client, stages, study, { pin, shows }, settings),
      placeholderData: keepPreviousData,
    })),
    combine: (results) => new Map(results.map(({ data, error }, i) => [pins[i]?.id ?? '', { pin: data, error: data ? null : error }])),
  });
}

/** Whether something pinned stands in a block, and no text alone. */
export function isPin(block: ReportBlock): block is PinBlock {
  return block.content.kind === 'pin';
}
