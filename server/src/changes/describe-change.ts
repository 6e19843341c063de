import { ROWS_CHOSEN_WORDS, type StudyEntryPatch, type StudyState, type Variable, type VariablePatch } from '@ivlen/contract';

const FIELDS: Readonly<Record<keyof VariablePatch, string>> = {
  name: 'name',
  label: 'label',
  unit: 'unit',
  kind: 'kind',
  decimals: 'decimals',
  role: 'role',
  highMeans: 'meaning of high values',
  valueLabels: 'value labels',
  validRange: 'possible values',
  missingCodes: 'missing-value codes',
  note: 'note',
  detectionLimit: 'detection limit',
  reliability: 'reliability',
};
const ENTRY: Readonly<Record<keyof StudyEntryPatch, string>> = {
  rowMeaning: 'what one row is',
  rowsChosen: 'how the rows were chosen',
  source: 'source',
  citation: 'citation',
  exclusions: 'known exclusions',
};

/** "nitrate: unit mg/L; role outcome": what differs, or an empty text. */
export function describeVariablePatch(variable: Variable, patch: VariablePatch): string {
  const changed = differing(variable, patch);
  if (changed.length === 1 && changed[0] === 'name') return `${variable.name} is called ${patch.name}`;
  if (changed.length === 1 && changed[0] === 'kind') return `${variable.name} is ${patch.kind}, no longer ${variable.kind}`;
  if (changed.length === 0) return '';
  return `${variable.name}: ${changed.map((field) => `${FIELDS[field]} ${inWords(patch[field])}`).join('; ')}`;
}

/** "source: river board; citation: none": what differs, or an empty text. */
export function describeEntryPatch(state: StudyState, patch: StudyEntryPatch): string {
  return differing(state, patch)
    .map(
      (field) =>
        `${ENTRY[field]}: ${field === 'rowsChosen' && patch.rowsChosen ? `they ${ROWS_CHOSEN_WORDS[patch.rowsChosen]}` : inWords(patch[field])}`,
    )
    .join('; ');
}

function differing<T extends object>(before: { [K in keyof T]?: unknown }, patch: T): (keyof T)[] {
  const fields = Object.keys(patch) as (keyof T)[];
  return fields.filter((field) => patch[field] !== undefined && JSON.stringify(patch[field]) !== JSON.stringify(before[field]));
}

function inWords(value: unknown): string {
  if (value === null || value === '') return 'none';
  if (typeof value !== 'object') return String(value);
  if (Array.isArray(value)) return value.length === 0 ? 'none' : value.join(', ');
  if ('kind' in value && 'value' in value) return `known, ${value.value}`;
  if ('columns' in value && Array.isArray(value.columns)) return `from ${value.columns.length} repeated columns`;
  if ('low' in value && 'high' in value) return `from ${value.low ?? 'any'} to ${value.high ?? 'any'}`;
  const labels = Object.entries(value);
  return labels.length === 0 ? 'none' : labels.map(([code, label]) => `${code} = ${String(label)}`).join(', ');
}
