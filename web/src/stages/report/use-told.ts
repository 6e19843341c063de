import type { PinBlock, ReportBlock, ReportSettings, Study } from '@ivlen/contract';
import { keepPreviousData, useQueries, useQueryClient } from '@tanstack/react-query';
import { decimalsInUse } from '../../numbers/number-text';
import { useTellingStages } from '../../telling/telling-stages';
import { type ToldPin, tellPin } from './tell-pin';

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
  const decimals = decimalsInUse();
  return useQueries({
    queries: pins.map(({ content: { pin }, shows }) => ({
      queryKey: ['told', study.id, study.head, pin, shows, settings, decimals] as const,
      queryFn: () => tellPin(client, stages, study, { pin, shows }, settings),
      placeholderData: keepPreviousData,
    })),
    combine: (results) => new Map(results.map(({ data, error }, i) => [pins[i]?.id ?? '', { pin: data, error: data ? null : error }])),
  });
}

function isPin(block: ReportBlock): block is PinBlock {
  return block.content.kind === 'pin';
}
