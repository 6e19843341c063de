import type { WaysTestResult } from '@ivlen/contract';
import { joined } from '../coefficients/coefficient-names';
import { levelText, pRelationText } from '../numbers/number-text';
import type { TickedChoice } from './ticked';

export interface JointSubject {
  readonly x: string;
  readonly y: string;
  /** What some ways hold constant. */
  readonly held: readonly string[];
  /** What names the cases where they have several rows; null where rows are cases. */
  readonly cases: string | null;
  /** Level of each way. */
  readonly alpha: number;
}

/** The joint test in sentences: what was shuffled, what came of it, and what hypothesis that is. */
export function jointInWords(result: WaysTestResult, { x, y, held, cases, alpha }: JointSubject): string[] {
  const { permutations, seed, asExtreme, asMany, medianP, significantP, significant } = result;
  if (medianP === null || significantP === null) return ['No way gives a coefficient that could be compared.'];
  const shuffles = (count: number) =>
    count === 0 ? 'None of them' : count === 1 ? 'One of them' : `${count.toLocaleString('en-GB')} of them`;
  const whole = cases === null ? '' : `, each ${cases} with all its rows, among those of as many`;
  const ways = `${significant.toLocaleString('en-GB')} ${significant === 1 ? 'way' : 'ways'} with p ≤ ${levelText(alpha)} in one direction`;
  return [
    `${permutations.toLocaleString('en-GB')} times ${x} was shuffled against all else${whole} (seed ${seed}), and every way computed again.`,
    `${shuffles(asExtreme)} had as extreme a median: ${pRelationText(medianP)}.`,
    significant === 0
      ? 'No way has a p at most the level, so that nothing is left to be counted.'
      : `${shuffles(asMany)} had as many as the ${ways}: ${pRelationText(significantP)}.`,
    `The hypothesis is that ${x} is independent of ${y}${held.length > 0 ? ` and of ${joined([...held])}, which some ways hold constant` : ''}.`,
  ];
}

/** What the ways hold constant, by name. */
export function heldInWays(choices: readonly TickedChoice[]): string[] {
  return choices.flatMap(({ key, options, places }) =>
    key === 'held' ? places.flatMap((place) => (options[place]?.key === 'nothing' ? [] : [options[place]?.label ?? ''])) : [],
  );
}
