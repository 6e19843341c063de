import type { MissingResult, Study } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../../../api/queries';
import { FailureNotice } from '../../../controls/failure-notice';
import { Skeleton } from '../../../controls/skeleton';
import { displayName } from '../../../study/variable-name';
import type { TableColumn, ValueTable } from '../../../tables/columns';
import { ValueTableView } from '../../../tables/value-table-view';
import { GapsSection } from './gaps-section';

/** Which values are missing, which together, and how many rows each pair of variables is left with. */
export function MissingOverview({ study }: { study: Study }) {
  const { data, error } = useQuery(analysisQuery(study.id, study.head, { kind: 'missing' }));
  if (error && !data) return <FailureNotice error={error} />;
  if (!data) return <Skeleton label="Counting" className="h-64" />;
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
      <GapsSection study={study} nameOf={nameOf} />
    </>
  );
}

interface PartProps {
  readonly data: MissingResult;
  readonly nameOf: (id: string) => string;
}

const counted = (value: number) => value.toLocaleString('en-GB');

function Variables({ data, nameOf }: PartProps) {
  const table: ValueTable<MissingResult['variables'][number]> = {
    caption: 'Variables with missing values',
    columns: [
      { name: 'variable', shown: ({ id }) => nameOf(id) },
      { name: 'missing', shown: ({ missing }) => counted(missing), exact: ({ missing }) => missing },
      {
        name: 'of all rows',
        shown: ({ missing }) => `${((100 * missing) / data.rows).toFixed(1)} %`,
        exact: ({ missing }) => missing / data.rows,
      },
    ],
    rows: data.variables,
  };
  return (
    <div>
      <ValueTableView table={table} captionShown />
    </div>
  );
}

function Patterns({ data, nameOf }: PartProps) {
  const table: ValueTable<MissingResult['patterns'][number]> = {
    caption: 'Missing together',
    columns: [
      { name: 'rows', align: 'right', shown: ({ rows }) => counted(rows), exact: ({ rows }) => rows },
      { name: 'in which exactly these are missing', align: 'left', shown: ({ missing }) => missing.map(nameOf).join(', ') },
    ],
    rows: data.patterns,
  };
  return (
    <div className="max-w-lg">
      <ValueTableView table={table} captionShown />
      {data.morePatterns > 0 && <p className="mt-1 text-muted">and {data.morePatterns} rarer sets</p>}
    </div>
  );
}

function Pairs({ data, nameOf }: PartProps) {
  const size = Math.sqrt(data.pairs.length);
  const listed = data.variables.slice(0, size).map(({ id }, index) => ({ id, index }));
  const together = (row: number, column: number) => (column <= row ? (data.pairs[row * size + column] ?? 0) : null);
  const table: ValueTable<(typeof listed)[number]> = {
    caption: 'Rows complete for each pair, and for one variable on the diagonal',
    columns: [
      { name: '', nameInFile: 'variable', shown: ({ id }) => nameOf(id) },
      ...listed.map(
        (other): TableColumn<(typeof listed)[number]> => ({
          name: nameOf(other.id),
          shown: ({ index }) => {
            const rows = together(index, other.index);
            return rows === null ? '' : counted(rows);
          },
          exact: ({ index }) => together(index, other.index),
        }),
      ),
    ],
    rows: listed,
  };
  return (
    <div className="mt-8 w-fit max-w-full overflow-x-auto">
      <ValueTableView table={table} captionShown className="text-[13px]" />
    </div>
  );
}
