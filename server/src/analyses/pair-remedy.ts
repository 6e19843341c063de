import { type TakenRemedy, variablesOfRemedy } from '@ivlen/contract';
import {
  type MaximumLikelihood,
  type Method,
  maximumLikelihood,
  mostControls,
  type PairRemedy,
  remediedTest,
  remedyServes,
} from '@ivlen/core';
import { type AnalysisColumns, columnOf, type VariableFacts } from './analysis-columns';
import type { How, PairCorrelation } from './correlation-test';

const ORDERED: ReadonlySet<VariableFacts['kind']> = new Set(['ordinal', 'two-valued']);

/** Whether a variable’s values are steps of an order, two of them at least. */
export function isOrdered(variable: Pick<VariableFacts, 'kind'> | undefined): boolean {
  return ORDERED.has(variable?.kind ?? null);
}

/**
 * The remedies that were decided on for some pairs, with the columns that they need.
 * @param columns all rows that the request is about, with gaps
 */
export class PairRemedies {
  readonly #columns: AnalysisColumns;
  readonly #likelihoods = new Map<string, MaximumLikelihood>();

  constructor(columns: AnalysisColumns) {
    this.#columns = columns;
  }

  /** The pair with its remedy carried out; null where the remedy does not fit the pair or the coefficient. */
  test(taken: TakenRemedy, method: Method, x: string, y: string, { alternative, level }: How): PairCorrelation | null {
    const remedy = this.#remedyOf(taken, method, x, y);
    if (!remedy) return null;
    return remediedTest(columnOf(this.#columns, x), columnOf(this.#columns, y), remedy, { method, alternative, level });
  }

  #remedyOf(taken: TakenRemedy, method: Method, x: string, y: string): PairRemedy | null {
    // Another coefficient is chosen before any test is.
    if (taken.kind === 'method' || !remedyServes(taken.kind, method)) return null;
    const needed = variablesOfRemedy(taken);
    if (taken.kind !== 'maximum-likelihood' && needed.some((id) => id === x || id === y)) return null;
    const columns = needed.map((id) => columnOf(this.#columns, id));
    const facts = (id: string) => this.#columns.codebook.variables.find((variable) => variable.id === id);
    switch (taken.kind) {
      case 'distribution-free':
      case 'permutation':
        return taken;
      case 'within':
        return { kind: 'within', groups: columnOf(this.#columns, taken.by), cases: facts(taken.by)?.kind === 'identifier' };
      case 'between':
      case 'cases-drawn':
        return { kind: taken.kind, groups: columnOf(this.#columns, taken.by) };
      case 'maximum-likelihood':
        return { kind: taken.kind, ...(taken.among.length > 2 ? { found: this.#likelihoodOf(taken.among, x, y) } : {}) };
      case 'behind-steps': {
        const steps = [isOrdered(facts(x)), isOrdered(facts(y))] as const;
        return steps[0] || steps[1] ? { kind: taken.kind, steps } : null;
      }
      case 'below-limit': {
        const limits = [facts(x)?.detectionLimit ?? null, facts(y)?.detectionLimit ?? null] as const;
        return limits[0] === null && limits[1] === null ? null : { kind: taken.kind, limits, logs: taken.logs };
      }
      case 'constant':
        return columns.length > mostControls(method) ? null : { kind: taken.kind, held: columns };
    }
  }

  /** Of a whole set, once; a pair outside it is joined to it. */
  #likelihoodOf(among: readonly string[], x: string, y: string) {
    const set = [...new Set([...among, x, y])].sort();
    const key = set.join(' ');
    const all = this.#likelihoods.get(key) ?? maximumLikelihood(set.map((id) => columnOf(this.#columns, id)));
    this.#likelihoods.set(key, all);
    return { all, i: set.indexOf(x), j: set.indexOf(y) };
  }
}
