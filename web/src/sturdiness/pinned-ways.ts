import { waysRequestSchema } from '@ivlen/contract';
import { z } from 'zod';
import type { CautionedPair } from '../coefficients/use-pair-cautions';
import type { Pinned } from '../pins/pin-button';
import { displayName } from '../study/variable-name';
import type { TickedChoice } from './ticked';
import type { WaysState } from './use-ways';

/** The ways of a pair as they are pinned: the request, and what its choices are called. */
export function pinnedWays({ study: _, x, y, method, settings, among }: CautionedPair, { request, choices }: WaysState): Pinned {
  return {
    stage: 'correlations',
    thing: 'pair',
    title: waysTitle(x, y),
    request,
    settings: { ...settings, method, x: x.id, y: y.id, among: among.map(({ id }) => id), section: 'sturdiness', ways: choices.map(named) },
  };
}

export function waysTitle(x: CautionedPair['x'], y: CautionedPair['y']): string {
  return `Ways to the coefficient of ${displayName(x)} and ${displayName(y)}`;
}

/** What of a choice its words need. */
export type NamedChoice = Pick<TickedChoice, 'key' | 'title' | 'options' | 'places'>;

function named({ key, title, options, places }: TickedChoice): NamedChoice {
  return { key, title, options, places };
}

const namedChoicesSchema = z.object({
  ways: z.array(
    z.object({
      key: z.string(),
      title: z.string(),
      options: z.array(z.object({ key: z.string(), label: z.string(), inWords: z.string(), because: z.string().nullable() })),
      places: z.array(z.number().int()),
    }),
  ),
});

/** What was pinned; null where it is no pin of ways that this version understands. */
export function readPinnedWays(request: unknown, settings: unknown) {
  const [asked, choices] = [waysRequestSchema.safeParse(request), namedChoicesSchema.safeParse(settings)];
  return asked.success && choices.success ? { request: asked.data, choices: choices.data.ways } : null;
}
