import type { Analysis, AnalysisResult, AnalysisRows, Derivation } from '@ivlen/contract';
import { type ColumnSums, columnSums, type RankColumn, rankColumn } from '@ivlen/core';
import { analyse, computePieces } from '../analyses/analyses';
import type { Pieces, PreparedVariables } from '../analyses/analysis';
import { type AnalysisColumns, restrictedTo } from '../analyses/analysis-columns';
import { type ReadArchive, type ReadArchiveRequest, readArchive } from '../archives/read-archive';
import { computeDerived, type DerivedColumn, type DerivedSources } from '../derivations/compute-derived';
import type { ExportTable } from '../exports/export-table';
import { checksumOf, type WriteExportRequest, writeExport } from '../exports/write-export';
import { type FilePreview, type ReadFileRequest, readFile } from '../imports/read-file';
import { type SortRequest, sortRows } from '../rows/sort-rows';

/** What worker threads do: everything that would keep a request thread busy. */
export type Task =
  | { task: 'read-file'; request: ReadFileRequest }
  | { task: 'read-archive'; request: ReadArchiveRequest }
  | { task: 'write-export'; request: WriteExportRequest }
  | { task: 'checksum'; table: ExportTable }
  | { task: 'sort-rows'; request: SortRequest }
  | { task: 'derive'; derivation: Derivation; sources: DerivedSources }
  | {
      task: 'analyse';
      analysis: Analysis;
      columns: AnalysisColumns;
      /** What is done, and of how much; shared. */
      progress: Float64Array;
      /** Parts of the result that are known. */
      known: Pieces;
    }
  /** Cuts columns down to some rows, into shared memory. */
  | { task: 'restrict'; rows: AnalysisRows; columns: AnalysisColumns }
  /** Sorts a column, into shared memory. */
  | { task: 'rank'; values: Float64Array }
  | { task: 'sum'; columns: readonly Float64Array[]; stretches: readonly number[] }
  | {
      task: 'pieces';
      analysis: Analysis;
      columns: AnalysisColumns;
      /** Of the parts to be computed. */
      places: readonly number[];
      prepared: PreparedVariables;
      progress: Float64Array;
    };

export interface TaskResults {
  'read-file': FilePreview;
  'read-archive': ReadArchive;
  'write-export': undefined;
  checksum: string;
  'sort-rows': Uint32Array;
  derive: DerivedColumn;
  analyse: AnalysisResult;
  restrict: AnalysisColumns;
  rank: RankColumn;
  sum: readonly ColumnSums[];
  pieces: Pieces;
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
    case 'checksum':
      return checksumOf(task.table);
    case 'sort-rows':
      return shared(sortRows(task.request));
    case 'derive':
      return computeDerived(task.derivation, task.sources);
    case 'analyse':
      return analyse(task.analysis, task.columns, tellBy(task.progress), task.known);
    case 'restrict': {
      const { values, ...rest } = restrictedTo(task.rows, task.columns);
      return { ...rest, values: values.map(shared) };
    }
    case 'rank': {
      const { order, dense, ties } = rankColumn(task.values);
      return { order: shared(order), dense: shared(dense), ties };
    }
    case 'sum':
      return task.stretches.map((stretch) => columnSums(task.columns, stretch));
    case 'pieces':
      return computePieces(task.analysis, task.columns, task.places, task.prepared, tellBy(task.progress));
  }
}

function tellBy(progress: Float64Array) {
  return (done: number, total: number) => {
    progress[0] = done;
    progress[1] = total;
  };
}

/** The same numbers in memory that all threads read. */
function shared<T extends Float64Array | Int32Array | Uint32Array>(values: T): T {
  const copy = new (values.constructor as new (memory: SharedArrayBuffer) => T)(new SharedArrayBuffer(values.byteLength));
  copy.set(values);
  return copy;
}
