import {
  type CorrelationRequest,
  type CorrelationResult,
  methodForPair,
  remedyOfPair,
  type TakenRemedy,
  variablesOfRemedy,
} from '@ivlen/contract';
import { byMethod, COEFFICIENTS, correlationMatrix, METHOD_NAMES, type Method, matrixDiagonal } from '@ivlen/core';
import type { AnalysisModule, PieceKey, PieceNeeds, Pieces, PreparedVariables, Tell } from './analysis';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { Cells, writeCell } from './correlation-cells';
import { correlationOf, intervalKind } from './correlation-test';
import { allCorrelatable, findVariable } from './needed-variables';
import { PairRemedies } from './pair-remedy';

/** The matrix by the method of all pairs, and the pairs of those variables that have a method of their own by that. */
export const correlation: AnalysisModule<'correlation'> = {
  needs: ({ variables, control, ...request }, all) => [
    ...allCorrelatable(all, [...variables, ...control]),
    ...remediesIn({ variables, control, ...request }).flatMap((remedy) => variablesOfRemedy(remedy).map((id) => findVariable(all, id))),
  ],
  looksAt: ['kind', 'detectionLimit'],
  run: correlate,
  pieces: { of: keysOf, from: cellsOf, needs: needsOf, compute: computeCells },
  counts: 'pairs',
};

const NOTHING: PreparedVariables = { ranks: new Map(), sums: null };

function correlate(request: CorrelationRequest, columns: AnalysisColumns, tell: Tell, known: Pieces): CorrelationResult {
  const pairs = pairsOf(request);
  const isKnown = new Set(known.places);
  const wanted = pairs.flatMap((_, place) => (isKnown.has(place) ? [] : [place]));
  const result = emptyResult(request);
  const size = request.variables.length;
  for (const cells of [known, computeCells(request, columns, wanted, NOTHING, tell)]) {
    cells.places.forEach((place, k) => {
      const { i, j } = pairs[place] ?? NO_PAIR;
      writeCell(result, cells, k, i * size + j, j * size + i);
    });
  }
  return result;
}

/** All but the cells. */
function emptyResult({ variables, method, byVariable }: CorrelationRequest): CorrelationResult {
  const size = variables.length;
  const methods = variables.flatMap((a) => variables.map((b) => (a === b ? method : methodForPair(method, byVariable, a, b))));
  const numbers = () => new Array<number | null>(size * size).fill(null);
  return {
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
    remedied: new Array<boolean>(size * size).fill(false),
  };
}

interface Pair {
  /** Places of the two variables; the id of the first comes first. The same twice: the diagonal. */
  readonly i: number;
  readonly j: number;
  readonly method: Method;
  readonly remedy: TakenRemedy | null;
}
const NO_PAIR: Pair = { i: -1, j: -1, method: 'pearson', remedy: null };

/** All remedies that some pair has. */
function remediesIn(request: CorrelationRequest): TakenRemedy[] {
  return [...new Set(pairsOf(request).flatMap(({ remedy }) => remedy ?? []))];
}

function pairsOf({ variables, method, byVariable, remedies, control }: CorrelationRequest): Pair[] {
  return variables.flatMap((a, i) =>
    variables.slice(0, i + 1).map((b, j) => {
      const own = i === j ? method : methodForPair(method, byVariable, a, b);
      // Held constant for all pairs goes before what was decided for one.
      const remedy = i === j || control.length > 0 ? null : remedyOfPair(remedies, a, b);
      return a < b ? { i, j, method: own, remedy } : { i: j, j: i, method: own, remedy };
    }),
  );
}

