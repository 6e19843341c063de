import { derivationInWords, ROWS_CHOSEN_WORDS, type RowsChosen, type StudyState, type Variable } from '@ivlen/contract';
import { renameInFormula } from '@ivlen/core';
import { reliabilityInWords } from '../../../pair-card/attenuation-words';
import { cellText } from '../cell-text';

/** A codebook entry as one readable line, without its name: "mg/L, continuous, shown to 2 decimals, predictor; …". */
export function entrySentence(variable: Variable, variables: readonly Variable[]): string {
  const { label, unit, kind, decimals, role, highMeans, missingCodes, validRange, valueLabels, note, detectionLimit, reliability } =
    variable;
  const first = [unit, kind, decimals !== null && shownTo(decimals), role === 'grouping' ? 'grouping variable' : role];
  const labels = Object.entries(valueLabels).map(([code, text]) => `${code} is ${text}`);
  const further = [
    variable.derivation && `computed as ${derivationInWords(variable.derivation, variables, renameInFormula)}`,
    missingCodes.length > 0 && `missing: ${missingCodes.join(', ')}`,
    validRange && `possible ${rangeInWords(validRange)}`,
    detectionLimit !== null && `not measured up to ${detectionLimit}`,
    reliability && `reliability ${reliabilityInWords(reliability)}`,
    labels.length > 0 && labels.join(', '),
    highMeans && `high values mean ${highMeans}`,
    note,
  ];
  const line = [first.filter(Boolean).join(', '), ...further].filter(Boolean).join('; ');
  return label ? `${label}: ${line}` : line;
}

interface Measured {
  readonly n: number;
  readonly missing: number;
  readonly distinct: number;
  readonly min: number | null;
  readonly max: number | null;
}

/** "246 values, 2 missing, from 5.1 to 12.3"; categories are counted: "248 values, none missing, 4 different". */
export function valuesSentence(variable: Variable, { n, missing, distinct, min, max }: Measured): string {
  const count = (number: number) => number.toLocaleString('en-GB');
  const values = `${count(n)} ${n === 1 ? 'value' : 'values'}, ${missing === 0 ? 'none' : count(missing)} missing`;
  if (min === null || max === null) return `${values}, ${count(distinct)} different`;
  return `${values}, from ${cellText(min, variable)} to ${cellText(max, variable)}`;
}

function shownTo(decimals: number): string {
  if (decimals === 0) return 'shown in whole numbers';
  return `shown to ${decimals} ${decimals === 1 ? 'decimal' : 'decimals'}`;
}

function rangeInWords({ low, high }: NonNullable<Variable['validRange']>): string {
  if (low !== null && high !== null) return `from ${low} to ${high}`;
  return low !== null ? `from ${low}` : `up to ${high}`;
}

/** What p and intervals say, by how the rows were chosen. */
const REST_ON: Readonly<Record<RowsChosen, string>> = {
  all: 'p and intervals speak of what may have brought them about, not of other rows',
  'at-random': 'p and intervals speak of the population they were drawn from',
  'by-hand': 'p and intervals hold only as far as that was as good as drawing at random',
  unknown: 'p and intervals take them as drawn at random',
};

/** The study's own entry in sentences; what is not known yet is said, too. */
export function studySentences({ rowMeaning, rowsChosen, source, citation, exclusions }: StudyState): string[] {
  return [
    rowMeaning ? `Each row is ${rowMeaning}.` : 'It is not said yet what one row is; conclusions hold at that level.',
    rowsChosen === null
      ? `It is not said yet how the rows were chosen; ${REST_ON.unknown}.`
      : `The rows ${ROWS_CHOSEN_WORDS[rowsChosen]}: ${REST_ON[rowsChosen]}.`,
    source ? `Source: ${source}.` : 'No source is named.',
    citation ? `Cited as ${citation}.` : 'No citation is given.',
    exclusions ? `Known to be missing: ${exclusions}.` : 'Known exclusions are not noted.',
  ];
}
