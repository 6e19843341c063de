import type { CorrelationResult } from '@ivlen/contract';
import type { CorrelationMatrix, MatrixDiagonal } from '@ivlen/core';
import type { Pieces } from './analysis';
import type { PairCorrelation } from './correlation-test';
import { finiteOrNull } from './finite-or-null';

const FIELDS = ['coefficient', 'pValue', 'log10P', 'n', 'low', 'high', 'pMethod', 'undefinedBecause', 'remedied'] as const;
type Field = (typeof FIELDS)[number];
/** What a matrix says of some pairs, field by field. */
type Fields = { readonly [F in Field]: CorrelationResult[F][number][] };

/** A variable has no p-value and no interval with itself. */
const NO_TEST = { pValue: Number.NaN, log10P: Number.NaN, pMethod: 't', interval: null } as const;

/** Cells of a matrix, by the place of the pair in its list; as seen from the variable whose id comes first. */
export class Cells implements Pieces {
  readonly places: number[] = [];
  readonly fields: Fields = {
    coefficient: [],
    pValue: [],
    log10P: [],
    n: [],
    low: [],
    high: [],
    pMethod: [],
    undefinedBecause: [],
    remedied: [],
  };

  addFromMatrix(place: number, matrix: CorrelationMatrix, at: number): void {
    const { fields } = this;
    this.places.push(place);
    fields.coefficient.push(finiteOrNull(matrix.coefficient[at] ?? Number.NaN));
    fields.pValue.push(finiteOrNull(matrix.pValue[at] ?? Number.NaN));
    fields.log10P.push(finiteOrNull(matrix.log10P[at] ?? Number.NaN));
    fields.n.push(matrix.n[at] ?? 0);
    fields.low.push(finiteOrNull(matrix.low[at] ?? Number.NaN));
    fields.high.push(finiteOrNull(matrix.high[at] ?? Number.NaN));
    fields.pMethod.push(matrix.pMethod[at] ?? 't');
    fields.undefinedBecause.push(matrix.undefinedBecause[at] ?? null);
    fields.remedied.push(false);
  }

  addTest(place: number, test: Omit<PairCorrelation, 'method' | 'statistic' | 'alternative' | 'zVariance'>, remedied = false): void {
    const { fields } = this;
    this.places.push(place);
    fields.coefficient.push(finiteOrNull(test.coefficient));
    fields.pValue.push(finiteOrNull(test.pValue));
    fields.log10P.push(finiteOrNull(test.log10P));
    fields.n.push(test.n);
    fields.low.push(test.interval?.low ?? null);
    fields.high.push(test.interval?.high ?? null);
    fields.pMethod.push(test.pMethod);
    fields.undefinedBecause.push(test.undefinedBecause ?? null);
    fields.remedied.push(remedied);
  }

  addDiagonal(place: number, { coefficient, n, undefinedBecause }: MatrixDiagonal): void {
    this.addTest(place, { ...NO_TEST, coefficient, n, ...(undefinedBecause ? { undefinedBecause } : {}) });
  }

  addFromResult(place: number, result: CorrelationResult, at: number): void {
    this.places.push(place);
    for (const field of FIELDS) this.fields[field].push(result[field][at] as never);
  }
}

/** Writes a cell into a result, at its place and, with x and y exchanged, at the other side of the diagonal. */
export function writeCell(result: CorrelationResult, { fields }: Pieces, k: number, at: number, across: number): void {
  const own = fields as Fields;
  for (const field of FIELDS) {
    result[field][at] = own[field][k] as never;
    result[field][across] = own[field][k] as never;
  }
  const because = own.undefinedBecause[k] ?? null;
  if (because === 'constant-x' || because === 'constant-y') result.undefinedBecause[across] = EXCHANGED[because];
}

const EXCHANGED = { 'constant-x': 'constant-y', 'constant-y': 'constant-x' } as const;
