import { type ImportColumn, type ImportProblem, type ImportSettings, kindsFor } from '@ivlen/contract';
import { codesApart } from '@ivlen/core';
import { countOf, rowsPhrase } from '../phrases/phrases';
import type { ColumnBuilder } from './column-builder';
import { isSpreadsheetError } from './missing-codes';
import { createNumberReader, groupedPattern } from './number-reader';
import { clipped } from './table-problems';
import { textNumberProblems } from './text-numbers';

const TEXTS_LISTED = 4;
const MOST_CODES = 50;

/** What was found in one column that will be read. */
export function columnProblems(builder: ColumnBuilder, column: ImportColumn, index: number, settings: ImportSettings): ImportProblem[] {
  if (column.leftOut) return [];
  const found = [
    ...keptAsText(builder, column, index, settings),
    ...notNumbers(builder, column, settings),
    ...textNumberProblems(builder, column, index, settings),
    ...missingCodes(builder, column),
    ...sentinels(builder, column, settings),
    ...emptyOrConstant(column, index),
  ];
  return found.map((problem) => ({ ...problem, column: index }));
}

/** Why a column that was asked to be a quantity is text all the same. */
function keptAsText(builder: ColumnBuilder, { name }: ImportColumn, index: number, settings: ImportSettings): ImportProblem[] {
  const { kind } = settings.columns[index] ?? {};
  if (builder.reading.storage !== 'code' || !kind || !kindsFor('number').includes(kind) || kindsFor('code').includes(kind)) return [];
  const readNumber = createNumberReader(settings);
  const texts = builder.dictionary();
  const resisting = texts.filter((text) => Number.isNaN(readNumber(text)));
  const examples = resisting.slice(0, TEXTS_LISTED).map((text) => `“${clipped(text)}”`);
  return [
    {
      severity: 'check',
      code: 'kept-as-text',
      message: `${name} stays text: most of its cells are no numbers, ${resisting.length} of its ${countOf(texts.length, 'different text')} (${examples.join(', ')}${resisting.length > examples.length ? ' …' : ''}).`,
      hint: 'Check the decimal mark and the thousands separator, or make a variable from its texts after the study is created.',
      mends: [],
    },
  ];
}

function notNumbers(builder: ColumnBuilder, { name }: ImportColumn, settings: ImportSettings): ImportProblem[] {
  const dates = builder.reading.storage === 'day';
  const entries = [...builder.exceptions];
  const tooLarge = entries.filter(([text]) => !Number.isNaN(createNumberReader(settings)(text)) && !dates);
  const others = entries.filter((entry) => !tooLarge.includes(entry)).sort((a, b) => b[1].count - a[1].count);
  const problems = tooLarge.map(
    ([text, { count, rows }]): ImportProblem => ({
      severity: 'check',
      code: 'too-large',
      message: `${name}: “${clipped(text)}” in ${rowsPhrase(rows, count)} is larger than any number that can be computed with (about 1.8 × 10³⁰⁸).`,
      hint: 'It counts as missing. Correct it in the file and bring it in again.',
      mends: [],
    }),
  );
  const shown = others.slice(0, TEXTS_LISTED);
  if (shown.length > 0) {
    const total = builder.exceptionCount - tooLarge.reduce((sum, [, { count }]) => sum + count, 0);
    const list = shown.map(([text, { count, rows }]) => `“${clipped(text)}” in ${rowsPhrase(rows, count)}`).join('; ');
    const more = others.length > shown.length ? `; and ${countOf(others.length - shown.length, 'other text')}` : '';
    problems.push({
      severity: 'check',
      code: 'not-numbers',
      message: `${name}: ${countOf(total, 'cell')} ${isNot(total, dates)}: ${list}${more}.`,
      hint: 'Such cells count as missing, unless you correct the file, the decimal mark or the kind of the column.',
      mends: numberMends(
        shown.map(([text]) => text),
        settings,
      ),
    });
  }
  return problems;
}

function isNot(count: number, dates: boolean): string {
  if (count === 1) return dates ? 'is not a date' : 'is not a number';
  return dates ? 'are not dates' : 'are not numbers';
}

