import type { ImportColumn, ImportProblem, ImportSettings, LimitReading } from '@ivlen/contract';
import { countOf, rowsPhrase } from '../phrases/phrases';
import type { ColumnBuilder } from './column-builder';
import type { Found } from './column-facts';
import { type LooseNumber, readLoosely } from './loose-number';
import { createNumberReader } from './number-reader';
import { clipped } from './table-problems';

const TEXTS_LOOKED_AT = 2000;
const FEWEST_TEXTS = 3;
/** Of different texts so many must hold a number, and of those with a unit so many the same. */
const SHARE = 0.8;
const LIMITS_NOTED = 60;

/** Offers to read numbers out of the texts of a column, and says what was read so. */
export function textNumberProblems(builder: ColumnBuilder, column: ImportColumn, index: number, settings: ImportSettings): ImportProblem[] {
  const correction = settings.columns[index];
  if (correction?.loose) return readSo(builder, column, index);
  const marks = otherMarks(builder, settings);
  if (marks) return [markedOffer(builder, column, marks)];
  const offer = offerFor(builder, settings);
  if (!offer) return [];
  const { examples, unit, limit, bracketed } = offer;
  const patch = (limits?: LimitReading) => ({
    columns: { [index]: { loose: true, ...(unit ? { unit } : {}), ...(limits ? { limits } : {}) } },
  });
  const cells = examples.map((text) => `“${clipped(text)}”`).join(', ');
  const sayings = [
    unit ? `The unit would be ${unit}.` : '',
    bracketed ? `“${clipped(bracketed)}” would be read as a negative number.` : '',
    limit ? `“${clipped(limit)}” tells a limit only: ${LIMIT_WORDS}` : '',
  ];
  return [
    {
      severity: 'check',
      code: 'numbers-as-text',
      message: `${column.name}: numbers stand inside texts: ${cells}.`,
      hint: sayings.filter(Boolean).join(' ') || 'As they are, they are not computed with.',
      mends: limit
        ? [
            { label: `Read them, “${clipped(limit)}” as the limit`, patch: patch('limit') },
            { label: 'as half of it', patch: patch('half') },
            { label: 'as missing', patch: patch('missing') },
          ]
        : [{ label: 'Read them as numbers', patch: patch() }],
    },
  ];
}

type Marks = Pick<ImportSettings, 'decimal' | 'thousands'>;
/** How numbers may be written that stand as texts beside others, the likelier first. */
const MARKS: readonly Marks[] = [
  { decimal: '.', thousands: ',' },
  { decimal: ',', thousands: '.' },
  { decimal: '.', thousands: ' ' },
  { decimal: ',', thousands: ' ' },
  { decimal: '.', thousands: "'" },
  { decimal: ',', thousands: 'none' },
];

/** The marks by which the texts of a column are numbers, where those that are set read none of it; null if there are none. */
function otherMarks(builder: ColumnBuilder, { format }: ImportSettings): Marks | null {
  // Of a text file the marks were guessed from all its cells.
  if (format === 'text' || builder.reading.storage !== 'code') return null;
  const texts = builder.dictionary().slice(0, TEXTS_LOOKED_AT);
  if (texts.length < FEWEST_TEXTS) return null;
  const isRead = (marks: Marks) => texts.filter((text) => !Number.isNaN(createNumberReader({ format, ...marks })(text))).length;
  return MARKS.find((marks) => isRead(marks) >= SHARE * texts.length) ?? null;
}

function markedOffer(builder: ColumnBuilder, { name }: ImportColumn, marks: Marks): ImportProblem {
  const examples = builder.dictionary().slice(0, 3);
  const grouped = marks.thousands === 'none' ? '' : `“${marks.thousands}” between thousands`;
  const decimal = marks.decimal === ',' ? '“,” as decimal mark' : '';
  const words = [grouped, decimal].filter(Boolean).join(' and ');
  return {
    severity: 'check',
    code: 'numbers-as-text',
    message: `${name}: numbers stand as texts: ${examples.map((text) => `“${clipped(text)}”`).join(', ')}.`,
    hint: 'As they are, they are not computed with. Numbers that are none of this kind are read as before.',
    mends: [{ label: `Read ${words}`, patch: marks }],
  };
}