function keysOf(request: CorrelationRequest): PieceKey[] {
  const { variables, alternative, level, interval, control, rows } = request;
  const how = JSON.stringify([alternative, level, interval, control, rows]);
  const others = [...control, ...rows.completeFor, ...(rows.group ? [rows.group.by] : [])];
  return pairsOf(request).map(({ i, j, method, remedy }) => ({
    key: remedy ? `${method} ${how} ${JSON.stringify(remedy)}` : `${method} ${how}`,
    variables: [variables[i] ?? '', variables[j] ?? '', ...others, ...variablesOfRemedy(remedy)],
  }));
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

function needsOf(request: CorrelationRequest, places: readonly number[], rows: number): PieceNeeds {
  const all = pairsOf(request);
  const pairs = places.map((place) => all[place] ?? NO_PAIR).filter(({ i, j }) => i !== j);
  if (isByPair(request)) {
    return { ranks: [], sums: [], effort: pairs.length * rows * (request.interval === 'bootstrap' ? RESAMPLES : FITTING) };
  }
  const touched = (ofRanks: boolean) => {
    const variables = new Set(pairs.flatMap(({ i, j, method }) => (COEFFICIENTS[method].ofRanks === ofRanks ? [i, j] : [])));
    return request.variables.filter((_, place) => variables.has(place));
  };
  const ranks = touched(true);
  const passes = pairs.reduce((sum, { method }) => sum + COEFFICIENTS[method].passes, 0);
  return { ranks, sums: touched(false), effort: rows * (passes + SORTING * ranks.length) };
}

/** The cells of the pairs at some places. */
function computeCells(
  request: CorrelationRequest,
  columns: AnalysisColumns,
  places: readonly number[],
  prepared: PreparedVariables,
  tell: Tell,
): Cells {
  const cells = new Cells();
  const all = pairsOf(request);
  const wanted = places.map((place) => ({ place, ...(all[place] ?? NO_PAIR) }));
  for (const { place, i, j } of wanted)
    if (i === j) cells.addDiagonal(place, matrixDiagonal(columnOf(columns, request.variables[i] ?? '')));
  const done = (more: number) => tell(cells.places.length + more, wanted.length);
  const remedies = new PairRemedies(columns);
  const idOf = (place: number) => request.variables[place] ?? '';
  const pairs = wanted.filter(({ place, i, j, method, remedy }) => {
    const remedied = remedy && remedies.test(remedy, method, idOf(i), idOf(j), request);
    if (remedied) cells.addTest(place, remedied, true);
    if (remedied) done(0);
    return i !== j && !remedied;
  });
  if (!isByPair(request)) {
    const byThis = byMethod((method) => pairs.filter((pair) => pair.method === method));
    for (const method of METHOD_NAMES) addMatrix(cells, request, columns, method, byThis[method], prepared, done);
    return cells;
  }
  const held = request.control.map((id) => columnOf(columns, id));
  for (const { place, i, j, method } of pairs) {
    const [x, y] = [columnOf(columns, request.variables[i] ?? ''), columnOf(columns, request.variables[j] ?? '')];
    cells.addTest(place, correlationOf(method, x, y, held, request));
    done(0);
  }
  return cells;
}

/** Adds some pairs by one method, computed as a matrix of the variables that they touch. */
function addMatrix(
  cells: Cells,
  { variables, alternative, level, interval }: CorrelationRequest,
  columns: AnalysisColumns,
  method: Method,
  pairs: readonly (Pair & { readonly place: number })[],
  { ranks, sums }: PreparedVariables,
  done: (more: number) => void,
): void {
  if (pairs.length === 0) return;
  const summed = COEFFICIENTS[method].ofRanks ? null : sums;
  const touched = new Set(summed ? summed.of.map((id) => variables.indexOf(id)) : pairs.flatMap(({ i, j }) => [i, j]));
  const used = variables.flatMap((_, i) => (touched.has(i) ? [i] : []));
  const size = used.length;
  const at = new Map(used.map((i, k) => [i, k]));
  const cellOf = (i: number, j: number) => (at.get(i) ?? 0) * size + (at.get(j) ?? 0);
  const wanted = new Set(pairs.flatMap(({ i, j }) => [cellOf(i, j), cellOf(j, i)]));
  const matrix = correlationMatrix(
    used.map((i) => columnOf(columns, variables[i] ?? '')),
    {
      method,
      // Listwise deletion has been done to the rows already.
      missing: 'pairwise',
      alternative,
      level,
      interval: intervalKind(method, interval),
      only: (row, column) => wanted.has(row * size + column),
      prepared: { ranked: used.map((i) => ranks.get(variables[i] ?? '')), ...(summed ? { sums: summed.sums } : {}) },
      onProgress: done,
    },
  );
  for (const { place, i, j } of pairs) cells.addFromMatrix(place, matrix, cellOf(i, j));
}

function cellsOf(request: CorrelationRequest, result: CorrelationResult): Cells {
  const cells = new Cells();
  const size = request.variables.length;
  pairsOf(request).forEach(({ i, j }, place) => void cells.addFromResult(place, result, i * size + j));
  return cells;
}
