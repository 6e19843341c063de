import type { MessyTable } from './case';

const table = (cells: readonly string[]) => `a,b\n${cells.map((cell, i) => `${cell},${((i * 7) % 10) + 0.5}`).join('\n')}\n`;
const ages = ['31', '45', '28', '52', '39', '44', '36', '999', '41', '33'];
const answers = ['1', '4', '2', '5', '3', '9', '2', '4', '1', '3'];

export const CODES: readonly MessyTable[] = [
  {
    name: '999 among ages',
    text: table(ages),
    told: { sentinel: 'a: 1 cell holds 999 (row 8), far from all other values.' },
    mends: ['sentinel'],
    // The code stays in its cell, and is no value.
    columns: { a: { values: ages.map(Number) } },
  },
  { name: '9 beyond a scale of five', text: table(answers), told: { sentinel: 'a: 1 cell holds 9 (row 6)' }, mends: ['sentinel'] },
  {
    name: '−1 beside measured values',
    text: table(['12.5', '14.1', '-1', '13.3', '12.9', '-1', '14.8', '13.7', '12.2', '15.0']),
    told: { sentinel: 'a: 2 cells hold −1 (rows 3 and 6)' },
  },
  {
    name: '9.99 where a column has two decimals',
    text: table(['1.25', '1.31', '1.42', '9.99', '1.28', '1.35', '1.39', '1.22', '1.44', '1.30']),
    told: { sentinel: 'a: 1 cell holds 9.99 (row 4)' },
  },
  { name: '888 and 999 side by side', text: table([...ages.slice(0, 7), '888', '999', '38']), told: { sentinel: 'a: 1 cell holds 888' } },
  { name: '7 on a scale from 1 to 7', text: table(['1', '4', '2', '5', '3', '7', '6', '4', '1', '3']), told: {}, notTold: ['sentinel'] },
  { name: '9 among counts up to 11', text: table(['1', '4', '2', '9', '3', '7', '6', '11', '1', '8']), told: {}, notTold: ['sentinel'] },
  { name: '−1 beside −3 and 2', text: table(['-3', '2', '-1', '0', '1', '-2', '2', '-3', '0', '1']), told: {}, notTold: ['sentinel'] },
];
