import type { MergeMode, MergeRequest, MergeSummary } from '@ivlen/contract';
import { nothingChanges } from '../changes/applied-change';
import { writeRevision } from '../changes/change-study';
import type { Columns } from '../columns/columns';
import type { Database } from '../database/connect';
import type { ImportService } from '../imports/import-service';
import type { JobTools } from '../jobs/jobs';
import { countOf, thousands } from '../phrases/phrases';
import { getStudy } from '../studies/study-repository';
import { applyMerge, previewMerge } from './merge';

/** Brings further files into studies: more rows, or corrected data. */
export class MergeService {
  constructor(
    private readonly database: Database,
    private readonly columns: Columns,
    private readonly imports: ImportService,
  ) {}

  async preview(study: string, { importId, mode }: MergeRequest): Promise<MergeSummary> {
    const { rows, state } = await getStudy(this.database, study);
    return this.imports.withTable(importId, (incoming) =>
      previewMerge({ db: this.database, table: { study, rows, state }, columns: this.columns }, incoming, mode),
    );
  }

  /** Writes the merge as one revision; the waiting file goes with it. */
  async merge(
    study: string,
    { importId, mode, expectedHead }: MergeRequest & { expectedHead: number },
    { signal, tell }: JobTools,
  ): Promise<void> {
    let done = 0;
    let total = 0;
    tell(() => ({ what: 'variables', done, total }));
    await this.imports.withTable(importId, (incoming) =>
      writeRevision(this.database, this.columns, study, { expectedHead, reason: null }, async (context) => {
        total = context.table.state.variables.filter(({ derivation }) => derivation === null).length;
        const { summary, rowCount, state } = await applyMerge(context, incoming, mode, () => {
          signal.throwIfAborted();
          done++;
        });
        if (summary.cellsChanged + summary.rowsAdded + summary.rowsGone === 0) throw nothingChanges();
        return {
          kind: mode === 'add' ? 'rows-added' : 'replaced',
          summary: inWords(mode, incoming.preview.fileName, summary),
          state,
          rowCount,
        };
      }),
    );
    await this.imports.giveUp(importId);
  }
}

function inWords(mode: MergeMode, file: string, { rowsAdded, rowsGone, cellsChanged, rowsBefore }: MergeSummary): string {
  if (mode === 'add') return `${countOf(rowsAdded, 'row')} added from “${file}”, from row ${thousands(rowsBefore + 1)} on`;
  const parts = [
    countOf(cellsChanged, 'cell changed', 'cells changed'),
    rowsAdded > 0 && countOf(rowsAdded, 'row added', 'rows added'),
    rowsGone > 0 && `${countOf(rowsGone, 'row')} no longer there and set aside`,
  ];
  return `Data replaced by “${file}”: ${parts.filter(Boolean).join(', ')}`;
}
