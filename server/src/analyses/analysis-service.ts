import type { Analysis, AnalysisResult, Variable } from '@ivlen/contract';
import type { Columns, Table } from '../columns/columns';
import type { Database } from '../database/connect';
import type { JobTools } from '../jobs/jobs';
import { rowNames } from '../rows/row-names';
import { getTable } from '../studies/study-repository';
import type { Workers } from '../workers/workers';
import { moduleOf, neededVariables, rowNamer } from './analyses';
import { type AnalysisColumns, factsOf } from './analysis-columns';
import { joinPieces, KeptPieces } from './kept-pieces';
import { KeptResults } from './kept-results';
import { resultKey } from './result-key';
import { Spread, sharedProgress } from './spread';

/** The one door to computing: loads a revision's columns and runs the analysis in a worker. */
export class AnalysisService {
  readonly #kept: KeptResults;
  readonly #pieces = new KeptPieces();
  readonly #spread: Spread;

  constructor(
    private readonly database: Database,
    private readonly columns: Columns,
    private readonly workers: Workers,
  ) {
    this.#kept = new KeptResults(database);
    this.#spread = new Spread(workers);
  }

  /** What hangs on the same columns, rows and request has the same result, which is kept for whoever asks again. */
  async run(study: string, revision: number, analysis: Analysis, tools: JobTools): Promise<AnalysisResult> {
    const table = await getTable(this.database, study, revision);
    const needed = neededVariables(analysis, table.state.variables);
    const key = resultKey(table, analysis, needed, this.workers.version);
    const kept = await this.#kept.get(key);
    if (kept) return kept;
    const result = await this.#compute(table, analysis, needed, tools);
    await this.#kept.set(study, key, result);
    return result;
  }

  async #compute(table: Table, analysis: Analysis, needed: readonly Variable[], { signal, tell }: JobTools): Promise<AnalysisResult> {
    const { counts } = moduleOf(analysis);
    const columns = await this.#columns(table, analysis, needed);
    const what = counts ?? '';
    const kept = this.#pieces.known(table, analysis);
    const spread = await this.#spread.pieces(table, analysis, columns, kept, {
      signal,
      progress: (of) => tell(() => ({ what, ...of() })),
    });
    const known = joinPieces(kept, spread);
    const progress = sharedProgress();
    if (spread.places.length === 0) tell(() => ({ what, done: progress[0] ?? 0, total: progress[1] ?? 0 }));
    const result = await this.workers.run({ task: 'analyse', analysis, columns, progress, known }, signal);
    this.#pieces.keep(table, analysis, result);
    const namesRows = rowNamer(analysis);
    return namesRows ? namesRows(result, await rowNames(this.database, this.columns, table)) : result;
  }

  async #columns(table: Table, analysis: Analysis, needed: readonly Variable[]): Promise<AnalysisColumns> {
    const { looksAt, allRows } = moduleOf(analysis);
    const values: Float64Array[] = [];
    for (const { id } of needed) {
      values.push(await (allRows ? this.columns.values(this.database, table, id) : this.columns.used(this.database, table, id)));
    }
    const rows = await this.columns.rowsInUse(this.database, table);
    return {
      variables: needed.map(({ id }) => id),
      values,
      numeric: needed.map(({ storage }) => storage === 'number'),
      rows: allRows ? null : rows,
      rowsInUse: rows?.length ?? table.rows,
      codebook: factsOf(table.state, looksAt),
      ...(allRows
        ? {
            outside: {
              aside: await this.columns.reasonCodes(this.database, table),
              inside: await this.columns.subsetMask(this.database, table),
            },
          }
        : {}),
    };
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
