import type { Analysis, AnalysisResult, ImportSettings } from '@ivlen/contract';
import { type AnalysisColumns, analyse } from '../analyses/analyse';
import { type ReadTable, readTable } from '../imports/read-table';

/** What worker threads do: everything that would keep a request thread busy. */
export type Task =
  | { task: 'read-table'; bytes: Uint8Array; settings: ImportSettings | null }
  | { task: 'analyse'; analysis: Analysis; columns: AnalysisColumns };

export type TaskResult<T extends Task> = T extends { task: 'read-table' } ? ReadTable : AnalysisResult;

export function perform(task: Task): ReadTable | AnalysisResult {
  return task.task === 'read-table' ? readTable(task.bytes, task.settings) : analyse(task.analysis, task.columns);
}
