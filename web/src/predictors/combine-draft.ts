import type { Definition, Variable } from '@ivlen/contract';
import { formulaName } from '@ivlen/core';
import { freeName } from '../study/free-name';

/** How a predictor becomes another one. */
export const COMBINE_WAYS = ['z-mean', 'sum', 'ratio', 'centre'] as const;
export type CombineWay = (typeof COMBINE_WAYS)[number];

export const COMBINE_WORDS: Readonly<Record<CombineWay, { name: string; words: string }>> = {
  'z-mean': {
    name: 'Mean of their standard scores',
    words: 'Where both measure the same in different units; one is turned if they go against each other.',
  },
  sum: { name: 'Their sum', words: 'Where they are parts of one whole in the same unit.' },
  ratio: { name: 'Their ratio', words: 'The first by the second: where what counts is one for each of the other.' },
  centre: {
    name: 'Centre the first alone',
    words:
      'Less its mean. Helps where its own square or a product with it stands among the predictors, and is made of the centred one; its slope stays.',
  },
};

/** A name for it that no variable has. */
export function combinedName(way: CombineWay, first: Variable, second: Variable | null, variables: readonly Variable[]): string {
  const other = second?.name ?? '';
  const wanted = {
    'z-mean': `${first.name}_and_${other}`,
    sum: `${first.name}_plus_${other}`,
    ratio: `${first.name}_per_${other}`,
    centre: `${first.name}_centred`,
  };
  return freeName(wanted[way], variables);
}

/** What has to be there first: standard scores, which follow the data, for their mean. */
export function standardScores(
  variable: Variable,
  variables: readonly Variable[],
): { readonly known: string } | { readonly make: Definition } {
  const known = variables.find(
    ({ derivation }) => derivation?.type === 'scale' && derivation.scale === 'standardize' && derivation.source === variable.id,
  );
  if (known) return { known: known.name };
  const name = freeName(`${variable.name}_z`, variables);
  return { make: { name, unit: null, derivation: { type: 'scale', source: variable.id, scale: 'standardize', shift: 0 } } };
}

/** @param scores names of both standard scores, for their mean. @param r of both; against each other one is turned */
export function combination(
  way: CombineWay,
  name: string,
  { first, second, scores, r }: { first: Variable; second: Variable | null; scores: readonly [string, string] | null; r: number },
): Definition | null {
  if (way === 'centre') return { name, unit: first.unit, derivation: { type: 'scale', source: first.id, scale: 'centre', shift: 0 } };
  if (!second) return null;
  const formula = (text: string, unit: string | null): Definition => ({
    name,
    unit,
    derivation: { type: 'formula', formula: text, sources: [], ignoreMissing: false },
  });
  const [a, b] = [formulaName(first.name), formulaName(second.name)];
  if (way === 'sum') return formula(`${a} + ${b}`, first.unit === second.unit ? first.unit : null);
  if (way === 'ratio') return formula(`${a} / ${b}`, null);
  if (!scores) return null;
  const [za, zb] = scores.map(formulaName);
  return formula(`(${za} ${r < 0 ? '-' : '+'} ${zb}) / 2`, null);
}
