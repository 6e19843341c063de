import { type ModelTriangle, modelFromTriangle, type Terms, termInflation, toldBy } from '@ivlen/core';

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

/** Of the predictors that others tell most of: how their coefficients and SEs stand with and without those; null without a regression. */
export function findHarm(model: ModelTriangle, terms: Terms): Harm[] | null {
  const whole = modelFromTriangle(model, terms.flat());
  if (whole.undefinedBecause) return null;
  return termInflation(model, terms).flatMap(({ df, inflation, adjusted, share }, k): Harm[] => {
    if (df !== 1 || !(inflation >= HARMED_FROM)) return [];
    const place = terms.slice(0, k).flat().length + 1;
    return [
      {
        term: k,
        factor: adjusted,
        b: whole.coefficients[place] ?? Number.NaN,
        se: whole.se[place] ?? Number.NaN,
        without: toldBy(model, terms, k, share).partners.map((partner) => {
          const less = modelFromTriangle(model, terms.filter((_, at) => at !== partner).flat());
          const at = place - (partner < k ? (terms[partner]?.length ?? 0) : 0);
          return { partner, b: less.coefficients[at] ?? Number.NaN, se: less.se[at] ?? Number.NaN };
        }),
      },
    ];
  });
}
