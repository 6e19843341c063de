import type { ImportSettings } from '@ivlen/contract';
import { describe, expect, it, test } from 'vitest';
import { ColumnFacts } from '../src/imports/column-facts';
import { detectDateReader } from '../src/imports/date-reader';
import { guessHeader } from '../src/imports/guess-header';
import { guessSettings } from '../src/imports/guess-settings';
import { guessTop, joinedNames } from '../src/imports/guess-top';
import { type ColumnNumbers, countDistinct, inferKind } from '../src/imports/infer-kind';
import { readLoosely } from '../src/imports/loose-number';
import { COMMON_MISSING_CODES, isSpreadsheetError } from '../src/imports/missing-codes';
import { nameColumns } from '../src/imports/name-columns';
import { createNumberReader, groupedPattern, hasLeadingZero } from '../src/imports/number-reader';
import { areUnits, bareUnit, looksLikeUnits, nameAndUnit } from '../src/imports/units-row';
import { countOf, rowsPhrase, thousands } from '../src/phrases/phrases';

const plain = createNumberReader({ decimal: '.', thousands: 'none' });

describe('phrases', () => {
  test.each([
    [[14], 1, 'row 14'],
    [[14, 92], 2, 'rows 14 and 92'],
    [[14, 92, 180], 3, 'rows 14, 92 and 180'],
    [[1, 2, 3, 4, 5], 25, 'rows 1, 2, 3, 4, 5 and 20 more'],
    [[1, 2, 3, 4, 5], 5, 'rows 1, 2, 3, 4 and 5'],
    [[12000], 1, 'row 12,000'],
  ])('%j of %d are “%s”', (rows, count, words) => expect(rowsPhrase(rows, count)).toBe(words));

  test.each([
    [1, 'cell', undefined, '1 cell'],
    [0, 'cell', undefined, '0 cells'],
    [12_000, 'cell', undefined, '12,000 cells'],
    [1, 'hypothesis', 'hypotheses', '1 hypothesis'],
    [2, 'hypothesis', 'hypotheses', '2 hypotheses'],
    [3, 'more', 'more', '3 more'],
  ])('%d %s', (count, one, many, words) => expect(countOf(count, one, many)).toBe(words));

  it('thousands are grouped', () => expect([thousands(999), thousands(1000), thousands(1_234_567)]).toEqual(['999', '1,000', '1,234,567']));
});

describe('how a text is guessed to be read', () => {
  const guess = (text: string, known = {}): ImportSettings => guessSettings(text, 'utf-8', known);

  test.each<[string, string, Partial<ImportSettings>]>([
    ['commas and points', 'a,b\n1.5,2\n2.5,3\n', { separator: ',', decimal: '.', thousands: 'none', header: true }],
    ['semicolons and decimal commas', 'a;b\n1,5;2\n2,5;3\n', { separator: ';', decimal: ',', thousands: 'none' }],
    ['tabs', 'a\tb\n1\t2\n3\t4\n', { separator: '\t' }],
    ['bars', 'a|b\n1|2\n3|4\n', { separator: '|' }],
    ['points between thousands beside decimal commas', 'a;b\n1.204,5;2\n12,5;3\n', { decimal: ',', thousands: '.' }],
    ['commas between thousands beside points', 'a;b\n1,204.5;2\n12.5;3\n', { decimal: '.', thousands: ',' }],
    ['spaces between thousands', 'a;b\n1 204;2\n12;3\n', { thousands: ' ' }],
    ['apostrophes between thousands', "a;b\n1'204;2\n12;3\n", { thousands: "'" }],
    ['no names', '1,2\n3,4\n5,6\n', { header: false }],
    ['names only', 'a,b\n', { header: true }],
    ['codes for missing that are there', 'a,b\n1,NA\nn/a,4\n5,-\n', { missingCodes: ['NA', 'n/a', '-'] }],
    ['a title above', 'Survey of spring,\na,b\n1,2\n3,4\n5,6\n', { top: 1, header: true }],
    ['one column, where nothing separates', 'a\n1\n2\n', { separator: ',' }],
  ])('%s', (_, text, settings) =>
    expect(guess(text)).toMatchObject({ format: 'text', foot: 0, unitsRow: false, columns: {}, ...settings }),
  );

  it('what is known is not guessed', () =>
    expect(guess('a;b\n1,5;2\n', { separator: '\t', decimal: '.', thousands: 'none' })).toMatchObject({
      separator: '\t',
      decimal: '.',
      thousands: 'none',
    }));
});

