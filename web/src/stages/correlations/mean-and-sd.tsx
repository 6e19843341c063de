import type { Study, Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../../api/queries';
import { formatMeasured } from '../../figures/format-measured';

interface MeanAndSdProps {
  readonly study: Study;
  readonly variable: Variable;
  /** All of the matrix: they are asked for together. */
  readonly variables: readonly Variable[];
  /** Where they stand in the grid. */
  readonly row: number;
  readonly column: number;
}

/** Mean and standard deviation of a variable beside its row, over all rows in use. */
export function MeanAndSd({ study, variable, variables, row, column }: MeanAndSdProps) {
  const { data } = useQuery(analysisQuery(study.id, study.head, { kind: 'describe', variables: variables.map(({ id }) => id).sort() }));
  const found = data?.variables.find(({ id }) => id === variable.id);
  const cell = (value: number | null | undefined, at: number) => (
    <div role="gridcell" className="flex items-center justify-end pl-3 text-right text-[13px]" style={{ gridRow: row, gridColumn: at }}>
      {found ? formatMeasured(value ?? null, found.sd, variable.decimals) : ''}
    </div>
  );
  return (
    <>
      {cell(found?.mean, column)}
      {cell(found?.sd, column + 1)}
    </>
  );
}

MeanAndSd.Header = function MeanAndSdHeader({ column }: { column: number }) {
  return (
    <>
      {['M', 'SD'].map((name, k) => (
        <div
          key={name}
          role="columnheader"
          className="sticky top-0 z-10 self-end bg-paper pb-1 pl-3 text-right text-[12px]"
          style={{ gridRow: 1, gridColumn: column + k }}
        >
          {name}
        </div>
      ))}
    </>
  );
};
