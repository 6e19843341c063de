import { isQuantity, type PairResult, type Remedies, remedyOfPair, type Study, type TakenRemedy, type Variable } from '@ivlen/contract';
import { COEFFICIENTS, type Method } from '@ivlen/core';
import { displayName } from '../study/variable-name';

type Named = Pick<Study, 'state'>;
const LIST = new Intl.ListFormat('en-GB');
const joined = (names: readonly string[]) => LIST.format(names);

/** What a remedy makes of a coefficient, as it stands after its name: "Pearson’s r within each station". */
export function remedyPhrase(remedy: TakenRemedy, study: Named): string {
  const nameOf = (id: string) => namesOf(study, [id]);
  switch (remedy.kind) {
    case 'method':
      return `by ${COEFFICIENTS[remedy.method].name}`;
    case 'distribution-free':
      return 'with the distribution-free interval';
    case 'permutation':
      return 'with p by permutation';
    case 'within':
      return `within each ${nameOf(remedy.by)}`;
    case 'between':
      return `of the means of each ${nameOf(remedy.by)}`;
    case 'cases-drawn':
      return `with intervals from whole cases of ${nameOf(remedy.by)}`;
    case 'maximum-likelihood':
      return 'by maximum likelihood, gaps included';
    case 'behind-steps':
      return 'of the normal variables behind the steps';
    case 'below-limit':
      return `with values below their limits as such${remedy.logs ? ', on logarithms' : ''}`;
    case 'constant':
      return `holding ${namesOf(study, remedy.held)} constant`;
  }
}

/** Remedies of r: coefficients of ranks know of none such. */
const OF_VALUES: ReadonlySet<TakenRemedy['kind']> = new Set(['distribution-free', 'maximum-likelihood', 'behind-steps']);

/** The same beside the coefficients on screen, of which it may serve some only: "(r of the normal variables behind the steps)". */
export function remedyOfMethods(remedy: TakenRemedy, methods: readonly Method[], study: Named): string {
  const phrase = remedyPhrase(remedy, study);
  const served = methods.filter((method) => !OF_VALUES.has(remedy.kind) || !COEFFICIENTS[method].ofRanks);
  if (served.length === methods.length) return phrase;
  if (served.length === 0) return `(r would be taken ${phrase})`;
  return `(${joined(served.map((method) => COEFFICIENTS[method].symbol))} ${phrase})`;
}

function namesOf({ state }: Named, ids: readonly string[]): string {
  return joined(ids.map((id) => displayName(state.variables.find((variable) => variable.id === id) ?? { name: id })));
}

/** What is said of all pairs where nothing was decided. */
export const NO_REMEDY = 'each row for itself';

/** What each remedy for all pairs means, in a line. */
export const REMEDY_LINES: Readonly<Partial<Record<TakenRemedy['kind'], string>>> = {
  within: 'What is left when the differences among them are taken out: rows of the same case count against each other only.',
  between: 'Whether those high in one variable are high in the other; means weighted by their rows, df by their number.',
  'cases-drawn': 'The coefficient of all rows; interval and p from 2,000 samples of whole cases, seed 1.',
  'maximum-likelihood':
    'For r: rows with gaps count with what they have. Supposes normal variables, and gaps that hang on what is there, not on what is missing.',
  'behind-steps':
    'For r: polychoric, tetrachoric and polyserial correlations; what r would be if normal variables were behind the steps of ordered ones.',
  'below-limit': 'r by maximum likelihood, ρ and τ with all that lies below the highest limit tied.',
};

/** The remedies that can be decided on for all pairs of a study. */
export function remediesForAll({ state }: Named, grouping: Variable | null): TakenRemedy[] {
  const identifiers = state.variables.filter(({ kind }) => kind === 'identifier');
  const measured = state.variables.filter((variable) => variable.detectionLimit !== null && isQuantity(variable));
  const ordered = state.variables.some(({ kind, storage }) => storage === 'number' && (kind === 'ordinal' || kind === 'two-valued'));
  return [
    ...identifiers.flatMap(({ id }): TakenRemedy[] => [
      { kind: 'within', by: id },
      { kind: 'between', by: id },
      { kind: 'cases-drawn', by: id },
    ]),
    ...(grouping ? [{ kind: 'within' as const, by: grouping.id }] : []),
    { kind: 'maximum-likelihood', among: [] },
    ...(ordered ? [{ kind: 'behind-steps' as const }] : []),
    ...(measured.length > 0
      ? [
          { kind: 'below-limit' as const, logs: false },
          { kind: 'below-limit' as const, logs: true },
        ]
      : []),
  ];
}

/** What tells a remedy from others, whatever it is computed among. */
export function keyOfRemedy(remedy: TakenRemedy | null): string {
  return remedy ? JSON.stringify(remedy.kind === 'maximum-likelihood' ? { kind: remedy.kind } : remedy) : 'none';
}

/**
 * What was decided for a pair, as a request asks for it: for all pairs maximum likelihood is joint, so that what one variable
 * tells of another's gaps serves all.
 */
export function askedRemedy({ state }: Named, a: string, b: string, among: readonly Pick<Variable, 'id'>[]): TakenRemedy | null {
  return remedyOfPair(askedRemedies(state.remedies, among), a, b);
}

export function askedRemedies(remedies: Remedies, among: readonly Pick<Variable, 'id'>[]): Remedies {
  if (remedies.every?.kind !== 'maximum-likelihood') return remedies;
  return { ...remedies, every: { kind: 'maximum-likelihood', among: among.map(({ id }) => id).toSorted() } };
}

/** How a pair's coefficient was got, where a remedy was decided on and carried out; null where none was. */
export function takenInWords(
  study: Named,
  { x, y, method }: { readonly x: { readonly id: string }; readonly y: { readonly id: string }; readonly method: Method },
  { without }: Pick<PairResult, 'without'>,
): string | null {
  const remedy = remedyOfPair(study.state.remedies, x.id, y.id);
  return remedy && without[method] ? remedyPhrase(remedy, study) : null;
}