const LIMIT_WORDS =
  'either way the mean, the SD and r are off, the more the more such cells there are; ranks are the same for the limit and half of it, save beside values seen at the limit itself. Which limit stood in which row is kept in a variable beside the numbers.';

interface Offer {
  readonly examples: readonly string[];
  readonly unit: string;
  readonly limit: string | null;
  readonly bracketed: string | null;
}

function offerFor(builder: ColumnBuilder, settings: ImportSettings): Offer | null {
  const { storage } = builder.reading;
  if (storage === 'day' || (storage === 'code' && builder.dictionary().length < FEWEST_TEXTS)) return null;
  const readNumber = createNumberReader(settings);
  const texts = (storage === 'code' ? builder.dictionary() : [...builder.exceptions.keys()]).slice(0, TEXTS_LOOKED_AT);
  const found = texts.map((text) => [text, readLoosely(text, readNumber)] as const);
  const read = found.filter((entry): entry is readonly [string, LooseNumber] => entry[1] !== null);
  const dressed = read.filter(([, { unit, limit, bracketed, marked }]) => unit !== '' || limit || bracketed || marked);
  if (dressed.length === 0 || read.length < SHARE * found.length) return null;
  const units = dressed.map(([, { unit }]) => unit).filter(Boolean);
  const unit = commonest(units);
  if (units.filter((item) => item === unit).length < SHARE * units.length) return null;
  // Text that never repeats and ends in one letter or another may be a name.
  return {
    examples: dressed.slice(0, 3).map(([text]) => text),
    unit,
    limit: dressed.find(([, { limit }]) => limit)?.[0] ?? null,
    bracketed: dressed.find(([, number]) => number.bracketed)?.[0] ?? null,
  };
}

function commonest(texts: readonly string[]): string {
  const counts = new Map<string, number>();
  for (const text of texts) counts.set(text, (counts.get(text) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? '';
}

function readSo(builder: ColumnBuilder, { name, unit }: ImportColumn, index: number): ImportProblem[] {
  const back = { label: 'Read them as text', patch: { columns: { [index]: { loose: false } } } };
  const problems: ImportProblem[] = [
    {
      severity: 'note',
      code: 'read-loosely',
      message: `${name}: numbers are read out of what stands around them${unit ? `; the unit is ${unit}` : ''}.`,
      mends: [back],
    },
  ];
  const note = limitsNote(builder);
  if (note) {
    const other = (limits: LimitReading, label: string) => ({ label, patch: { columns: { [index]: { limits } } } });
    const { reading } = builder;
    const mends = [other('limit', 'Read as the limit'), other('half', 'Read as half of it'), other('missing', 'Read as missing')];
    problems.push({
      severity: 'check',
      code: 'limits-read',
      message: `${name}: ${note}`,
      hint: `${LIMIT_WORDS.charAt(0).toUpperCase()}${LIMIT_WORDS.slice(1)}`,
      mends: mends.filter(({ patch }) => reading.storage === 'number' && patch.columns[index]?.limits !== reading.limits),
    });
  }
  return problems;
}

/** "read as half of it". */
export const READ_AS: Readonly<Record<LimitReading, string>> = { limit: 'as the limit', half: 'as half of it', missing: 'as missing' };

/** Which cells tell a limit only and how they are read, for the codebook; null where there are none. */
export function limitsNote({ reading, limits }: Pick<ColumnBuilder, 'reading' | 'limits'>): string | null {
  if (reading.storage !== 'number' || !reading.limits || limits.size === 0) return null;
  const total = [...limits.values()].reduce((sum, { count }) => sum + count, 0);
  const list = [...limits]
    .slice(0, LIMITS_NOTED)
    .map(([text, { rows, count }]: [string, Found]) => `“${text}” in ${rowsPhrase(rows, count)}`);
  return `${countOf(total, 'cell')} ${total === 1 ? 'tells' : 'tell'} a limit only (${list.join('; ')}), read ${READ_AS[reading.limits]}.`;
}
