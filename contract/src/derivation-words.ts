import type { Variable } from './codebook';
import type { Derivation, Scale } from './derivations';

const SCALES: Readonly<Record<Scale, string>> = {
  log10: 'log10',
  ln: 'natural logarithm',
  sqrt: 'square root',
  'cube-root': 'cube root',
  reciprocal: 'reciprocal',
  square: 'square',
  reflect: 'reflection',
  standardize: 'standard scores',
  'rank-normal': 'normal scores of ranks',
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
      return `${SCALES[derivation.scale]} of ${nameOf(derivation.source)}${derivation.shift === 0 ? '' : ` + ${derivation.shift}`}`;
    case 'cut':
      return `${nameOf(derivation.source)} cut at ${derivation.points.join(', ')}`;
    case 'quantile-groups':
      return `${nameOf(derivation.source)} in ${derivation.groups} groups of about equal size`;
    case 'recode':
      return `${nameOf(derivation.source)} with other categories`;
  }
}
