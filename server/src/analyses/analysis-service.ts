import { type Analysis, type AnalysisResult, canBeCorrelated, type Variable } from '@ivlen/contract';
import type { ColumnCache } from '../columns/column-cache';
import type { Database } from '../database/connect';
import { DomainError } from '../errors/domain-error';
import { getRevision } from '../studies/study-repository';
import type { Workers } from '../workers/workers';
import type { AnalysisColumns } from './analyse';

/** The one door to computing: loads a revision's columns and runs the analysis in a worker. */
export class AnalysisService {
  constructor(
    private readonly database: Database,
    private readonly columns: ColumnCache,
    private readonly workers: Workers,
  ) {}

  async run(study: string, revision: number, analysis: Analysis, signal: AbortSignal): Promise<AnalysisResult> {
    const { state, rowCount } = await getRevision(this.database, study, revision);
    const variables = neededVariables(analysis, state.variables);
    const values: Float64Array[] = [];
    for (const { id } of variables) values.push(await this.columns.get(this.database, study, revision, id, rowCount));
    const columns: AnalysisColumns = {
      variables: variables.map(({ id }) => id),
      values,
      numeric: variables.map(({ storage }) => storage === 'number'),
    };
    return this.workers.run({ task: 'analyse', analysis, columns }, signal);
  }

  /** The values of one variable at a revision. */
  async values(study: string, revision: number, variable: string): Promise<Float64Array> {
    const { state, rowCount } = await getRevision(this.database, study, revision);
    findVariable(state.variables, variable);
    return this.columns.get(this.database, study, revision, variable, rowCount);
  }
}

function neededVariables(analysis: Analysis, all: readonly Variable[]): Variable[] {
  switch (analysis.kind) {
    case 'summary':
      return [...all];
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

function findVariable(all: readonly Variable[], id: string): Variable {
  const variable = all.find((item) => item.id === id);
  if (!variable) {
    throw new DomainError('no-such-variable', 'The study has no such variable at this revision.', { where: id, hint: 'Reload the page.' });
  }
  return variable;
}
