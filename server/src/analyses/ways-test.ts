import type { RequestOf, WaysTestResult } from '@ivlen/contract';
import { computeCombinations, type JointStatistics, jointStatistics, judgeJointly, shuffledStatistics } from '@ivlen/core';
import { type AnalysisModule, NO_PIECES, type Pieces, type Tell } from './analysis';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';
import { findVariable } from './needed-variables';
import { inCore, neededByWays, PASSES_OF_A_WAY } from './ways';

/** All ways to one coefficient tested together. */
export const waysTest: AnalysisModule<'ways-test'> = {
  needs: (request, all) => [...neededByWays(request, all), ...(request.casesBy === null ? [] : [findVariable(all, request.casesBy)])],
  allRows: true,
  run: testOf,
  pieces: { of: keysOf, from: () => NO_PIECES, needs: needsOf, compute: computePieces },
  counts: 'shuffles',
};

/** Each shuffle is a part; none is kept. */
function keysOf({ permutations }: RequestOf<'ways-test'>) {
  return Array.from({ length: permutations }, (_, place) => ({ key: `${place}`, variables: [] }));
}

function needsOf({ choices }: RequestOf<'ways-test'>, places: readonly number[], rows: number) {
  const combinations = choices.reduce((product, { options }) => product * options.length, 1);
  return { ranks: [], sums: [], effort: places.length * combinations * rows * PASSES_OF_A_WAY };
}

function computePieces(
  request: RequestOf<'ways-test'>,
  columns: AnalysisColumns,
  places: readonly number[],
  _: unknown,
  tell: Tell,
): Pieces {
  return { places, fields: { statistics: shuffled(request, columns, places, tell) } };
}

function shuffled(request: RequestOf<'ways-test'>, columns: AnalysisColumns, places: readonly number[], tell: Tell) {
  const { alpha, seed, casesBy } = request;
  const cases = casesBy === null ? null : columnOf(columns, casesBy);
  return shuffledStatistics(inCore(request, columns), places, { alpha, seed, cases, onProgress: tell });
}

function testOf(request: RequestOf<'ways-test'>, columns: AnalysisColumns, tell: Tell, known: Pieces): WaysTestResult {
  const { alpha, seed, permutations } = request;
  const observed = jointStatistics(computeCombinations(inCore(request, columns)), alpha);
  const statistics =
    known.places.length > 0
      ? (known.fields.statistics as readonly JointStatistics[])
      : shuffled(
          request,
          columns,
          Array.from({ length: permutations }, (_, place) => place),
          tell,
        );
  const { medianP, significantP, asExtreme, asMany } = judgeJointly(observed, statistics, seed);
  return {
    kind: 'ways-test',
    median: finiteOrNull(observed.median),
    significant: observed.significant,
    asExtreme,
    asMany,
    medianP: finiteOrNull(medianP),
    significantP: finiteOrNull(significantP),
    permutations,
    seed,
  };
}
