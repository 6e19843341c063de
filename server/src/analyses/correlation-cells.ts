import type { CorrelationResult } from '@ivlen/contract';
import type { CorrelationMatrix } from '@ivlen/core';
import type { Piece } from './analysis';
import type { PairCorrelation } from './correlation-test';
import { figure } from './figures';

export const FIELDS = ['coefficient', 'pValue', 'log10P', 'n', 'low', 'high', 'pMethod', 'undefinedBecause'] as const;
/** What a matrix says of one pair. */
export type Cell = { readonly [F in (typeof FIELDS)[number]]: CorrelationResult[F][number] };

export function matrixCell(matrix: CorrelationMatrix, at: number): Cell {
  return {
    coefficient: figure(matrix.coefficient[at] ?? Number.NaN),
    pValue: figure(matrix.pValue[at] ?? Number.NaN),
    log10P: figure(matrix.log10P[at] ?? Number.NaN),
    n: matrix.n[at] ?? 0,
    low: figure(matrix.low[at] ?? Number.NaN),
    high: figure(matrix.high[at] ?? Number.NaN),
    pMethod: matrix.pMethod[at] ?? 't',
    undefinedBecause: matrix.undefinedBecause[at] ?? null,
  };
}

export function testCell(test: PairCorrelation): Cell {
  return {
    coefficient: figure(test.coefficient),
    pValue: figure(test.pValue),
    log10P: figure(test.log10P),
    n: test.n,
    low: test.interval?.low ?? null,
    high: test.interval?.high ?? null,
    pMethod: test.pMethod,
    undefinedBecause: test.undefinedBecause ?? null,
  };
}

const MIRRORED = { 'constant-x': 'constant-y', 'constant-y': 'constant-x' } as const;

/** The same pair with x and y exchanged. */
export function mirrored(cell: Cell): Cell {
  const because = cell.undefinedBecause;
  return because === 'constant-x' || because === 'constant-y' ? { ...cell, undefinedBecause: MIRRORED[because] } : cell;
}

export function writeCell(result: CorrelationResult, at: number, cell: Cell): void {
  const set = <F extends (typeof FIELDS)[number]>(field: F) => {
    result[field][at] = cell[field] as never;
  };
  FIELDS.forEach(set);
}

export function readCell(piece: Piece | undefined): Cell {
  if (!piece) throw new Error('a pair of the matrix was neither known nor computed');
  return piece as Cell;
}
