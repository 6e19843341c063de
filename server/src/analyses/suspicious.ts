import { isQuantity, type Suspicion, type SuspiciousResult } from '@ivlen/contract';
import { codesApart, correlationMatrix, duplicatedRows, type EffectWithout, effectWithout, suspiciousValues } from '@ivlen/core';
import type { AnalysisModule } from './analysis';
import { type AnalysisColumns, columnOf, rowNumber, type VariableFacts } from './analysis-columns';
import { finiteOrNull } from './finite-or-null';

const VALUES_LISTED = 100;
/** Each listed value has its numbers computed over all rows; in a large table fewer are listed at a time. */
const ROWS_WORKED_THROUGH = 4_000_000;
const FEWEST_LISTED = 20;
/** Partners are chosen, not reported, from so many rows. */
const ROWS_FOR_PARTNERS = 20_000;
const PARTNERS = 2;
const GROUPS_LISTED = 20;
const CODE_ROWS_LISTED = 5;
/** What cannot be, and what a slip explains, are errors before all that is only far out. */
const BY_REASON = { 'below-range': 200, 'above-range': 200, 'decimal-slip': 100, 'far-out': 0 } as const;
/** Among those of one reason, a change of a coefficient by .1 weighs as much as a value ten times as far out. */
const BY_COEFFICIENT = 10;
/** A value nearer than this changes nothing worth a look, if no coefficient moves by more than `LEAST_MOVED` with it. */
const NEAR = 6;
const LEAST_MOVED = 0.01;

type ValueSuspicion = Extract<Suspicion, { type: 'value' }>;

/** What in the table should be looked at, over all variables; values found right already are left out. */
export const suspicious: AnalysisModule<'suspicious'> = {
  needs: (_, all) => [...all],
  looksAt: ['kind', 'derivation', 'validRange', 'accepted'],
  run: (_, columns) => findSuspicious(columns),
};

function findSuspicious(columns: AnalysisColumns): SuspiciousResult {
  const codes = missingCodes(columns);
  const isCode = new Set(codes.map(({ variable, value }) => `${variable} ${value}`));
  const values = suspiciousCells(columns).filter(({ variable, value }) => !isCode.has(`${variable} ${value}`));
  const rows = columns.values[0]?.length ?? 0;
  const listed = values.slice(0, Math.min(VALUES_LISTED, Math.max(FEWEST_LISTED, Math.floor(ROWS_WORKED_THROUGH / Math.max(1, rows)))));
  const partners = strongestPartners(columns, new Set([...listed, ...codes].map(({ variable }) => variable)));
  const partnersOf = (variable: string) => partners.get(variable) ?? [];
  return {
    kind: 'suspicious',
    suspicions: [
      // A code for missing is the likeliest error, and the one that does most harm.
      ...codes.map(({ at, ...found }) => ({ ...found, effect: effectOf(found.variable, at, columns, partnersOf(found.variable)) })),
      ...listed
        .map(({ at, distance, ...found }) => ({
          found,
          distance,
          effect: effectOf(found.variable, at, columns, partnersOf(found.variable)),
        }))
        .filter(({ found, distance, effect }) => found.reason !== 'far-out' || distance >= NEAR || moved(effect) >= LEAST_MOVED)
        .sort((a, b) => weight(b) - weight(a))
        .map(({ found, effect }) => ({ ...found, effect })),
      ...repeatedIdentifiers(columns),
      ...equalRows(columns),
      ...constants(columns),
    ],
    more: values.length - listed.length,
  };
}

type Effect = ValueSuspicion['effect'];

/** By how far out a value is and by how much hangs on it. */
function weight({ found, distance, effect }: { found: { reason: ValueSuspicion['reason'] }; distance: number; effect: Effect }): number {
  return BY_REASON[found.reason] + Math.log10(1 + distance) + BY_COEFFICIENT * moved(effect);
}

/** By how much the coefficients move that a value is part of, the most of them. */
function moved({ correlations }: Effect): number {
  return correlations.reduce((most, { r, rWithout }) => Math.max(most, Math.abs((r ?? 0) - (rWithout ?? 0))), 0);
}

interface FoundCode extends Omit<Extract<Suspicion, { type: 'missing-code' }>, 'effect'> {
  /** All its places among the rows in use. */
  readonly at: readonly number[];
}

/** Numbers that stand apart in a variable and often mean "missing"; those found right in one of their rows are left out. */
function missingCodes(columns: AnalysisColumns): FoundCode[] {
  const accepted = new Set(columns.codebook.accepted.map(({ variable, value }) => `${variable} ${value}`));
  const found = columns.codebook.variables.filter(isMeasuredQuantity).flatMap(({ id }): FoundCode[] => {
    const values = columnOf(columns, id);
    return codesApart(values)
      .filter((code) => !accepted.has(`${id} ${code}`))
      .map((code) => {
        const at = Array.from(values.keys()).filter((place) => values[place] === code);
        const rows = at.slice(0, CODE_ROWS_LISTED).map((place) => rowNumber(columns, place));
        return { type: 'missing-code', variable: id, value: code, count: at.length, rows, also: [], at };
      });
  });
  return found.map((code) => ({
    ...code,
    also: found.filter((other) => other !== code && other.value === code.value).map(({ variable }) => variable),
  }));
}

