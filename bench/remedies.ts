import {
  belowLimits,
  type Choice,
  computeCombinations,
  distanceCorrelation,
  limitedColumn,
  littleTest,
  maximumLikelihood,
  polychoric,
} from '@ivlen/core';
import { fastest, makeColumns } from './timing';

// Times what has no counterpart in the reference libraries, on one thread, beside what it may take.
const columnOf = (columns: readonly Float64Array[], place: number) => columns[place] ?? new Float64Array();
const [x, y] = [0, 1].map((place) => columnOf(makeColumns(2, 10_000, 0), place)) as [Float64Array, Float64Array];

/** Ways of every coefficient, on three scales of each variable, with five groups of rows in and out, and groups held constant. */
function manyWays(rows: number, groupsOfRows: number) {
  const [a, b] = [x.subarray(0, rows), y.subarray(0, rows)];
  const choices: Choice[] = [
    { kind: 'coefficient', options: ['pearson', 'spearman', 'kendall', 'percentage-bend'] },
    { kind: 'scale', of: 'x', options: [a, a.map(Math.sqrt), 'rank-normal'] },
    { kind: 'scale', of: 'y', options: [b, b.map(Math.sqrt), 'rank-normal'] },
    ...Array.from(
      { length: groupsOfRows },
      (_, group): Choice => ({ kind: 'rows', rows: Uint8Array.from(a, (__, row) => (row % 97 === group ? 1 : 0)), options: ['in', 'out'] }),
    ),
    { kind: 'held', options: [{ kind: 'nothing' }, { kind: 'groups', labels: Float64Array.from(a, (_, row) => row % 4) }] },
  ];
  return computeCombinations({ x: a, y: b, rows: new Uint8Array(rows).fill(1), choices, own: choices.map(() => 0) });
}

const items = makeColumns(20, 2000, 0).map((column) => column.map((value) => Math.min(4, Math.floor(value))));
const gappy = makeColumns(20, 2000, 0.1);

const TASKS: readonly { readonly name: string; readonly within: number; readonly run: () => unknown }[] = [
  { name: '144 combinations of choices, 248 rows', within: 300, run: () => manyWays(248, 1) },
  { name: '2,000 combinations of choices, 10,000 rows', within: 5000, run: () => manyWays(10_000, 5) },
  {
    name: 'polychoric, 20 items of five levels, 2,000 rows',
    within: 3000,
    run: () => items.flatMap((a, i) => items.slice(0, i).map((b) => polychoric(a, b))),
  },
  {
    name: 'EM with standard errors and Little’s test, 20 × 2,000, 10 % missing',
    within: 1000,
    run: () => [maximumLikelihood(gappy), littleTest(gappy)],
  },
  { name: 'distance correlation, 10,000 rows', within: 50, run: () => distanceCorrelation(x, y) },
  {
    name: 'below limits, 2,000 rows',
    within: 1000,
    run: () => belowLimits(limitedColumn(x.subarray(0, 2000), 1), limitedColumn(y.subarray(0, 2000), 1.2)),
  },
];

for (const { name, within, run } of TASKS) console.log(`${name}: ${(await fastest(run)).toFixed(0)} ms (goal ${within})`);