describe('the row of names', () => {
  const header = (rows: string[][]) => guessHeader(rows, plain, COMMON_MISSING_CODES);
  test.each<[string, string[][], boolean]>([
    [
      'words over numbers',
      [
        ['a', 'b'],
        ['1', '2'],
        ['3', '4'],
      ],
      true,
    ],
    [
      'numbers over numbers',
      [
        ['1', '2'],
        ['3', '4'],
      ],
      false,
    ],
    [
      'half of the columns begin with a number',
      [
        ['1', 'b'],
        ['3', '4'],
        ['5', '6'],
      ],
      false,
    ],
    [
      'no numbers: a first row unlike all others',
      [
        ['name', 'town'],
        ['x', 'y'],
        ['z', 'y'],
      ],
      true,
    ],
    [
      'no numbers: a first row that comes again',
      [
        ['x', 'y'],
        ['z', 'w'],
        ['x', 'v'],
      ],
      false,
    ],
    [
      'no numbers: a name twice',
      [
        ['a', 'a'],
        ['x', 'y'],
      ],
      false,
    ],
    ['nothing but words in one row', [['a', 'b']], true],
    ['one row with a number', [['a', '2']], false],
    [
      'codes for missing are no values',
      [
        ['a', 'b'],
        ['NA', '2'],
        ['1', 'NA'],
      ],
      true,
    ],
    ['nothing', [], false],
  ])('%s', (_, rows, holds) => expect(header(rows)).toBe(holds));

  test.each<[string, string[][], object]>([
    [
      'a title',
      [
        ['Spring survey', '', ''],
        ['a', 'b', 'c'],
        ['1', '2', '3'],
        ['4', '5', '6'],
      ],
      { top: 1, nameRows: 1 },
    ],
    [
      'a title and an empty line',
      [
        ['T', '', ''],
        ['', '', ''],
        ['a', 'b', 'c'],
        ['1', '2', '3'],
        ['4', '5', '6'],
      ],
      { top: 2, nameRows: 1 },
    ],
    [
      'groups over names',
      [
        ['', 'water', '', 'life'],
        ['site', 'ph', 'temp', 'taxa'],
        ['x', '7', '9', '3'],
        ['y', '6', '8', '4'],
      ],
      { top: 0, nameRows: 2 },
    ],
    [
      'a table as it should be',
      [
        ['a', 'b'],
        ['1', '2'],
        ['3', '4'],
      ],
      { top: 0, nameRows: 1 },
    ],
    [
      'no names',
      [
        ['1', '2'],
        ['3', '4'],
      ],
      { top: 0, nameRows: 1 },
    ],
    ['one column', [['a'], ['1'], ['2']], { top: 0, nameRows: 1 }],
  ])('%s above', (_, rows, top) => expect(guessTop(rows)).toEqual(top));

  it('names of groups go to all the columns under them', () => {
    expect(
      joinedNames([
        ['', 'water', '', 'life'],
        ['site', 'ph', 'temp', ''],
      ]),
    ).toEqual(['site', 'water ph', 'water temp', 'life']);
    expect(joinedNames([['a', 'b']])).toEqual(['a', 'b']);
    expect(joinedNames([])).toEqual([]);
  });

  it('empty and repeated names are made whole, whatever their case, and told', () => {
    const settings = { header: true, columns: { 3: { name: 'mine' } } } as unknown as ImportSettings;
    const { names, problems } = nameColumns(['ph', '', 'PH', 'x', 'ph'], settings);
    expect(names).toEqual(['ph', 'column 2', 'PH (2)', 'mine', 'ph (3)']);
    expect(problems.map(({ code, column }) => [code, column])).toEqual([
      ['empty-name', 1],
      ['duplicate-name', 2],
      ['duplicate-name', 4],
    ]);
    expect(nameColumns(['', ''], { ...settings, header: false, columns: {} }).problems).toEqual([]);
  });
});

