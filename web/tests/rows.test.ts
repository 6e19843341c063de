import { type VariableDescription, variableSchema } from '@ivlen/contract';
import { describe, expect, it } from 'vitest';
import { cellInput, cellText, pastedCells } from '../src/stages/data/cell-text';
import { computedInWords } from '../src/stages/data/derive/derivation-preview';
import { completions } from '../src/stages/data/derive/formula-field';
import { descriptionTable } from '../src/stages/data/rows/describe-panel';
import { moved } from '../src/stages/data/rows/grid-cursor';
import { toRanges } from '../src/study/row-selection';
import { usedRows } from '../src/study/used-rows';
import { testStudy } from './test-study';

const measured = variableSchema.parse({ ...testStudy().state.variables[0], decimals: 2, valueLabels: { 1: 'eroded' } });

describe('cells', () => {
  it('show labels instead of codes and the decimals of the codebook, and are typed with all digits', () => {
    expect(cellText(1, measured)).toBe('eroded');
    expect(cellText(-7.456, measured)).toBe('−7.46');
    expect(cellText('AS-001', measured)).toBe('AS-001');
    expect(cellText(null, measured)).toBeNull();
    expect(cellInput(-7.456)).toBe('-7.456');
    expect(cellInput(null)).toBe('');
  });

  it('are read from a spreadsheet’s clipboard, quoted cells with tabs, breaks and quotes included', () => {
    expect(pastedCells('1\t2\r\n3\t\r\n')).toEqual([
      ['1', '2'],
      ['3', ''],
    ]);
    expect(pastedCells('"a\tb"\t"say ""so""\nthen"\n7')).toEqual([['a\tb', 'say "so"\nthen'], ['7']]);
    expect(pastedCells('5" pipe')).toEqual([['5" pipe']]);
    expect(pastedCells('')).toEqual([['']]);
  });
});

describe('moving in the table', () => {
  const extent = { rows: 100, columns: 5, page: 20 };
  const key = (name: string, more: Partial<KeyboardEvent> = {}) =>
    ({ key: name, ctrlKey: false, metaKey: false, shiftKey: false, ...more }) as KeyboardEvent;
  it.each([
    ['ArrowDown', {}, { position: 11, column: 2 }],
    ['ArrowUp', { ctrlKey: true }, { position: 0, column: 2 }],
    ['ArrowRight', { metaKey: true }, { position: 10, column: 4 }],
    ['PageDown', {}, { position: 30, column: 2 }],
    ['PageUp', {}, { position: 0, column: 2 }],
    ['Home', { ctrlKey: true }, { position: 0, column: 0 }],
    ['End', {}, { position: 10, column: 4 }],
  ] as const)('%s stays inside', (name, more, place) => {
    expect(moved({ position: 10, column: 2 }, key(name, more), extent)).toEqual(place);
  });
  it('leaves other keys alone', () => expect(moved({ position: 0, column: 0 }, key('q'), extent)).toBeNull());
});

it('selected rows are told as ranges', () => {
  expect(toRanges(new Set([9, 3, 4, 5, 1]))).toEqual([
    [1, 1],
    [3, 5],
    [9, 9],
  ]);
});

it('a plot uses rows that are in use and complete', () => {
  const columns = [Float64Array.of(1, Number.NaN, 3, 4), Float64Array.of(1, 2, 3, Number.NaN)];
  expect([...usedRows(columns)]).toEqual([0, 2]);
  expect([...usedRows(columns, Float64Array.of(1, 2, 3))]).toEqual([2]);
});

it('names are completed by what was begun, functions after variables', () => {
  const named = (name: string) => variableSchema.parse({ ...measured, id: name, name });
  const variables = [named('water temp'), named('log_flow'), named('nitrate')];
  expect(completions('2 * lo', variables).map(({ text }) => text)).toEqual(['log_flow', 'log10(', 'log2(']);
  expect(completions('sqrt([wat', variables)).toEqual([{ text: '[water temp]', about: 'continuous', replaces: 4 }]);
  expect(completions('nitrate ', variables)).toEqual([]);
});

it('a preview says what can be computed and why the rest cannot', () => {
  const preview = { computed: 235, missing: 12, undefinedCount: 1, undefinedRows: [14], rows: [], sources: [], bins: [], skewness: null };
  expect(computedInWords(preview as unknown as Parameters<typeof computedInWords>[0], 248)).toBe(
    '235 of 248 rows can be computed. 12 rows lack a value. 1 row has no result, such as a division by zero: row 14.',
  );
});

it('a description shows measured values finer than the values, and none that cannot be computed', () => {
  const d: VariableDescription = {
    id: 'v1',
    n: 3,
    missing: 1,
    mean: 2,
    sd: 1,
    se: 0.577,
    variance: 1,
    median: 2,
    q1: 1.5,
    q3: 2.5,
    min: 1,
    max: 3,
    range: 2,
    skewness: 0,
    skewnessSe: 1.22,
    excessKurtosis: null,
    excessKurtosisSe: null,
    bins: [1, 1, 1],
  };
  const { rows } = descriptionTable(d, { ...measured, decimals: 0 });
  const lines = new Map(rows.map(({ name, shown }) => [name, shown]));
  expect(lines.get('n')).toBe('3');
  expect(lines.get('mean')).toBe('2.0');
  expect(lines.get('skewness')).toBe('0.00 (SE 1.22)');
  expect(lines.get('excess kurtosis')).toBe('–');
});
