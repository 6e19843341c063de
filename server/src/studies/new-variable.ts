import type { Variable } from '@ivlen/contract';

type Known = Pick<Variable, 'id' | 'name' | 'kind' | 'storage' | 'version'>;

/** The first codebook entry of a variable: what is known of it, and nothing said about the rest. */
export function newVariable(known: Known & Partial<Variable>): Variable {
  return {
    label: null,
    unit: null,
    decimals: null,
    role: null,
    highMeans: null,
    valueLabels: {},
    missingCodes: [],
    validRange: null,
    note: null,
    detectionLimit: null,
    reliability: null,
    derivation: null,
    ...known,
  };
}
