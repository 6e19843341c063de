import type { RequestOf, WayChoice } from '@ivlen/contract';
import type { OfferedChoice } from './offered-choice';

/** By choice, the keys of the options that were ticked by hand. */
export type Ticked = Readonly<Record<string, readonly string[]>>;

/** A choice with the places of the options that are ticked, in order; the one in force always is. */
export interface TickedChoice extends OfferedChoice {
  readonly places: readonly number[];
}

/** What is ticked: by hand where somebody did, else as it is offered. */
export function tickedChoices(offered: readonly OfferedChoice[], ticked: Ticked): readonly TickedChoice[] {
  return offered.map((choice) => {
    const byHand = Object.hasOwn(ticked, choice.key) ? ticked[choice.key] : undefined;
    const places = [...choice.options.keys()].filter((place) => {
      const option = choice.options[place];
      return place === choice.own || (byHand && option ? byHand.includes(option.key) : option?.because != null);
    });
    return { ...choice, places };
  });
}

/** The same ticks with one option more or less. */
export function withTick(choice: TickedChoice, place: number, on: boolean): readonly string[] {
  return [...choice.options.keys()].flatMap((at) => {
    const option = choice.options[at];
    const isTicked = at === place ? on : choice.places.includes(at);
    return option && isTicked ? [option.key] : [];
  });
}

/** How many combinations the ticks make. */
export function combinationsOfTicks(choices: readonly TickedChoice[]): number {
  return choices.reduce((product, { places }) => product * places.length, 1);
}

interface WaysOf {
  readonly x: string;
  readonly y: string;
  readonly alternative: RequestOf<'ways'>['alternative'];
  readonly level: number;
  readonly alpha: number;
}

/** The seed of a sample where there are more combinations than are computed; the same ticks draw the same. */
const SEED = 1;

/** The request for all combinations of what is ticked. */
export function waysRequest(choices: readonly TickedChoice[], { x, y, alternative, level, alpha }: WaysOf): RequestOf<'ways'> {
  return {
    kind: 'ways',
    x,
    y,
    choices: choices.map(({ choice, places }) => onlyTicked(choice, places)),
    own: choices.map(({ places, own }) => places.indexOf(own)),
    alternative,
    level,
    alpha,
    seed: SEED,
  };
}

function onlyTicked(choice: WayChoice, places: readonly number[]): WayChoice {
  const options = places.map((place) => choice.options[place]);
  // The options are those of this very choice, which the type of a union cannot say.
  return { ...choice, options } as WayChoice;
}
