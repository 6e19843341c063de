import type { MessyTable } from './case';

const column = (name: string, cells: readonly (string | number)[]) =>
  `${name},x\n${cells.map((cell, i) => `${cell},${((i * 7) % 13) + 0.5}`).join('\n')}\n`;
const from = (first: number, count: number) => Array.from({ length: count }, (_, i) => first + i);
const kind = (name: string, text: string, column: string, wanted: string): MessyTable => ({
  name,
  text,
  told: {},
  columns: { [column]: { kind: wanted } },
});

export const KIND_CASES: readonly MessyTable[] = [
  kind('running numbers from 1001 on', column('plot', from(1001, 20)), 'plot', 'identifier'),
  kind('running numbers from 1 on', column('plot', from(1, 200)), 'plot', 'identifier'),
  kind('years one after the other', column('when', from(1990, 25)), 'when', 'discrete'),
  kind(
    'years of birth',
    column('year of birth', [1971, 1985, 1990, 1964, 1978, 1982, 1959, 1993, 1988, 1975, 1969, 1981]),
    'year of birth',
    'discrete',
  ),
  kind(
    'whole numbers that happen to be consecutive, in no order',
    column('count', [25, 23, 24, 27, 26, 29, 28, 30, 22, 31, 21]),
    'count',
    'discrete',
  ),
  kind('yes and no as 1 and 0', column('treated', [1, 0, 0, 1, 1, 0, 1, 0, 0, 1, 1]), 'treated', 'two-valued'),
  kind('one and two', column('sex', [1, 2, 2, 1, 1, 2, 1, 2, 2, 1, 1]), 'sex', 'two-valued'),
  kind('three steps are an order', column('grade', [1, 2, 3, 1, 1, 2, 3, 2, 2, 1, 1]), 'grade', 'ordinal'),
];
