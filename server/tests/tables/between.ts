import type { MessyTable } from './case';

// Made up: three blocks one under the other; taken for cases, what stands between them makes r .99 of .6.
const BLOCKS = [
  [
    [4.1, 11.2],
    [5.3, 14.1],
    [6.2, 12.9],
  ],
  [
    [4.8, 12.2],
    [7.1, 15.8],
  ],
  [
    [5.9, 12.1],
    [6.6, 14.9],
    [5.1, 13.3],
  ],
];
const X = BLOCKS.flat().map(([x]) => x ?? 0);
const rowsOf = (block: readonly (readonly number[])[], k: number) => block.map(([x, y], i) => `S${k}${i},${x},${y}`).join('\n');
const sumOf = (block: readonly (readonly number[])[]) => [0, 1].map((at) => block.reduce((sum, row) => sum + (row[at] ?? 0), 0).toFixed(1));

export const BETWEEN: readonly MessyTable[] = [
  {
    name: 'subtotals under each block',
    text: `site,x,y\n${BLOCKS.map((block, k) => `${rowsOf(block, k)}\nSubtotal,${sumOf(block).join(',')}`).join('\n')}\nTotal,45.1,106.5\n`,
    // The last two are at the foot, whose own problem says so.
    told: { 'between-rows': 'Rows between the data are no cases: rows 4 and 7 are called a total, a mean or the like.' },
    mends: ['between-rows'],
    rows: 8,
    columns: { x: { values: X } },
  },
  {
    name: 'the names again over each block, after an empty row',
    text: `site,x,y\n${BLOCKS.map(rowsOf).join('\n,,\nsite,X,y \n')}\n`,
    told: { 'between-rows': 'rows 5 and 9 repeat the names; 2 rows are empty' },
    mends: ['between-rows'],
    rows: 8,
    columns: { x: { kind: 'continuous', values: X } },
  },
  {
    name: 'empty rows alone, also of separators',
    text: `site,x,y\n${BLOCKS.map(rowsOf).join('\n,,\n')}\n`,
    told: { 'between-rows': '2 rows are empty' },
    mends: ['between-rows'],
    rows: 8,
    columns: { x: { values: X } },
  },
  {
    name: 'quoted cells, read the long way, say the same',
    text: `site,x,y\n${BLOCKS.map((block, k) => `${rowsOf(block, k)}\n"Mean",${sumOf(block).join(',')}`).join('\n')}\n"S30",5,13\n`,
    told: { 'between-rows': 'rows 4, 7 and 11 are called a total, a mean or the like' },
    mends: ['between-rows'],
    rows: 9,
  },
  {
    name: 'totals at the foot are the foot’s, and a site called Summer is a site',
    text: `site,x,y\n${rowsOf(BLOCKS.flat(), 0)}\nSummer,5.5,13\nTotalgate,5.1,12\nS99,5.2,13.1\nTotal,60.9,144.6\n`,
    told: { 'foot-rows': '“Total”' },
    notTold: ['between-rows'],
  },
  {
    name: 'a column of one name that recurs as a value is no row of names',
    text: `site,x,y\nsite,4,11\nA,5,12\nB,6,13\n`,
    told: {},
    notTold: ['between-rows'],
    rows: 3,
  },
];
