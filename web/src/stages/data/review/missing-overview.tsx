import type { MissingResult, Study } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../../../api/queries';
import { FailureNotice } from '../../../controls/failure-notice';
import { displayName } from '../../../study/variable-name';

/** Which values are missing, which together, and how many rows each pair of variables is left with. */
export function MissingOverview({ study }: { study: Study }) {
  const { data, error } = useQuery(analysisQuery(study.id, study.head, { kind: 'missing' }));
  if (error && !data) return <FailureNotice error={error} />;
  if (!data) return <div role="status" aria-label="Counting" className="h-64 rounded bg-rule/50" />;
  if (data.variables.length === 0)
    return <p className="font-serif text-[17px]">No value is missing in the {data.rows.toLocaleString('en-GB')} rows in use.</p>;
  const nameOf = (id: string) => displayName(study.state.variables.find((item) => item.id === id) ?? { name: id });
  return (
    <>
      <p className="mb-4 font-serif text-[17px]">
        {data.completeRows.toLocaleString('en-GB')} of {data.rows.toLocaleString('en-GB')} rows in use are complete. Listwise deletion over
        all variables would leave only these.
      </p>
      <div className="flex flex-wrap items-start gap-10">
        <Variables data={data} nameOf={nameOf} />
        <Patterns data={data} nameOf={nameOf} />
      </div>
      {data.variables.length > 1 && <Pairs data={data} nameOf={nameOf} />}
    </>
  );
}

interface PartProps {
  readonly data: MissingResult;
  readonly nameOf: (id: string) => string;
}

function Variables({ data, nameOf }: PartProps) {
  return (
    <table>
      <caption className="pb-1 text-left font-semibold">Variables with missing values</caption>
      <thead>
        <tr className="border-b border-rule text-[13px] text-muted">
          <th scope="col" className="pr-6 text-left font-normal">
            variable
          </th>
          <th scope="col" className="px-3 text-right font-normal">
            missing
          </th>
          <th scope="col" className="pl-3 text-right font-normal">
            of all rows
          </th>
        </tr>
      </thead>
      <tbody>
        {data.variables.map(({ id, missing }) => (
          <tr key={id}>
            <th scope="row" className="pr-6 text-left font-normal">
              {nameOf(id)}
            </th>
            <td className="px-3 text-right">{missing.toLocaleString('en-GB')}</td>
            <td className="pl-3 text-right">{((100 * missing) / data.rows).toFixed(1)} %</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Patterns({ data, nameOf }: PartProps) {
  return (
    <table>
      <caption className="pb-1 text-left font-semibold">Missing together</caption>
      <thead>
        <tr className="border-b border-rule text-[13px] text-muted">
          <th scope="col" className="pr-6 text-right font-normal">
            rows
          </th>
          <th scope="col" className="text-left font-normal">
            in which exactly these are missing
          </th>
        </tr>
      </thead>
      <tbody>
        {data.patterns.map(({ missing, rows }) => (
          <tr key={missing.join(' ')}>
            <td className="pr-6 text-right">{rows.toLocaleString('en-GB')}</td>
            <td className="max-w-md">{missing.map(nameOf).join(', ')}</td>
          </tr>
        ))}
      </tbody>
      {data.morePatterns > 0 && (
        <tfoot>
          <tr>
            <td colSpan={2} className="text-muted">
              and {data.morePatterns} rarer sets
            </td>
          </tr>
        </tfoot>
      )}
    </table>
  );
}

function Pairs({ data, nameOf }: PartProps) {
  const size = Math.sqrt(data.pairs.length);
  const listed = data.variables.slice(0, size);
  return (
    <div className="mt-8 overflow-x-auto">
      <table className="text-[13px]">
        <caption className="pb-1 text-left text-[14px] font-semibold">
          Rows complete for each pair, and for one variable on the diagonal
        </caption>
        <thead>
          <tr>
            <td />
            {listed.map(({ id }) => (
              <th key={id} scope="col" className="max-w-24 truncate px-2 text-right align-bottom font-normal text-muted">
                {nameOf(id)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {listed.map(({ id }, row) => (
            <tr key={id} className="border-t border-rule/60">
              <th scope="row" className="pr-4 text-left font-normal">
                {nameOf(id)}
              </th>
              {listed.map((other, column) => (
                <td key={other.id} className={`px-2 text-right ${row === column ? 'text-muted' : ''}`}>
                  {column <= row ? (data.pairs[row * size + column] ?? 0).toLocaleString('en-GB') : ''}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
