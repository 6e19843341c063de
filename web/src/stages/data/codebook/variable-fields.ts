import { type Kind, kindsFor, roleSchema, type Variable, type VariablePatch } from '@ivlen/contract';

/** A codebook entry as its form holds it: all text. */
export interface VariableFields {
  name: string;
  label: string;
  unit: string;
  kind: string;
  decimals: string;
  role: string;
  highMeans: string;
  low: string;
  high: string;
  detectionLimit: string;
  /** A known one; empty where it is estimated. */
  reliability: string;
  valueLabels: string;
  missingCodes: string;
  note: string;
  reason: string;
}

export function toFields(variable: Variable): VariableFields {
  const { name, label, unit, kind, decimals, role, highMeans, validRange, valueLabels, missingCodes, note, detectionLimit, reliability } =
    variable;
  return {
    name,
    label: label ?? '',
    unit: unit ?? '',
    kind,
    decimals: decimals === null ? '' : String(decimals),
    role: role ?? '',
    highMeans: highMeans ?? '',
    low: validRange?.low == null ? '' : String(validRange.low),
    high: validRange?.high == null ? '' : String(validRange.high),
    detectionLimit: detectionLimit === null ? '' : String(detectionLimit),
    reliability: reliability?.kind === 'known' ? String(reliability.value) : '',
    valueLabels: Object.entries(valueLabels)
      .map(([code, text]) => `${code} = ${text}`)
      .join('\n'),
    missingCodes: missingCodes.join('; '),
    note: note ?? '',
    reason: '',
  };
}

/** What differs from the entry as it stands. */
export function toPatch(variable: Variable, fields: VariableFields): VariablePatch {
  const text = (value: string) => value.trim() || null;
  const number = (value: string) => (value.trim() === '' ? null : Number(value.replace(',', '.')));
  const [low, high] = [number(fields.low), number(fields.high)];
  const all: VariablePatch = {
    name: fields.name.trim(),
    label: text(fields.label),
    unit: text(fields.unit),
    kind: kindsFor(variable.storage).find((kind) => kind === fields.kind) ?? variable.kind,
    decimals: number(fields.decimals),
    role: roleSchema.options.find((role) => role === fields.role) ?? null,
    highMeans: text(fields.highMeans),
    validRange: low === null && high === null ? null : { low, high },
    valueLabels: readLabels(fields.valueLabels),
    missingCodes: readCodes(fields.missingCodes),
    detectionLimit: number(fields.detectionLimit),
    reliability: reliabilityOf(variable, number(fields.reliability)),
    note: text(fields.note),
  };
  return Object.fromEntries(
    Object.entries(all).filter(([field, value]) => JSON.stringify(value) !== JSON.stringify(variable[field as keyof VariablePatch])),
  );
}

/** A known one; without a number what is estimated stays. */
function reliabilityOf({ reliability }: Variable, value: number | null): Variable['reliability'] {
  if (value !== null) return { kind: 'known', value };
  return reliability?.kind === 'repeated' ? reliability : null;
}

/** Codes apart by semicolons. */
function readCodes(text: string): string[] {
  return [...new Set(text.split(';').map((code) => code.trim()))].filter((code) => code !== '');
}

/** Lines of "code = label". */
export function readLabels(text: string): Record<string, string> {
  const lines = text.split('\n').flatMap((line) => {
    const [code, ...label] = line.split('=');
    return code?.trim() && label.length > 0 ? [[code.trim(), label.join('=').trim()] as const] : [];
  });
  return Object.fromEntries(lines);
}

/** What follows from another kind, in words; null if nothing does. */
export function consequence(before: Kind, after: string): string | null {
  if (before === after) return null;
  switch (after) {
    case 'nominal':
      return 'Categories have no correlation: it leaves the matrix, and can tell groups apart.';
    case 'identifier':
      return 'An identifier has no correlation: it leaves the matrix.';
    case 'ordinal':
      return 'An order is correlated by rank methods; Pearson’s r takes its steps as equal, which is then said.';
    case 'two-valued':
      return 'Two values are correlated when ticked (r is then point-biserial, or φ between two such), and can tell groups apart.';
    case 'continuous':
    case 'discrete':
      return before === 'nominal' || before === 'identifier' ? 'It can be correlated: tick it on the left.' : null;
    default:
      return null;
  }
}
