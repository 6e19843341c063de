import { type CorrelationRequest, type CorrelationResult, methodForPair } from '@ivlen/contract';
import { COEFFICIENTS, correlationMatrix } from '@ivlen/core';
import type { AnalysisModule, Piece, Tell } from './analysis';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { correlationOf, intervalKind, type PairCorrelation } from './correlation-test';
import { figure, figures } from './figures';
import { allCorrelatable } from './needed-variables';

/** The matrix by the method of all pairs, and the pairs of those variables that have a method of their own by that. */
export const correlation: AnalysisModule<'correlation'> = {
  needs: ({ variables, control }, all) => allCorrelatable(all, [...variables, ...control]),
  run: correlate,
  pieces: { of: keptPairs, from: cellsOf },
  counts: 'pairs',
};

function correlate(
  request: CorrelationRequest,
  columns: AnalysisColumns,
  tell: Tell,
  known: ReadonlyMap<string, Piece>,
): CorrelationResult {
  const { variables, method, byVariable, alternative, level, interval, control } = request;
  const held = control.map((id) => columnOf(columns, id));
  const values = variables.map((id) => columnOf(columns, id));
  const size = variables.length;
  const pairs = (size * (size - 1)) / 2;
  const methods = variables.flatMap((a) => variables.map((b) => (a === b ? method : methodForPair(method, byVariable, a, b))));
  const cellAt = (i: number, j: number) => readCell(known.get(pairPiece(request, variables[i] ?? '', variables[j] ?? '')));
  const matrix = correlationMatrix(values, {
    method,
    // Listwise deletion has been done to the rows already.
    missing: 'pairwise',
    alternative,
    level,
    interval: intervalKind(method, interval),
    only: (i, j) => cellAt(i, j) === null,
    onProgress: (done) => tell(done, pairs),
  });
  const result: CorrelationResult = {
    kind: 'correlation',
    variables,
    methods,
    coefficient: figures(matrix.coefficient),
    pValue: figures(matrix.pValue),
    log10P: figures(matrix.log10P),
    n: [...matrix.n],
    low: figures(matrix.low),
    high: figures(matrix.high),
    pMethod: [...matrix.pMethod],
    undefinedBecause: [...matrix.undefinedBecause],
  };
  const onItsOwn = held.length > 0 || interval === 'bootstrap';
  for (let i = 0, done = 0; i < size; i++) {
    for (let j = 0; j < i; j++, done++) {
      const cell = cellAt(i, j);
      if (cell) {
        // Kept in the order of the two ids, whichever of them is the row.
        const asRow = (variables[i] ?? '') < (variables[j] ?? '') ? cell : mirrored(cell);
        writeCell(result, i * size + j, asRow);
        writeCell(result, j * size + i, mirrored(asRow));
        continue;
      }
      const own = methods[i * size + j] ?? method;
      const [x, y] = [values[i], values[j]];
      if ((!onItsOwn && own === method) || !x || !y) continue;
      const test = correlationOf(own, x, y, held, { alternative, level, interval });
      write(result, i * size + j, test);
      write(result, j * size + i, mirrored(test));
      tell(done, pairs);
    }
  }
  return result;
}

const MIRRORED = { 'constant-x': 'constant-y', 'constant-y': 'constant-x' } as const;

/** The same pair with x and y exchanged. */
function mirrored<T extends { readonly undefinedBecause?: Cell['undefinedBecause'] }>(test: T): T {
  const because = test.undefinedBecause;
  return because === 'constant-x' || because === 'constant-y' ? { ...test, undefinedBecause: MIRRORED[because] } : test;
}

function write(result: CorrelationResult, at: number, test: PairCorrelation): void {
  writeCell(result, at, {
    coefficient: figure(test.coefficient),
    pValue: figure(test.pValue),
    log10P: figure(test.log10P),
    n: test.n,
    low: test.interval?.low ?? null,
    high: test.interval?.high ?? null,
    pMethod: test.pMethod,
    undefinedBecause: test.undefinedBecause ?? null,
  });
}

const FIELDS = ['coefficient', 'pValue', 'log10P', 'n', 'low', 'high', 'pMethod', 'undefinedBecause'] as const;
/** What a matrix says of one pair. */
type Cell = { readonly [F in (typeof FIELDS)[number]]: CorrelationResult[F][number] };

function writeCell(result: CorrelationResult, at: number, cell: Cell): void {
  const set = <F extends (typeof FIELDS)[number]>(field: F) => {
    result[field][at] = cell[field] as never;
  };
  FIELDS.forEach(set);
}

function readCell(piece: Piece | undefined): Cell | null {
  return (piece as Cell | undefined) ?? null;
}

/** Coefficients of ranks, and whatever is computed pair by pair anyway; products of values are computed for all pairs at once. */
function keptPairs(request: CorrelationRequest) {
  const { variables, method, byVariable, interval, control } = request;
  const onItsOwn = control.length > 0 || interval === 'bootstrap';
  return variables.flatMap((a, i) =>
    variables.slice(0, i).flatMap((b) => {
      const own = methodForPair(method, byVariable, a, b);
      const worthIt = onItsOwn || own !== method || COEFFICIENTS[own].ofRanks;
      return worthIt ? [{ key: pairPiece(request, a, b), variables: [a, b, ...control, ...rowVariables(request)] }] : [];
    }),
  );
}

function rowVariables({ rows }: CorrelationRequest): string[] {
  return [...rows.completeFor, ...(rows.group ? [rows.group.by] : [])];
}

/** What tells the coefficient of a pair apart from all others of the same rows. */
function pairPiece({ method, byVariable, alternative, level, interval, control, rows }: CorrelationRequest, a: string, b: string): string {
  return JSON.stringify([...[a, b].sort(), methodForPair(method, byVariable, a, b), alternative, level, interval, control, rows]);
}

function cellsOf(request: CorrelationRequest, result: CorrelationResult): ReadonlyMap<string, Piece> {
  const { variables } = request;
  const size = variables.length;
  const kept = new Set(keptPairs(request).map(({ key }) => key));
  const cells = new Map<string, Piece>();
  variables.forEach((a, i) => {
    variables.forEach((b, j) => {
      const key = a < b ? pairPiece(request, a, b) : '';
      if (kept.has(key)) cells.set(key, Object.fromEntries(FIELDS.map((field) => [field, result[field][i * size + j]])));
    });
  });
  return cells;
}
