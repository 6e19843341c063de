import { type ModelTriangle, modelFromTriangle, type Terms } from '@ivlen/core';
import type { Shares } from './find-shares';

/** What collinearity does to one coefficient. */
export interface Harm {
  /** Place of its term, of one column. */
  readonly term: number;
  /** √VIF: the SE over what it would be if the others told nothing of it. */
  readonly factor: number;
  readonly b: number;
  readonly se: number;
  /** The coefficient when a partner is left out. */
  readonly without: readonly { readonly partner: number; readonly b: number; readonly se: number }[];
}

/** From here on it is worth saying: the SE is doubled. */
const HARMED_FROM = 4;

/** Of the predictors that others tell most of: how their coefficients and SEs stand with and without those. */
export function findHarm(model: ModelTriangle, terms: Terms, { inflation, told }: Pick<Shares, 'inflation' | 'told'>): Harm[] {
  const whole = modelFromTriangle(model, terms.flat());
  if (whole.undefinedBecause) return [];
  const places = terms.map((_, k) => terms.slice(0, k).reduce((sum, term) => sum + term.length, 0));
  return terms.flatMap((term, k): Harm[] => {
    const own = inflation[k];
    const place = (places[k] ?? 0) + 1;
    if (term.length !== 1 || !own || !(own.inflation >= HARMED_FROM)) return [];
    return [
      {
        term: k,
        factor: own.adjusted,
        b: whole.coefficients[place] ?? Number.NaN,
        se: whole.se[place] ?? Number.NaN,
        without: (told[k]?.partners ?? []).map((partner) => {
          const kept = terms.filter((_, at) => at !== partner);
          const less = modelFromTriangle(model, kept.flat());
          const at = place - (partner < k ? (terms[partner]?.length ?? 0) : 0);
          return { partner, b: less.coefficients[at] ?? Number.NaN, se: less.se[at] ?? Number.NaN };
        }),
      },
    ];
  });
}
