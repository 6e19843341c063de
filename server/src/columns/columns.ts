import { isFitted, type StudyState, sourcesOf, subsetVariables, type Variable } from '@ivlen/contract';
import type { Connection } from '../database/connect';
import type { DerivedColumn, ValueNames } from '../derivations/compute-derived';
import { DomainError } from '../errors/domain-error';
import { readPlainNumber } from '../rows/read-plain-number';
import { rowsInSubset } from '../rows/rows-in-subset';
import type { SortRequest } from '../rows/sort-rows';
import type { Workers } from '../workers/workers';
import { sharedColumn } from './chunk-codec';
import { ColumnCache } from './column-cache';
import { selectColumn, selectDictionary } from './column-repository';

/** A study's table as of one revision. */
export interface Table {
  readonly study: string;
  readonly rows: number;
  readonly state: StudyState;
}

/** The column that holds, for each row, why it is set aside: 0 for not, else the place of the reason from 1. */
export const SET_ASIDE = '@set-aside';
const NEVER = new AbortController().signal;

/**
 * The columns of studies as they are computed with: codes for missing values taken out, derived variables computed.
 * Everything is kept by the version of the variable, so that a change of one leaves the others in memory.
 */
export class Columns {
  constructor(
    private readonly workers: Workers,
    private readonly cache = new ColumnCache(),
    private readonly parent: Columns | null = null,
    /** Versions from here on are not stored yet, and kept apart. */
    private readonly pendingFrom = Number.POSITIVE_INFINITY,
  ) {}

  /** For use inside a transaction that writes revision `number`: what it reads of it is forgotten with it. */
  during(number: number): Columns {
    return new Columns(this.workers, new ColumnCache(), this, number);
  }

  /** The values of a variable, in row order; NaN is missing. */
  async values(db: Connection, table: Table, id: string): Promise<Float64Array> {
    const variable = variableOf(table, id);
    if (variable.derivation) return (await this.derived(db, table, variable)).values;
    const key = `${table.study}/${id}/${variable.version}/values`;
    return this.#cacheFor(variable.version).get(key, table.rows * 8, () => this.#measured(db, table, variable));
  }

