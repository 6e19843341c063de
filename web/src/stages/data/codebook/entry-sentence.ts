import { derivationInWords, type StudyState, type Variable } from '@ivlen/contract';
import { renameInFormula } from '@ivlen/core';

/** A codebook entry as one readable line, without its name: "mg/L, continuous, shown to 2 decimals, predictor; …". */
export function entrySentence(variable: Variable, variables: readonly Variable[]): string {
  const { label, unit, kind, decimals, role, highMeans, missingCodes, validRange, valueLabels, note } = variable;
  const first = [unit, kind, decimals !== null && shownTo(decimals), role === 'grouping' ? 'grouping variable' : role];
  const labels = Object.entries(valueLabels).map(([code, text]) => `${code} is ${text}`);
  const further = [
    variable.derivation && `computed as ${derivationInWords(variable.derivation, variables, renameInFormula)}`,
    missingCodes.length > 0 && `missing: ${missingCodes.join(', ')}`,
    validRange && `possible ${rangeInWords(validRange)}`,
    labels.length > 0 && labels.join(', '),
    highMeans && `high values mean ${highMeans}`,
    note,
  ];
  const line = [first.filter(Boolean).join(', '), ...further].filter(Boolean).join('; ');
  return label ? `${label}: ${line}` : line;
}

function shownTo(decimals: number): string {
  if (decimals === 0) return 'shown in whole numbers';
  return `shown to ${decimals} ${decimals === 1 ? 'decimal' : 'decimals'}`;
}

function rangeInWords({ low, high }: NonNullable<Variable['validRange']>): string {
  if (low !== null && high !== null) return `from ${low} to ${high}`;
  return low !== null ? `from ${low}` : `up to ${high}`;
}

/** The study's own entry in sentences; what is not known yet is said, too. */
export function studySentences({ rowMeaning, source, citation, exclusions }: StudyState): string[] {
  return [
    rowMeaning ? `Each row is ${rowMeaning}.` : 'It is not said yet what one row is; conclusions hold at that level.',
    source ? `Source: ${source}.` : 'No source is named.',
    citation ? `Cited as ${citation}.` : 'No citation is given.',
    exclusions ? `Known to be missing: ${exclusions}.` : 'Known exclusions are not noted.',
  ];
}