function numberMends(texts: readonly string[], settings: ImportSettings): ImportProblem['mends'] {
  const mends: ImportProblem['mends'] = [];
  const grouping = ([',', '.', "'", ' '] as const).find(
    (mark) => mark !== settings.decimal && texts.some((text) => groupedPattern(mark, settings.decimal).test(text)),
  );
  if (grouping && settings.thousands !== grouping) {
    mends.push({ label: `Read “${grouping}” as thousands separator`, patch: { thousands: grouping } });
  }
  const other = settings.decimal === '.' ? ',' : '.';
  const readOther = createNumberReader({ format: settings.format, decimal: other, thousands: 'none' });
  if (texts.some((text) => text.includes(other) && !Number.isNaN(readOther(text)))) {
    mends.push({ label: `The decimal mark is “${other}”`, patch: { decimal: other, thousands: 'none' } });
  }
  if (mends.length === 0 && settings.missingCodes.length + texts.length <= MOST_CODES) {
    const codes = texts.filter((text) => text.length <= 60);
    const label = codes.length === 1 ? `“${clipped(codes[0] ?? '')}” means missing` : 'These texts mean missing';
    mends.push({ label, patch: { missingCodes: [...settings.missingCodes, ...codes] } });
  }
  return mends;
}

function missingCodes(builder: ColumnBuilder, { name }: ImportColumn): ImportProblem[] {
  return [...builder.missingCodes].map(([code, { count, rows }]): ImportProblem => {
    const where = `${name}: ${countOf(count, 'cell')} ${count === 1 ? 'holds' : 'hold'} “${code}” (${rowsPhrase(rows, count)})`;
    if (!isSpreadsheetError(code)) return { severity: 'note', code: 'missing-code', message: `${where}; read as missing.`, mends: [] };
    return {
      severity: 'check',
      code: 'spreadsheet-error',
      message: `${where}, an error that a spreadsheet left there; read as missing.`,
      hint: 'If the value exists, correct the formula in the spreadsheet and bring the table in again.',
      mends: [],
    };
  });
}

/** Beyond so many values a column is not looked through for codes. */
const MOST_LOOKED_THROUGH = 2_000_000;
const ROWS_NAMED = 5;

function sentinels(builder: ColumnBuilder, { name }: ImportColumn, settings: ImportSettings): ImportProblem[] {
  if (builder.reading.storage !== 'number' || builder.length > MOST_LOOKED_THROUGH || settings.missingCodes.length >= MOST_CODES) return [];
  const known = new Set(settings.missingCodes.map(Number).filter(Number.isFinite));
  const values = builder.values();
  // Most tables have no codes that are numbers: a large column is not copied for nothing.
  return codesApart(known.size === 0 ? values : values.filter((value) => !known.has(value))).map((code): ImportProblem => {
    const { rows, count } = placesOf(code, values);
    return {
      severity: 'check',
      code: 'sentinel',
      message: `${name}: ${countOf(count, 'cell')} ${count === 1 ? 'holds' : 'hold'} ${typeset(code)} (${rowsPhrase(rows, count)}), far from all other values.`,
      hint: 'Such a number often stands for “no value”. If it does here, say so, or it will distort every result.',
      mends: [{ label: `${typeset(code)} means missing`, patch: { missingCodes: [...settings.missingCodes, String(code)] } }],
    };
  });
}

/** How often a value occurs, and the first of its rows, from 1. */
function placesOf(wanted: number, values: Float64Array): { rows: number[]; count: number } {
  const rows: number[] = [];
  let count = 0;
  values.forEach((value, i) => {
    if (value !== wanted) return;
    if (count++ < ROWS_NAMED) rows.push(i + 1);
  });
  return { rows, count };
}

function typeset(value: number): string {
  return String(value).replace('-', '−');
}

function emptyOrConstant(column: ImportColumn, index: number): ImportProblem[] {
  const leaveOut = [{ label: 'Leave this column out', patch: { columns: { [index]: { leaveOut: true } } } }];
  if (column.present === 0) {
    return [
      {
        severity: 'check',
        code: 'empty-column',
        message: `${column.name}: no row holds a value.`,
        hint: 'Leave it out, or check the missing-value codes.',
        mends: leaveOut,
      },
    ];
  }
  if (column.distinct === 1 && column.present > 1 && column.storage === 'number') {
    return [
      {
        severity: 'check',
        code: 'constant',
        message: `${column.name}: every row holds the same value, so that it has no correlation with anything.`,
        hint: 'Leave it out, or keep it for the record.',
        mends: leaveOut,
      },
    ];
  }
  return [];
}
