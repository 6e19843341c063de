import type { Study, Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../../api/queries';
import { formatMeasured } from '../../figures/format-measured';

interface MeanAndSdProps {
  readonly study: Study;
  readonly variable: Variable;
  /** All of the matrix: they are asked for together. */
  readonly variables: readonly Variable[];
}

/** Mean and standard deviation of a variable beside its row, over all rows in use. */
export function MeanAndSd({ study, variable, variables }: MeanAndSdProps) {
  const { data } = useQuery(analysisQuery(study.id, study.head, { kind: 'describe', variables: variables.map(({ id }) => id).sort() }));
  const found = data?.variables.find(({ id }) => id === variable.id);
  const cell = (value: number | null | undefined) => (
    <div role="gridcell" className="flex w-[92px] shrink-0 items-center justify-end pl-3 text-right text-[13px] whitespace-nowrap">
      {found ? formatMeasured(value ?? null, found.sd, variable.decimals) : ''}
    </div>
  );
  return (
    <>
      {cell(found?.mean)}
      {cell(found?.sd)}
    </>
  );
}

MeanAndSd.Header = function MeanAndSdHeader() {
  return (
    <>
      {['M', 'SD'].map((name) => (
        <div key={name} role="columnheader" className="w-[92px] shrink-0 pl-3 text-right text-[12px]">
          {name}
        </div>
      ))}
    </>
  );
};
