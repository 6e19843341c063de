import type { AnalysisModule } from './analysis';
import { columnOf } from './analysis-columns';
import { findVariable } from './needed-variables';

/** How many rows are complete for some sets of variables. */
export const completeRows: AnalysisModule<'complete-rows'> = {
  needs: ({ sets }, all) => [...new Set(sets.flat())].map((id) => findVariable(all, id)),
  run: ({ sets }, columns) => {
    const rows = columns.values[0]?.length ?? columns.rowsInUse;
    return {
      kind: 'complete-rows',
      counts: sets.map((set) => {
        const needed = set.map((id) => columnOf(columns, id));
        let count = 0;
        for (let row = 0; row < rows; row++) if (needed.every((column) => column[row] === column[row])) count++;
        return count;
      }),
    };
  },
};
