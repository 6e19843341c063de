import type { Analysis, AnalysisResult, Derivation } from '@ivlen/contract';
import { analyse } from '../analyses/analyses';
import type { Piece } from '../analyses/analysis';
import type { AnalysisColumns } from '../analyses/analysis-columns';
import { type ReadArchive, type ReadArchiveRequest, readArchive } from '../archives/read-archive';
import { computeDerived, type DerivedColumn, type DerivedSources } from '../derivations/compute-derived';
import { type WriteExportRequest, writeExport } from '../exports/write-export';
import { type FilePreview, type ReadFileRequest, readFile } from '../imports/read-file';

/** What worker threads do: everything that would keep a request thread busy. */
export type Task =
  | { task: 'read-file'; request: ReadFileRequest }
  | { task: 'read-archive'; request: ReadArchiveRequest }
  | { task: 'write-export'; request: WriteExportRequest }
  | { task: 'derive'; derivation: Derivation; sources: DerivedSources }
  | {
      task: 'analyse';
      analysis: Analysis;
      columns: AnalysisColumns;
      /** What is done, and of how much; shared. */
      progress: Float64Array;
      /** Parts of the result that are known. */
      known: ReadonlyMap<string, Piece>;
    };

export interface TaskResults {
  'read-file': FilePreview;
  'read-archive': ReadArchive;
  'write-export': undefined;
  derive: DerivedColumn;
  analyse: AnalysisResult;
}
export type TaskResult<T extends Task> = TaskResults[T['task']];

export async function perform(task: Task): Promise<TaskResults[keyof TaskResults]> {
  switch (task.task) {
    case 'read-file':
      return readFile(task.request);
    case 'read-archive':
      return readArchive(task.request);
    case 'write-export':
      writeExport(task.request);
      return undefined;
    case 'derive':
      return computeDerived(task.derivation, task.sources);
    case 'analyse':
      return analyse(
        task.analysis,
        task.columns,
        (done, total) => {
          task.progress[0] = done;
          task.progress[1] = total;
        },
        task.known,
      );
  }
}
