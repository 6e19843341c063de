import type { PairResult, Variable } from '@ivlen/contract';
import { formatMeasured } from '../figures/format-measured';
import { displayName } from '../study/variable-name';
import type { Pair } from './use-pair-selection';

/** Mean and SD of both variables over the rows of the pair. */
export function VariableFigures({ pair: { x, y }, result }: { pair: Pair; result: PairResult }) {
  return (
    <table className="mt-4 w-full">
      <caption className="pb-1 text-left text-[13px] text-muted">Over the {result.n.toLocaleString('en-GB')} rows used</caption>
      <thead>
        <tr className="border-b border-rule text-[13px] text-muted">
          <th scope="col" className="py-1 text-left font-normal">
            Variable
          </th>
          <th scope="col" className="py-1 text-right font-normal">
            Mean
          </th>
          <th scope="col" className="py-1 text-right font-normal">
            SD
          </th>
        </tr>
      </thead>
      <tbody>
        <VariableLine variable={x} figures={result.x} />
        <VariableLine variable={y} figures={result.y} />
      </tbody>
    </table>
  );
}

function VariableLine({ variable, figures: { mean, sd } }: { variable: Variable; figures: PairResult['x'] }) {
  return (
    <tr className="border-b border-rule">
      <th scope="row" className="py-1 pr-2 text-left font-normal">
        {displayName(variable)} <span className="text-[13px] text-muted">{variable.unit}</span>
      </th>
      <td className="py-1 text-right">{formatMeasured(mean, sd, variable.decimals)}</td>
      <td className="py-1 pl-3 text-right">{formatMeasured(sd, sd, variable.decimals)}</td>
    </tr>
  );
}