describe('kinds', () => {
  const column = (part: Partial<ColumnNumbers>): ColumnNumbers => ({
    name: 'depth',
    storage: 'number',
    present: 100,
    distinct: 60,
    min: 3,
    max: 90,
    integers: true,
    running: false,
    ...part,
  });
  test.each<[string, Partial<ColumnNumbers>, string]>([
    ['numbers with decimals', { integers: false }, 'continuous'],
    ['whole numbers too many to count', { distinct: null }, 'continuous'],
    ['whole numbers', {}, 'discrete'],
    ['1 to 5', { min: 1, max: 5, distinct: 5 }, 'ordinal'],
    ['0 to 6', { min: 0, max: 6, distinct: 7 }, 'ordinal'],
    ['1 to 8: no scale', { min: 1, max: 8, distinct: 8 }, 'discrete'],
    ['2 to 6: no scale', { min: 2, max: 6, distinct: 5 }, 'discrete'],
    ['1 to 5 with a gap', { min: 1, max: 5, distinct: 4 }, 'discrete'],
    ['1 to 5 of nine rows', { min: 1, max: 5, distinct: 5, present: 9 }, 'discrete'],
    ['0 and 1', { min: 0, max: 1, distinct: 2 }, 'two-valued'],
    ['3 and 90', { distinct: 2 }, 'two-valued'],
    ['two values of nine rows', { distinct: 2, present: 9 }, 'discrete'],
    ['1 to 100, each once', { min: 1, max: 100, distinct: 100 }, 'identifier'],
    ['1001 to 1100, running', { min: 1001, max: 1100, distinct: 100, running: true }, 'identifier'],
    ['1001 to 1100, in another order', { min: 1001, max: 1100, distinct: 100 }, 'discrete'],
    ['years, running', { min: 1921, max: 2020, distinct: 100, running: true }, 'discrete'],
    ['never repeating, called an id', { name: 'site_id', distinct: 100 }, 'identifier'],
    ['never repeating, called idle', { name: 'idle', distinct: 100 }, 'discrete'],
    ['called an id, but repeating', { name: 'id', distinct: 99 }, 'discrete'],
    ['texts that mostly differ', { storage: 'code', distinct: 51 }, 'identifier'],
    ['texts that mostly repeat', { storage: 'code', distinct: 50 }, 'nominal'],
    ['two texts', { storage: 'code', present: 2, distinct: 2 }, 'nominal'],
    ['dates', { storage: 'day' }, 'date'],
  ])('%s', (_, part, kind) => expect(inferKind(column(part))).toBe(kind));

  it('facts of a column follow its values', () => {
    const facts = new ColumnFacts();
    for (const value of [4, 5, 6]) facts.add(value);
    expect(facts).toMatchObject({ present: 3, min: 4, max: 6, sum: 15, integers: true, running: true, distinct: 3 });
    facts.add(6.5);
    expect(facts).toMatchObject({ integers: false, running: false, max: 6.5, distinct: 4 });
    for (let i = 0; i < 5000; i++) facts.add(i / 7);
    expect(facts.distinct).toBeNull();
    expect(new ColumnFacts()).toMatchObject({ present: 0, distinct: 0 });
  });

  it('different values are counted without the missing ones', () =>
    expect(countDistinct(Float64Array.of(3, 1, Number.NaN, 3, -0, 0, 1))).toBe(3));
});

