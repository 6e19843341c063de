import { type CorrelationRequest, type CorrelationResult, methodForPair } from '@ivlen/contract';
import { byMethod, COEFFICIENTS, correlationMatrix, type Method, matrixDiagonal } from '@ivlen/core';
import type { AnalysisModule, Piece, PieceNeeds, PreparedVariables, Tell } from './analysis';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { type Cell, FIELDS, matrixCell, mirrored, readCell, testCell, writeCell } from './correlation-cells';
import { correlationOf, intervalKind } from './correlation-test';
import { figure } from './figures';
import { allCorrelatable } from './needed-variables';

/** The matrix by the method of all pairs, and the pairs of those variables that have a method of their own by that. */
export const correlation: AnalysisModule<'correlation'> = {
  needs: ({ variables, control }, all) => allCorrelatable(all, [...variables, ...control]),
  run: correlate,
  pieces: { of: piecesOf, from: cellsOf, apart: { needs: needsOf, compute: computeCells } },
  counts: 'pairs',
};

const NOTHING: PreparedVariables = { ranks: new Map(), sums: null };

function correlate(
  request: CorrelationRequest,
  columns: AnalysisColumns,
  tell: Tell,
  known: ReadonlyMap<string, Piece>,
): CorrelationResult {
  const pairs = pairsOf(request);
  const wanted = new Set(pairs.flatMap(({ key }) => (known.has(key) ? [] : [key])));
  const computed = computeCells(request, columns, wanted, NOTHING, tell);
  const result = emptyResult(request, columns);
  const size = request.variables.length;
  for (const { i, j, key } of pairs) {
    const cell = readCell(known.get(key) ?? computed.get(key));
    writeCell(result, i * size + j, cell);
    writeCell(result, j * size + i, mirrored(cell));
  }
  return result;
}

/** All but the pairs. */
function emptyResult({ variables, method, byVariable }: CorrelationRequest, columns: AnalysisColumns): CorrelationResult {
  const size = variables.length;
  const methods = variables.flatMap((a) => variables.map((b) => (a === b ? method : methodForPair(method, byVariable, a, b))));
  const numbers = () => new Array<number | null>(size * size).fill(null);
  const result: CorrelationResult = {
    kind: 'correlation',
    variables,
    methods,
    coefficient: numbers(),
    pValue: numbers(),
    log10P: numbers(),
    n: new Array<number>(size * size).fill(0),
    low: numbers(),
    high: numbers(),
    pMethod: new Array(size * size).fill('t'),
    undefinedBecause: new Array(size * size).fill(null),
  };
  variables.forEach((id, i) => {
    const { coefficient, n, undefinedBecause } = matrixDiagonal(columnOf(columns, id));
    const at = i * size + i;
    [result.coefficient[at], result.n[at], result.undefinedBecause[at]] = [figure(coefficient), n, undefinedBecause];
  });
  return result;
}

interface Pair {
  /** Places of the two; the id of i comes first. */
  readonly i: number;
  readonly j: number;
  readonly key: string;
  readonly method: Method;
}

function pairsOf(request: CorrelationRequest): Pair[] {
  const { variables, method, byVariable, alternative, level, interval, control, rows } = request;
  const how = JSON.stringify([alternative, level, interval, control, rows]);
  return variables.flatMap((a, i) =>
    variables.slice(0, i).map((b, j) => {
      const own = methodForPair(method, byVariable, a, b);
      const [first, second] = a < b ? [a, b] : [b, a];
      // What tells the coefficient of a pair apart from all others of the same rows.
      return { ...(a < b ? { i, j } : { i: j, j: i }), key: JSON.stringify([first, second, own]) + how, method: own };
    }),
  );
}

function piecesOf(request: CorrelationRequest) {
  const { variables, control, rows } = request;
  const others = [...control, ...rows.completeFor, ...(rows.group ? [rows.group.by] : [])];
  return pairsOf(request).map(({ i, j, key }) => ({ key, variables: [variables[i] ?? '', variables[j] ?? '', ...others] }));
}

/** Resamples that a bootstrap interval goes through. */
const RESAMPLES = 2000;

/** Sorting a column, or fitting a pair to what is held constant, takes about as long as going through it so often. */
const SORTING = 10;
const FITTING = 10;