  /** Texts by code; empty for numbers and dates. */
  async dictionary(db: Connection, table: Table, id: string): Promise<readonly string[]> {
    const variable = variableOf(table, id);
    if (variable.storage !== 'code') return [];
    if (variable.derivation) return (await this.derived(db, table, variable)).dictionary ?? [];
    const place = { study: table.study, revision: variable.version };
    return this.#cacheFor(variable.version).get(`${table.study}/${id}/${variable.version}/texts`, 10_000, () =>
      selectDictionary(db, place, id),
    );
  }

  /** A derived variable with what could not be computed of it. */
  async derived(db: Connection, table: Table, variable: Variable): Promise<DerivedColumn> {
    const key = `${table.study}/${variable.id}/${variable.version}/derived`;
    return this.#cacheFor(variable.version).get(key, table.rows * 8, async () => {
      const computed = await this.compute(db, table, variable);
      const values = sharedColumn(table.rows);
      values.set(computed.values);
      return { ...computed, values };
    });
  }

  /** Computes a derived variable, which need not be in the study yet. */
  async compute(db: Connection, table: Table, { derivation }: Pick<Variable, 'derivation'>): Promise<DerivedColumn> {
    if (!derivation) throw new Error('a measured variable is not computed');
    const columns = new Map<string, Float64Array>();
    for (const source of sourcesOf(derivation)) columns.set(source, await this.values(db, table, source));
    const kept = isFitted(derivation) ? await this.#notSetAside(db, table) : null;
    const dictionary = derivation.type === 'recode' ? await this.dictionary(db, table, derivation.source) : [];
    const names = derivation.type === 'combine' ? await this.#names(db, table, derivation.sources) : new Map<string, ValueNames>();
    return this.workers.run({ task: 'derive', derivation, sources: { rows: table.rows, columns, kept, dictionary, names } }, NEVER);
  }

  /** What the values of some variables are called. */
  async #names(db: Connection, table: Table, ids: readonly string[]): Promise<ReadonlyMap<string, ValueNames>> {
    const named = ids.map(async (id) => {
      const { storage, valueLabels } = variableOf(table, id);
      return [id, { dictionary: storage === 'code' ? await this.dictionary(db, table, id) : null, labels: valueLabels }] as const;
    });
    return new Map(await Promise.all(named));
  }

  /** Why each row is set aside; null if none ever was. */
  async reasonCodes(db: Connection, { study, rows, state }: Table): Promise<Float64Array | null> {
    if (!state.setAside) return null;
    const { version } = state.setAside;
    const key = `${study}/${SET_ASIDE}/${version}`;
    return this.#cacheFor(version).get(key, rows * 8, () => selectColumn(db, { study, revision: version }, SET_ASIDE, rows));
  }

  /** The rows that are computed with, numbers from 0; null for all. */
  async rowsInUse(db: Connection, table: Table): Promise<Uint32Array | null> {
    const { inUse } = table.state;
    if (!inUse) return null;
    const key = `${table.study}/in-use/${inUse.version}`;
    return this.#cacheFor(inUse.version).get(key, inUse.rows * 4, () => this.findRowsInUse(db, table));
  }

  /** Goes through set-aside rows and subset, whatever the state says of their number. */
  async findRowsInUse(db: Connection, table: Table): Promise<Uint32Array> {
    const kept = await this.#notSetAside(db, table);
    const { subset } = table.state;
    const inSubset = subset ? await this.inSubset(db, table, subset) : null;
    const found = new Uint32Array(table.rows);
    let count = 0;
    for (let row = 0; row < table.rows; row++) if ((kept?.[row] ?? 1) && (inSubset?.[row] ?? 1)) found[count++] = row;
    return found.slice(0, count);
  }

  /** Which rows fulfil a subset's rules, a byte for each. */
  async inSubset(db: Connection, table: Table, subset: NonNullable<StudyState['subset']>): Promise<Uint8Array> {
    const columns = new Map<string, Parameters<typeof rowsInSubset>[1] extends ReadonlyMap<string, infer C> ? C : never>();
    for (const id of subsetVariables(subset)) {
      const variable = variableOf(table, id);
      const [values, dictionary] = [await this.values(db, table, id), await this.dictionary(db, table, id)];
      columns.set(id, { variable, values, dictionary });
    }
    return rowsInSubset(subset, columns, table.rows);
  }

  /** A variable's values in the rows that are computed with. */
  async used(db: Connection, table: Table, id: string): Promise<Float64Array> {
    const all = await this.values(db, table, id);
    const rows = await this.rowsInUse(db, table);
    if (!rows) return all;
    const version = Math.max(variableOf(table, id).version, table.state.inUse?.version ?? 0);
    const key = `${table.study}/${id}/${variableOf(table, id).version}/used/${table.state.inUse?.version}`;
    return this.#cacheFor(version).get(key, rows.length * 8, async () => {
      const part = sharedColumn(rows.length);
      for (let i = 0; i < rows.length; i++) part[i] = all[rows[i] ?? 0] ?? Number.NaN;
      return part;
    });
  }

  /** Which rows are in the subset; null without one. */
  async subsetMask(db: Connection, table: Table): Promise<Uint8Array | null> {
    const { subset, inUse } = table.state;
    if (!subset || !inUse) return null;
    return this.kept(inUse.version, `${table.study}/subset/${inUse.version}`, table.rows, () => this.inSubset(db, table, subset));
  }

  /** The rows in the order of some values. */
  ordered(request: SortRequest): Promise<Uint32Array> {
    return this.workers.run({ task: 'sort-rows', request }, NEVER);
  }

  /** Something made of columns, kept with them; `version` is the newest of those it is made of. */
  kept<T>(version: number, key: string, bytes: number, make: () => Promise<T>): Promise<T> {
    return this.#cacheFor(version).get(key, bytes, make);
  }

  async #measured(db: Connection, table: Table, variable: Variable): Promise<Float64Array> {
    const column = await selectColumn(db, { study: table.study, revision: variable.version }, variable.id, table.rows);
    await this.takeMissingCodesOut(db, table, variable, column);
    return column;
  }

  /** Makes NaN of the values that stand for a missing one, in place. */
  async takeMissingCodesOut(db: Connection, table: Table, variable: Variable, column: Float64Array): Promise<void> {
    if (variable.missingCodes.length === 0 || variable.storage === 'day') return;
    const dictionary = await this.dictionary(db, table, variable.id);
    const codes = variable.missingCodes.map((code) => (variable.storage === 'code' ? dictionary.indexOf(code) : readPlainNumber(code)));
    const missing = new Set(codes.filter((code) => Number.isFinite(code) && (variable.storage === 'number' || code >= 0)));
    if (missing.size > 0) for (let row = 0; row < column.length; row++) if (missing.has(column[row] ?? 0)) column[row] = Number.NaN;
  }

  async #notSetAside(db: Connection, table: Table): Promise<Uint8Array | null> {
    const codes = await this.reasonCodes(db, table);
    return codes && Uint8Array.from(codes, (code) => (code === 0 ? 1 : 0));
  }

  #cacheFor(version: number): ColumnCache {
    if (version >= this.pendingFrom || !this.parent) return this.cache;
    return this.parent.#cacheFor(version);
  }
}

/** @throws {DomainError} 'no-such-variable' */
export function variableOf({ state }: Pick<Table, 'state'>, id: string): Variable {
  const variable = state.variables.find((item) => item.id === id);
  if (!variable) {
    throw new DomainError('no-such-variable', 'The study has no such variable at this revision.', { where: id, hint: 'Reload the page.' });
  }
  return variable;
}