interface FoundValue extends Omit<ValueSuspicion, 'effect'> {
  /** Place among the rows in use. */
  readonly at: number;
  readonly distance: number;
}

function suspiciousCells(columns: AnalysisColumns): FoundValue[] {
  const accepted = new Set(columns.codebook.accepted.map(({ variable, row, value }) => `${variable} ${row} ${value}`));
  const found = columns.codebook.variables.filter(isMeasuredQuantity).flatMap(({ id, validRange }) => {
    const range = {
      ...(validRange?.low == null ? {} : { low: validRange.low }),
      ...(validRange?.high == null ? {} : { high: validRange.high }),
    };
    return suspiciousValues(columnOf(columns, id), range).map(({ row: at, value, reason, suggestion, modifiedZ }): FoundValue => {
      const row = rowNumber(columns, at);
      return { type: 'value', reason, variable: id, row, value, suggestion, at, distance: Math.abs(modifiedZ) };
    });
  });
  return found
    .filter(({ variable, row, value }) => !accepted.has(`${variable} ${row} ${value}`))
    .sort((a, b) => BY_REASON[b.reason] - BY_REASON[a.reason] || b.distance - a.distance);
}

function isOfQuantity({ kind }: VariableFacts): boolean {
  return kind !== null && isQuantity({ kind });
}

/** Derived values follow from the measured ones, where they are corrected. */
function isMeasuredQuantity(variable: VariableFacts): boolean {
  return isOfQuantity(variable) && variable.derivation === null;
}

/** For each variable those that it is most strongly correlated with. */
function strongestPartners(columns: AnalysisColumns, ids: ReadonlySet<string>): Map<string, string[]> {
  const quantities = columns.codebook.variables.filter(isMeasuredQuantity).map(({ id }) => id);
  if (ids.size === 0 || quantities.length < 2) return new Map();
  const { coefficient } = correlationMatrix(
    quantities.map((id) => thinned(columnOf(columns, id))),
    { method: 'pearson', missing: 'pairwise' },
  );
  const size = quantities.length;
  return new Map(
    [...ids].map((id) => {
      const row = quantities.indexOf(id);
      const strength = (other: string) => Math.abs(coefficient[row * size + quantities.indexOf(other)] ?? Number.NaN);
      const others = quantities.filter((other) => other !== id && !Number.isNaN(strength(other)));
      return [id, others.sort((a, b) => strength(b) - strength(a)).slice(0, PARTNERS)];
    }),
  );
}

/** Every so-manieth row of a long column. */
function thinned(column: Float64Array): Float64Array {
  const step = Math.ceil(column.length / ROWS_FOR_PARTNERS);
  return step <= 1 ? column : Float64Array.from({ length: Math.floor(column.length / step) }, (_, i) => column[i * step] ?? Number.NaN);
}

function effectOf(variable: string, at: number | readonly number[], columns: AnalysisColumns, partners: readonly string[]): Effect {
  const others = partners.map((id) => columnOf(columns, id));
  return asData(effectWithout(columnOf(columns, variable), at, others), partners);
}

function asData({ mean, sd, meanWithout, sdWithout, correlations }: EffectWithout, partners: readonly string[]): Effect {
  return {
    mean: finiteOrNull(mean),
    sd: finiteOrNull(sd),
    meanWithout: finiteOrNull(meanWithout),
    sdWithout: finiteOrNull(sdWithout),
    correlations: correlations.map(({ r, rWithout }, i) => ({
      with: partners[i] ?? '',
      r: finiteOrNull(r),
      rWithout: finiteOrNull(rWithout),
    })),
  };
}

function repeatedIdentifiers(columns: AnalysisColumns): Suspicion[] {
  return columns.codebook.variables
    .filter(({ kind }) => kind === 'identifier')
    .flatMap(({ id }): Suspicion[] => {
      const counts = new Map<number, number>();
      for (const value of columnOf(columns, id)) if (value === value) counts.set(value, (counts.get(value) ?? 0) + 1);
      const repeated = [...counts.values()].filter((count) => count > 1);
      if (repeated.length === 0) return [];
      return [
        { type: 'repeated-identifier', variable: id, values: repeated.length, rows: repeated.reduce((sum, count) => sum + count, 0) },
      ];
    });
}

function equalRows(columns: AnalysisColumns): Suspicion[] {
  const measured = columns.codebook.variables.filter(({ derivation }) => derivation === null).map(({ id }) => columnOf(columns, id));
  if (measured.length < 2) return [];
  return duplicatedRows(measured)
    .slice(0, GROUPS_LISTED)
    .map((group) => ({ type: 'duplicated-rows', rows: group.map((at) => rowNumber(columns, at)) }));
}

function constants(columns: AnalysisColumns): Suspicion[] {
  return columns.codebook.variables.filter(isOfQuantity).flatMap(({ id }): Suspicion[] => {
    const values = columnOf(columns, id);
    const first = values.find((value) => value === value);
    if (first === undefined || !values.every((value) => value !== value || value === first)) return [];
    return [{ type: 'constant', variable: id, value: finiteOrNull(first) }];
  });
}