/** Held constant or with a bootstrap interval, each pair is computed by itself. */
function isByPair({ control, interval }: CorrelationRequest): boolean {
  return control.length > 0 || interval === 'bootstrap';
}

function needsOf(request: CorrelationRequest, wanted: ReadonlySet<string>, rows: number): PieceNeeds {
  const pairs = pairsOf(request).filter(({ key }) => wanted.has(key));
  const effort = pairs.length * rows;
  if (isByPair(request)) return { ranks: [], sums: [], effort: effort * (request.interval === 'bootstrap' ? RESAMPLES : FITTING) };
  const touched = (ofRanks: boolean) => {
    const places = pairs.filter(({ method }) => COEFFICIENTS[method].ofRanks === ofRanks).flatMap(({ i, j }) => [i, j]);
    return request.variables.filter((_, place) => places.includes(place));
  };
  const ranks = touched(true);
  return { ranks, sums: touched(false), effort: effort + SORTING * ranks.length * rows };
}

/** The cells of some pairs, as seen from the variable whose id comes first. */
function computeCells(
  request: CorrelationRequest,
  columns: AnalysisColumns,
  wanted: ReadonlySet<string>,
  prepared: PreparedVariables,
  tell: Tell,
): Map<string, Cell> {
  const cells = new Map<string, Cell>();
  const pairs = pairsOf(request).filter(({ key }) => wanted.has(key));
  const done = (more: number) => tell(cells.size + more, pairs.length);
  if (isByPair(request)) {
    const held = request.control.map((id) => columnOf(columns, id));
    for (const { i, j, key, method } of pairs) {
      const [x, y] = [columnOf(columns, request.variables[i] ?? ''), columnOf(columns, request.variables[j] ?? '')];
      cells.set(key, testCell(correlationOf(method, x, y, held, request)));
      done(0);
    }
    return cells;
  }
  const byThis = byMethod((method) => pairs.filter((pair) => pair.method === method));
  for (const method of Object.keys(byThis) as Method[]) {
    if (byThis[method].length > 0)
      matrixCells(request, columns, method, byThis[method], prepared, done).forEach((cell, key) => void cells.set(key, cell));
  }
  return cells;
}

/** Some pairs by one method, computed as a matrix of the variables that they touch. */
function matrixCells(
  { variables, alternative, level, interval }: CorrelationRequest,
  columns: AnalysisColumns,
  method: Method,
  pairs: readonly Pair[],
  { ranks, sums }: PreparedVariables,
  done: (more: number) => void,
): Map<string, Cell> {
  const summed = COEFFICIENTS[method].ofRanks ? null : sums;
  const touched = summed ? summed.of.map((id) => variables.indexOf(id)) : pairs.flatMap(({ i, j }) => [i, j]);
  const places = [...new Set(touched)].sort((a, b) => a - b);
  const size = places.length;
  const at = new Map(places.map((place, k) => [place, k]));
  const cellOf = ({ i, j }: Pair) => (at.get(i) ?? 0) * size + (at.get(j) ?? 0);
  const wanted = new Set(pairs.flatMap(({ i, j, ...pair }) => [cellOf({ ...pair, i, j }), cellOf({ ...pair, i: j, j: i })]));
  const matrix = correlationMatrix(
    places.map((place) => columnOf(columns, variables[place] ?? '')),
    {
      method,
      // Listwise deletion has been done to the rows already.
      missing: 'pairwise',
      alternative,
      level,
      interval: intervalKind(method, interval),
      only: (row, column) => wanted.has(row * size + column),
      prepared: { ranked: places.map((place) => ranks.get(variables[place] ?? '')), ...(summed ? { sums: summed.sums } : {}) },
      onProgress: done,
    },
  );
  return new Map(pairs.map((pair) => [pair.key, matrixCell(matrix, cellOf(pair))]));
}

function cellsOf(request: CorrelationRequest, result: CorrelationResult): ReadonlyMap<string, Piece> {
  const size = request.variables.length;
  return new Map(
    pairsOf(request).map(({ i, j, key }) => [key, Object.fromEntries(FIELDS.map((field) => [field, result[field][i * size + j]]))]),
  );
}
