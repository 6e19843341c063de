import { ROWS_CHOSEN_WORDS, type StudyArchive, type Variable } from '@ivlen/contract';

const TYPES = { number: 'number', code: 'string', day: 'date' } as const;

/** The codebook as a Frictionless Data Package (v2.0), so that other programs can read the archive's data.csv. */
export function dataPackage({ name, state }: Pick<StudyArchive, 'name' | 'state'>, sha256: string): object {
  const { source, citation, rowMeaning, rowsChosen, exclusions } = state;
  const about = [
    rowMeaning && `Each row is ${rowMeaning}.`,
    rowsChosen && `The rows ${ROWS_CHOSEN_WORDS[rowsChosen]}.`,
    exclusions && `Known to be missing: ${exclusions}.`,
    citation && `Cited as ${citation}.`,
  ];
  return {
    $schema: 'https://datapackage.org/profiles/2.0/datapackage.json',
    name: slug(name),
    title: name,
    description: about.filter(Boolean).join(' ') || undefined,
    sources: source ? [{ title: source }] : undefined,
    resources: [
      {
        name: 'data',
        type: 'table',
        path: 'data.csv',
        format: 'csv',
        mediatype: 'text/csv',
        encoding: 'utf-8',
        hash: `sha256:${sha256}`,
        schema: {
          fields: [{ name: 'row', type: 'integer', description: 'Number of the row in the study' }, ...state.variables.map(fieldOf)],
          primaryKey: ['row'],
          missingValues: [''],
        },
      },
    ],
  };
}

function fieldOf(variable: Variable): object {
  const { name, label, unit, kind, storage, note, highMeans, missingCodes, validRange, valueLabels } = variable;
  const labels = Object.entries(valueLabels);
  const about = [unit && `in ${unit}`, highMeans && `high values mean ${highMeans}`, note].filter(Boolean).join('; ');
  return {
    name,
    type: TYPES[storage],
    title: label ?? undefined,
    description: about || undefined,
    unit: unit ?? undefined,
    missingValues: missingCodes.length > 0 ? ['', ...missingCodes] : undefined,
    constraints: validRange ? { minimum: validRange.low ?? undefined, maximum: validRange.high ?? undefined } : undefined,
    categories:
      labels.length > 0 ? labels.map(([value, text]) => ({ value: storage === 'number' ? Number(value) : value, label: text })) : undefined,
    categoriesOrdered: labels.length > 0 && kind === 'ordinal' ? true : undefined,
  };
}

/** Lower-case letters, digits and hyphens, as the name of a package must be. */
export function slug(name: string): string {
  const plain = name
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  return plain || 'study';
}
