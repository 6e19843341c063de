import { type Analysis, type AnalysisResult, canBeCorrelated, type Variable } from '@ivlen/contract';
import type { Columns, Table } from '../columns/columns';
import type { Database } from '../database/connect';
import { DomainError } from '../errors/domain-error';
import { rowNames } from '../rows/row-names';
import { getTable } from '../studies/study-repository';
import type { Workers } from '../workers/workers';
import type { AnalysisColumns } from './analysis-columns';

/** The one door to computing: loads a revision's columns and runs the analysis in a worker. */
export class AnalysisService {
  constructor(
    private readonly database: Database,
    private readonly columns: Columns,
    private readonly workers: Workers,
  ) {}

  async run(study: string, revision: number, analysis: Analysis, signal: AbortSignal): Promise<AnalysisResult> {
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
    const result = await this.workers.run({ task: 'analyse', analysis, columns }, signal);
    return this.#withRowNames(result, table);
  }

  /** Rows that a result lists get the name that the identifier gives them. */
  async #withRowNames(result: AnalysisResult, table: Table): Promise<AnalysisResult> {
    if (result.kind !== 'shape' && result.kind !== 'joint') return result;
    const nameOf = await rowNames(this.database, this.columns, table);
    const named = <T extends { row: number }>(item: T) => ({ ...item, name: nameOf(item.row - 1) });
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

function neededVariables(analysis: Analysis, all: readonly Variable[]): Variable[] {
  switch (analysis.kind) {
    case 'summary':
    case 'missing':
    case 'suspicious':
      return [...all];
    case 'describe':
      return analysis.variables.map((id) => withNumbers(all, id));
    case 'shape':
      return [withNumbers(all, analysis.variable), ...(analysis.group ? [findVariable(all, analysis.group.by)] : [])];
    case 'joint':
      return [...new Set([...analysis.variables, ...analysis.completeFor])].map((id) => correlatable(all, id));
    case 'scales':
      return [withNumbers(all, analysis.variable), ...analysis.others.map((id) => correlatable(all, id))];
    case 'correlation':
      return analysis.variables.map((id) => correlatable(all, id));
    case 'pair': {
      const ids = new Set([analysis.x, analysis.y, ...analysis.completeFor]);
      return [...ids].map((id) => correlatable(all, id));
    }
  }
}

function correlatable(all: readonly Variable[], id: string): Variable {
  const variable = findVariable(all, id);
  if (!canBeCorrelated(variable)) {
    throw new DomainError('cannot-be-correlated', `${variable.name} is ${variable.kind} and has no correlation coefficient.`, {
      where: variable.name,
      hint: 'Take it out of the working set, or correct its kind.',
    });
  }
  return variable;
}

function withNumbers(all: readonly Variable[], id: string): Variable {
  const variable = findVariable(all, id);
  if (variable.storage === 'number') return variable;
  throw new DomainError('no-numbers', `${variable.name} holds no numbers that could be described.`, {
    where: variable.name,
    hint: 'Choose another variable.',
  });
}

function findVariable(all: readonly Variable[], id: string): Variable {
  const variable = all.find((item) => item.id === id);
  if (!variable) {
    throw new DomainError('no-such-variable', 'The study has no such variable at this revision.', { where: id, hint: 'Reload the page.' });
  }
  return variable;
}
