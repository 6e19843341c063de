import type { ImportProblem, ImportSettings } from '@ivlen/contract';
import { countOf, rowsPhrase } from '../phrases/phrases';
import type { BetweenFound } from './between-rows';
import { findFoot } from './foot-rows';
import { createNumberReader } from './number-reader';
import type { ScannedTable } from './scan-table';
import { areUnits, looksLikeUnits, nameAndUnit } from './units-row';

/** What stands above and below the data without being data: names, units, totals and means. */
export function edgeProblems(
  { titles, names, units, head, tail, columns, rows, between }: ScannedTable,
  settings: ImportSettings,
): ImportProblem[] {
  const problems: ImportProblem[] = [];
  const readNumber = createNumberReader(settings);
  if (settings.top > 0) {
    problems.push({
      severity: 'check',
      code: 'top-left-out',
      message: `${countOf(settings.top, 'row')} above the table ${settings.top === 1 ? 'is' : 'are'} left out: ${quoted(titles)}.`,
      hint: 'They hold a title or notes, as it seems, and no names or values.',
      mends: [{ label: settings.top === 1 ? 'It belongs to the table' : 'They belong to the table', patch: { top: 0, nameRows: 1 } }],
    });
  }
  if (settings.header && settings.nameRows > 1) {
    problems.push({
      severity: 'check',
      code: 'names-joined',
      message: `The names are joined from ${settings.nameRows} rows: ${quoted(names)}.`,
      mends: [{ label: 'The first of them holds no names', patch: { top: settings.top + settings.nameRows - 1, nameRows: 1 } }],
    });
  }
  if (!settings.unitsRow && settings.header && areUnits(names)) {
    problems.push({
      severity: 'check',
      code: 'names-are-units',
      message: `The first row holds units (${quoted(names)}), and no names.`,
      hint: 'Give the columns names below.',
      mends: [{ label: 'The first row holds units', patch: { header: false, unitsRow: true } }],
    });
  } else if (!settings.unitsRow && looksLikeUnits(head, readNumber)) {
    problems.push({
      severity: 'check',
      code: 'units-row',
      message: `The first row of data holds units: ${quoted(head[0] ?? [])}.`,
      hint: 'Taken as units they go into the codebook, and the row is no case.',
      mends: [{ label: 'These are the units', patch: { unitsRow: true } }],
    });
  } else if (settings.unitsRow) {
    problems.push({
      severity: 'note',
      code: 'units-read',
      message: `${quoted(units)} are read as units.`,
      mends: [{ label: 'They are data', patch: { unitsRow: false } }],
    });
  }
  if (!settings.header && rows > 0) {
    problems.push({
      severity: 'note',
      code: 'no-names',
      message: 'No row of names was found above the table.',
      hint: 'Write a name over each column below.',
      mends: [{ label: 'The first row holds names', patch: { header: true } }],
    });
  }
  const named = names.flatMap((text, column) => {
    const found = columns[column]?.reading.storage === 'number' && !settings.columns[column]?.unit ? nameAndUnit(text) : null;
    return found ? [{ column, text, ...found }] : [];
  });
  if (settings.header && named.length > 0) {
    problems.push({
      severity: 'check',
      code: 'units-in-names',
      message: `${named.length === 1 ? 'A name holds' : `${named.length} names hold`} a unit: ${quoted(named.map(({ text }) => text))}.`,
      hint: `Taken apart, ${named.length === 1 ? 'the unit goes' : 'the units go'} into the codebook, and sentences and tables have the ${named.length === 1 ? 'name' : 'names'} alone.`,
      mends: [
        {
          label: 'Take name and unit apart',
          patch: { columns: Object.fromEntries(named.map(({ column, name, unit }) => [column, { name, unit }])) },
        },
      ],
    });
  }
  const foot = findFoot(tail, columns, readNumber);
  if (foot && foot.rows < rows) {
    problems.push({
      severity: 'check',
      code: 'foot-rows',
      message: `${foot.rows === 1 ? 'The last row is no case' : `The last ${foot.rows} rows are no cases`}: ${foot.words}.`,
      hint: `Left in, ${foot.rows === 1 ? 'it would be counted as a case' : 'they would be counted as cases'} and pull every result.`,
      mends: [{ label: foot.rows === 1 ? 'Leave it out' : 'Leave them out', patch: { foot: settings.foot + foot.rows } }],
    });
  }
  const inner = betweenInWords(between);
  if (inner !== null) {
    problems.push({
      severity: 'check',
      code: 'between-rows',
      message: `Rows between the data are no cases: ${inner}.`,
      hint: 'Left in, they would be counted as cases; names among numbers also make a column text.',
      mends: [{ label: 'Leave them out', patch: { between: true } }],
    });
  }
  if (settings.between) {
    problems.push({
      severity: 'note',
      code: 'between-left-out',
      message: `${countOf(between.leftOut, 'row')} between the data ${between.leftOut === 1 ? 'is' : 'are'} left out.`,
      mends: [{ label: between.leftOut === 1 ? 'Take it back in' : 'Take them back in', patch: { between: false } }],
    });
  }
  if (settings.foot > 0) {
    problems.push({
      severity: 'note',
      code: 'foot-left-out',
      message: `${countOf(settings.foot, 'row')} at the foot ${settings.foot === 1 ? 'is' : 'are'} left out.`,
      mends: [{ label: settings.foot === 1 ? 'Take it back in' : 'Take them back in', patch: { foot: 0 } }],
    });
  }
  return problems;
}

/** What rows between the data are; null where there are none. */
function betweenInWords({ names, statistics, empty }: BetweenFound): string | null {
  const parts = [
    names.count > 0 ? `${rowsPhrase(names.rows, names.count)} ${names.count === 1 ? 'repeats' : 'repeat'} the names` : '',
    statistics.count > 0
      ? `${rowsPhrase(statistics.rows, statistics.count)} ${statistics.count === 1 ? 'is' : 'are'} called a total, a mean or the like`
      : '',
    empty > 0 ? `${countOf(empty, 'row is', 'rows are')} empty` : '',
  ].filter(Boolean);
  return parts.length > 0 ? parts.join('; ') : null;
}

const TEXTS_QUOTED = 4;

function quoted(texts: readonly string[]): string {
  const written = texts.map((text) => text.trim()).filter((text) => text !== '');
  return `${written
    .slice(0, TEXTS_QUOTED)
    .map((text) => `“${text.slice(0, 24)}”`)
    .join(', ')}${written.length > TEXTS_QUOTED ? ' …' : ''}`;
}
