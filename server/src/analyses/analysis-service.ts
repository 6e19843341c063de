import type { Analysis, AnalysisResult } from '@ivlen/contract';
import type { Columns, Table } from '../columns/columns';
import type { Database } from '../database/connect';
import type { JobTools } from '../jobs/jobs';
import { rowNames } from '../rows/row-names';
import { getTable } from '../studies/study-repository';
import type { Workers } from '../workers/workers';
import type { AnalysisColumns } from './analysis-columns';
import { neededVariables } from './needed-variables';
import { ResultCache } from './result-cache';

/** The one door to computing: loads a revision's columns and runs the analysis in a worker. */
export class AnalysisService {
  readonly #cache = new ResultCache();

  constructor(
    private readonly database: Database,
    private readonly columns: Columns,
    private readonly workers: Workers,
  ) {}

  /** The same request of the same revision always has the same result, which is kept for whoever asks again. */
  async run(study: string, revision: number, analysis: Analysis, tools: JobTools): Promise<AnalysisResult> {
    const key = JSON.stringify([study, revision, analysis]);
    const kept = this.#cache.get(key);
    if (kept) return kept;
    const result = await this.#compute(study, revision, analysis, tools);
    this.#cache.set(key, result);
    return result;
  }

  async #compute(study: string, revision: number, analysis: Analysis, { signal, tell }: JobTools): Promise<AnalysisResult> {
    const table = await getTable(this.database, study, revision);
    const { state } = table;
    const variables = neededVariables(analysis, state.variables);
    const values: Float64Array[] = [];
    for (const { id } of variables) values.push(await this.columns.used(this.database, table, id));
    const columns: AnalysisColumns = {
      variables: variables.map(({ id }) => id),
      values,
      numeric: variables.map(({ storage }) => storage === 'number'),
      rows: await this.columns.rowsInUse(this.database, table),
      state: { variables: state.variables, accepted: state.accepted },
    };
    const progress = new Float64Array(new SharedArrayBuffer(2 * Float64Array.BYTES_PER_ELEMENT));
    tell(() => ({ what: COUNTED[analysis.kind] ?? '', done: progress[0] ?? 0, total: progress[1] ?? 0 }));
    const result = await this.workers.run({ task: 'analyse', analysis, columns, progress }, signal);
    return this.#withRowNames(result, table);
  }

  /** Rows that a result lists get the name that the identifier gives them. */
  async #withRowNames(result: AnalysisResult, table: Table): Promise<AnalysisResult> {
    if (result.kind !== 'shape' && result.kind !== 'joint' && result.kind !== 'influence') return result;
    const nameOf = await rowNames(this.database, this.columns, table);
    const named = <T extends { row: number }>(item: T) => ({ ...item, name: nameOf(item.row - 1) });
    if (result.kind === 'influence') return { ...result, points: result.points.map(named) };
    if (result.kind === 'joint') return { ...result, furthest: result.furthest.map(named) };
    return { ...result, box: { ...result.box, outside: result.box.outside.map(named) } };
  }

  /** The values of one variable at a revision, all rows. */
  async values(study: string, revision: number, variable: string): Promise<Float64Array> {
    return this.columns.values(this.database, await getTable(this.database, study, revision), variable);
  }

  /** Numbers, from 0, of the rows in use at a revision. */
  async rowsInUse(study: string, revision: number): Promise<Float64Array> {
    const table = await getTable(this.database, study, revision);
    const rows = await this.columns.rowsInUse(this.database, table);
    return rows ? Float64Array.from(rows) : Float64Array.from({ length: table.rows }, (_, row) => row);
  }
}

/** What the progress of a long analysis counts. */
const COUNTED: Partial<Record<Analysis['kind'], string>> = {
  correlation: 'pairs',
  cautions: 'pairs',
  resample: 'samples',
  dependent: 'samples',
};
