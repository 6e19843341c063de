import type { ComparedScale } from './analyses/scales';
import type { Variable } from './codebook';
import type { Derivation, Scale } from './derivations';

/** What a scale is called, wherever one is chosen, compared or told of. */
export const SCALE_WORDS: Readonly<Record<Scale | ComparedScale, string>> = {
  raw: 'as it is',
  log10: 'logarithm to base 10',
  ln: 'natural logarithm',
  sqrt: 'square root',
  'cube-root': 'cube root',
  reciprocal: 'reciprocal, 1/x',
  square: 'square',
  reflect: 'reflected (largest plus smallest less x)',
  centre: 'centred (less its mean)',
  standardize: 'standard scores',
  'rank-normal': 'normal scores of the ranks',
  'box-cox': 'Box–Cox',
  'yeo-johnson': 'Yeo–Johnson',
};

/** Where "of" follows. */
const OF: Partial<Record<Scale, string>> = {
  reciprocal: 'reciprocal',
  reflect: 'reflection',
  centre: 'deviations from the mean',
  'box-cox': 'Box–Cox scale',
  'yeo-johnson': 'Yeo–Johnson scale',
};

/** Puts names in the place of a formula's identifiers: `renameInFormula` of the core, which knows how formulas are read. */
type Renames = (formula: string, nameOf: (id: string) => string | null) => string;

/** "chlorophyll / phosphate", "square root of turbidity": how a variable is computed, sources by name. */
export function derivationInWords(derivation: Derivation, variables: readonly Variable[], rename: Renames): string {
  const nameOf = (id: string) => variables.find((variable) => variable.id === id)?.name ?? null;
  switch (derivation.type) {
    case 'formula':
      return rename(derivation.formula, nameOf);
    case 'scale':
      return `${OF[derivation.scale] ?? SCALE_WORDS[derivation.scale]} of ${nameOf(derivation.source)}${derivation.shift === 0 ? '' : ` + ${derivation.shift}`}`;
    case 'cut':
      return `${nameOf(derivation.source)} cut at ${derivation.points.join(', ')}`;
    case 'quantile-groups':
      return `${nameOf(derivation.source)} in ${derivation.groups} groups of about equal size`;
    case 'recode':
      return `${nameOf(derivation.source)} with other categories`;
    case 'combine':
      return `${derivation.sources.map(nameOf).join(' and ')} combined`;
  }
}
