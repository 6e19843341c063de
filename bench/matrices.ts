import { type Analysis, NO_REMEDIES, type StudyState } from '@ivlen/contract';
import type { Method } from '@ivlen/core';
import { createWorkerPool, matrixInParts, type Workers } from '@ivlen/server';

/** Threads that we and the reference libraries are given. */
export const THREADS = 2;

/** Columns in memory that all threads read, as the server keeps them. */
export function sharedColumns(columns: readonly Float64Array[]): Float64Array[] {
  return columns.map((column) => {
    const copy = new Float64Array(new SharedArrayBuffer(column.byteLength));
    copy.set(column);
    return copy;
  });
}

/** The application's own way to a correlation matrix: worker threads on shared memory, nothing known before. */
export class Matrices {
  readonly #workers: Workers;

  constructor(workerFile: string) {
    this.#workers = createWorkerPool(workerFile, THREADS);
  }

  async compute(method: Method, values: readonly Float64Array[]): Promise<void> {
    const variables = values.map((_, i) => `v${i}`);
    const analysis: Analysis = {
      kind: 'correlation',
      variables,
      method,
      byVariable: {},
      remedies: NO_REMEDIES,
      alternative: 'two-sided',
      level: 0.95,
      interval: 'default',
      control: [],
      rows: { completeFor: [], group: null },
    };
    const state = { variables: variables.map((id) => ({ id, version: 1 })), accepted: [] } as unknown as StudyState;
    const rows = values[0]?.length ?? 0;
    const columns = {
      variables,
      values,
      numeric: variables.map(() => true),
      rows: null,
      rowsInUse: rows,
      codebook: { variables: [], accepted: [] },
    };
    await matrixInParts(this.#workers, { study: 'bench', rows, state }, analysis, columns);
  }

  close(): Promise<void> {
    return this.#workers.close();
  }
}
