import type { PairResult, Variable } from '@ivlen/contract';
import { formatMeasured } from '../figures/format-measured';
import { displayName } from '../study/variable-name';
import type { ValueTable } from '../tables/columns';
import { ValueTableView } from '../tables/value-table-view';
import type { Pair } from './use-pair-selection';

/** Mean and SD of both variables over the rows of the pair. */
export function VariableValues({ pair: { x, y }, result }: { pair: Pair; result: PairResult }) {
  const table: ValueTable<readonly [Variable, PairResult['x']]> = {
    caption: `Over the ${result.n.toLocaleString('en-GB')} rows used`,
    columns: [
      {
        name: 'Variable',
        shown: ([variable]) => [displayName(variable), variable.unit].filter(Boolean).join(', '),
        onScreen: ([variable]) => (
          <>
            {displayName(variable)} <span className="text-[13px] text-muted">{variable.unit}</span>
          </>
        ),
      },
      { name: 'Mean', shown: ([{ decimals }, { mean, sd }]) => formatMeasured(mean, sd, decimals), exact: ([, { mean }]) => mean },
      { name: 'SD', shown: ([{ decimals }, { sd }]) => formatMeasured(sd, sd, decimals), exact: ([, { sd }]) => sd },
    ],
    rows: [
      [x, result.x],
      [y, result.y],
    ],
  };
  return (
    <div className="mt-4">
      <ValueTableView table={table} captionShown fileName={`${displayName(x)} and ${displayName(y)}`} />
    </div>
  );
}