describe('numbers, dates, units and codes', () => {
  test.each([
    ['1,234.5', { decimal: '.', thousands: ',' }, 1234.5],
    ['1234.5', { decimal: '.', thousands: ',' }, 1234.5],
    ['12,34.5', { decimal: '.', thousands: ',' }, Number.NaN],
    ['1.234,5', { decimal: ',', thousands: '.' }, 1234.5],
    // A point is no decimal mark beside a comma.
    ['1.5', { decimal: ',', thousands: 'none' }, Number.NaN],
    ['1\u00a0234', { decimal: '.', thousands: ' ' }, 1234],
    ['−3.5', { decimal: '.', thousands: 'none' }, -3.5],
    ['1e3', { decimal: '.', thousands: 'none' }, 1000],
    ['.5', { decimal: '.', thousands: 'none' }, 0.5],
    ['5.', { decimal: '.', thousands: 'none' }, 5],
    ['', { decimal: '.', thousands: 'none' }, Number.NaN],
    ['1 2', { decimal: '.', thousands: 'none' }, Number.NaN],
    ['0x10', { decimal: '.', thousands: 'none' }, Number.NaN],
    ['Infinity', { decimal: '.', thousands: 'none' }, Number.NaN],
    ['1e999', { decimal: '.', thousands: 'none' }, Number.POSITIVE_INFINITY],
  ] as const)('“%s” with %j is %d', (text, marks, value) => expect(createNumberReader(marks)(text)).toBe(value));

  it('of formats that know numbers these are read as they are written, beside texts with marks', () => {
    const read = createNumberReader({ format: 'workbook', decimal: ',', thousands: '.' });
    expect([read('1200.5'), read('1.200,5')]).toEqual([1200.5, 1200.5]);
  });

  it('leading zeros are of names, and groups have three digits', () => {
    expect([hasLeadingZero('007'), hasLeadingZero('0.7'), hasLeadingZero('0')]).toEqual([true, false, false]);
    expect([groupedPattern(',', '.').test('1,234'), groupedPattern(',', '.').test('1,23'), groupedPattern(',', '.').test('123')]).toEqual([
      true,
      false,
      false,
    ]);
  });

  test.each([
    ['€16.50', { value: 16.5, unit: '€', limit: null }],
    ['16.50 €', { value: 16.5, unit: '€' }],
    ['USD 5', { value: 5, unit: 'USD' }],
    ['12 %', { value: 12, unit: '%' }],
    ['≤ 3 mg/L', { value: 3, unit: 'mg/L', limit: '<' }],
    ['>= 3', { value: 3, limit: '>' }],
    ['(3.2)', { value: -3.2, bracketed: true }],
    ['12.4†', { value: 12.4, marked: true }],
    ['1.2e3', { value: 1200, unit: '' }],
    ['abc', null],
    ['3 of 5', null],
    ['', null],
  ])('“%s” holds %j', (text, found) => {
    const got = readLoosely(text, plain);
    if (found === null) expect(got).toBeNull();
    else expect(got).toMatchObject(found);
  });

  it('dates are read where only one reading fits them all', () => {
    const day = (text: string) => Date.parse(text) / 86_400_000;
    expect(detectDateReader(['2024-05-31', '2024-06-01'])?.('2024-05-31')).toBe(day('2024-05-31'));
    expect(detectDateReader(['31.5.2024'])?.('1.6.2024')).toBe(day('2024-06-01'));
    expect(detectDateReader(['31/5/2024', '1/6/2024'])?.('1/6/2024')).toBe(day('2024-06-01'));
    expect(detectDateReader(['5/31/2024', '6/1/2024'])?.('6/1/2024')).toBe(day('2024-06-01'));
    expect(detectDateReader(['1/6/2024', '2/6/2024'])).toBeNull();
    expect(detectDateReader(['2023-02-31'])).toBeNull();
    expect(detectDateReader([])).toBeNull();
  });

  test.each([
    ['Depth (cm)', { name: 'Depth', unit: 'cm' }],
    ['Yield [kg]', { name: 'Yield', unit: 'kg' }],
    ['load, kN', { name: 'load', unit: 'kN' }],
    ['price, first', null],
    ['Depth (mean)', null],
    ['Depth (2)', null],
    ['Depth', null],
  ])('“%s” is %j', (text, found) => expect(nameAndUnit(text)).toEqual(found));

  it('a row of short words over numbers is units, known or not; one word alone must be known', () => {
    const rows = (first: string[]) => [first, ['3', '4', 'x'], ['5', '6', 'y']];
    expect(looksLikeUnits(rows(['hands', 'stones', '']), plain)).toBe(true);
    expect(looksLikeUnits(rows(['cm', '', '']), plain)).toBe(true);
    expect(looksLikeUnits(rows(['broken', '', '']), plain)).toBe(false);
    expect(looksLikeUnits(rows(['NA', 'NA', '']), plain)).toBe(false);
    expect(looksLikeUnits(rows(['1', 'cm', '']), plain)).toBe(false);
    expect(looksLikeUnits([['cm', 'm']], plain)).toBe(false);
    expect([areUnits(['m', 'µg/L', '']), areUnits(['nitrate', 'ph']), areUnits([''])]).toEqual([true, false, false]);
    expect([bareUnit('(cm)'), bareUnit('[kg]'), bareUnit(' m ')]).toEqual(['cm', 'kg', 'm']);
  });

  it('errors of spreadsheets are known by their names', () => {
    expect(COMMON_MISSING_CODES.filter(isSpreadsheetError)).toEqual(['#N/A', '#DIV/0!', '#VALUE!', '#REF!', '#NAME?', '#NUM!', '#NULL!']);
    expect([isSpreadsheetError('#N/A yet'), isSpreadsheetError('N/A')]).toEqual([false, false]);
  });
});
