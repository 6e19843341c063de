import { pairKey, type SturdinessSettings, type WaysResult } from '@ivlen/contract';
import { useMemo } from 'react';
import type { Progress } from '../api/client';
import { useLongAnalysis } from '../api/use-long-analysis';
import { type CautionedPair, usePairCautions } from '../coefficients/use-pair-cautions';
import { useGrouping } from '../settings/use-grouping';
import { useSettings } from '../settings/use-settings';
import { offeredChoices } from './offered';
import { type TickedChoice, tickedChoices, waysRequest, withTick } from './ticked';

const NOTHING_TICKED: SturdinessSettings = { ticked: {} };

export interface WaysState {
  readonly choices: readonly TickedChoice[];
  readonly result: WaysResult | undefined;
  readonly error: Error | null;
  readonly progress: Progress | null;
  readonly request: ReturnType<typeof waysRequest>;
  tick(choice: TickedChoice, place: number, on: boolean): void;
  /** Ticks as they are offered. */
  readonly untouched: boolean;
  reset(): void;
  stop(): void;
  resume(): void;
  readonly stopped: boolean;
}

/** All defensible ways of a pair, as they are ticked; undefined while it is not known what is offered. */
export function useWays(asked: CautionedPair): WaysState | undefined {
  const { study, x, y, method, settings, among } = asked;
  const grouping = useGrouping(study);
  // Without cautions only what is in force is ticked.
  const { found: cautions, settled } = usePairCautions(asked);
  const { settings: stored, change } = useSettings(study.id, 'sturdiness', NOTHING_TICKED);
  const known = settled && stored !== undefined;
  const key = pairKey(x.id, y.id);
  const byHand = stored?.ticked[key];
  const groupBy = grouping?.by ?? null;
  const choices = useMemo(
    () =>
      tickedChoices(
        offeredChoices({
          study,
          x,
          y,
          method,
          among,
          missing: settings.missing,
          control: settings.control,
          groupBy,
          cautions,
        }),
        byHand ?? {},
      ),
    [study, x, y, method, among, settings.missing, settings.control, groupBy, cautions, byHand],
  );
  const analysis = waysRequest(choices, {
    x: x.id,
    y: y.id,
    alternative: settings.alternative,
    level: settings.level,
    alpha: settings.levels[0] ?? 0.05,
  });
  const { data, isFetching: _, ...running } = useLongAnalysis(study, analysis, { enabled: known });
  if (!known) return undefined;
  const save = (ticked: SturdinessSettings['ticked'][string] | null) => {
    const { [key]: _, ...others } = stored.ticked;
    change({ ticked: ticked === null ? others : { ...others, [key]: ticked } });
  };
  return {
    choices,
    result: data,
    ...running,
    request: analysis,
    tick: (choice, place, on) => save({ ...byHand, [choice.key]: [...withTick(choice, place, on)] }),
    untouched: byHand === undefined,
    reset: () => save(null),
  };
}
