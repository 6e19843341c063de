import type { MessyTable } from './case';

const beside = (cells: readonly string[]) => `a;b\n${cells.map((cell, i) => `${cell};${((i * 7) % 5) + 0.5}`).join('\n')}\n`;
const read = (
  name: string,
  cells: readonly string[],
  values: readonly (number | null)[],
  unit: string | null,
  words: string,
): MessyTable => ({
  name,
  text: beside(cells),
  told: { 'numbers-as-text': words },
  mends: ['numbers-as-text'],
  columns: { a: { kind: 'continuous', values, unit } },
});

export const NUMBERS: readonly MessyTable[] = [
  read('prices in euros', ['€16.50', '€7.25', '€9.10', '€11.80'], [16.5, 7.25, 9.1, 11.8], '€', 'a: numbers stand inside texts: “€16.50”'),
  read('a currency behind', ['16.50 USD', '7.25 USD', '9.10 USD', '8.1 USD'], [16.5, 7.25, 9.1, 8.1], 'USD', '“16.50 USD”'),
  read('per cent', ['12.5%', '7.25 %', '9%', '11%'], [12.5, 7.25, 9, 11], '%', '“12.5%”'),
  read('units in the cells', ['1.5 kg', '2.25 kg', '1.75kg', '3 kg'], [1.5, 2.25, 1.75, 3], 'kg', '“1.5 kg”'),
  read('brackets for negative numbers', ['(3.2)', '4.5', '(1.25)', '2.5'], [-3.2, 4.5, -1.25, 2.5], null, '“(3.2)”'),
  read('marks of footnotes', ['12.4*', '13.1', '11.9†', '12.2', '14.5'], [12.4, 13.1, 11.9, 12.2, 14.5], null, '“12.4*”'),
  read('limits of measurement', ['<0.5', '1.25', '0.75', '<0.5', '2.5'], [0.5, 1.25, 0.75, 0.5, 2.5], null, '“<0.5”'),
  {
    name: 'numbers with an exponent need no help',
    text: beside(['1.2e3', '3.5e2', '4e3', '2.2e3']),
    told: {},
    notTold: ['numbers-as-text', 'not-numbers'],
    columns: { a: { values: [1200, 350, 4000, 2200] } },
  },
  {
    name: 'spaces between thousands, and a decimal comma',
    text: beside(['1 234,5', '2 345,25', '987,5', '12 000,1']).replaceAll('.5', ',5'),
    settings: { decimal: ',', thousands: ' ' },
    told: {},
    notTold: ['numbers-as-text', 'not-numbers'],
    columns: { a: { values: [1234.5, 2345.25, 987.5, 12000.1] } },
  },
  {
    name: 'spaces that do not break between thousands',
    text: beside(['1\u00a0334', '2\u202f345', '987', '12\u00a0330']),
    settings: { thousands: ' ' },
    told: {},
    notTold: ['numbers-as-text', 'not-numbers'],
    columns: { a: { values: [1334, 2345, 987, 12330] } },
  },
  {
    name: 'plots called 12A, 12B and 13A are names',
    text: beside(['12A', '12B', '13A', '13C', '14D']),
    told: {},
    notTold: ['numbers-as-text'],
    columns: { a: { kind: 'identifier' } },
  },
  {
    name: 'words are no numbers',
    text: beside(['low', 'high', 'middle', 'low', 'high', 'low', 'low', 'middle']),
    told: {},
    notTold: ['numbers-as-text'],
    columns: { a: { kind: 'nominal' } },
  },
];
