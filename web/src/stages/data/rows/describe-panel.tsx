import type { Study, Variable, VariableDescription } from '@ivlen/contract';
import { formatFixed } from '@ivlen/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { analysisQuery } from '../../../api/queries';
import { FailureNotice } from '../../../controls/failure-notice';
import { Skeleton } from '../../../controls/skeleton';
import { formatMeasured } from '../../../figures/format-measured';
import { Sparkline } from '../../../figures/sparkline';
import { displayName } from '../../../study/variable-name';
import type { ValueTable } from '../../../tables/columns';
import { ValueTableView } from '../../../tables/value-table-view';

interface DescribePanelProps {
  readonly study: Study;
  readonly variable: Variable;
  readonly onClose: () => void;
}

/** The descriptive statistics of one variable over the rows in use. */
export function DescribePanel({ study, variable, onClose }: DescribePanelProps) {
  const { data, error } = useQuery({
    ...analysisQuery(study.id, study.head, { kind: 'describe', variables: [variable.id] }),
    placeholderData: keepPreviousData,
  });
  const description = data?.variables.find(({ id }) => id === variable.id);
  const table = description && descriptionTable(description, variable);
  return (
    <aside
      aria-label={`Description of ${displayName(variable)}`}
      className="w-[264px] shrink-0 overflow-y-auto border-l border-rule px-4 py-3"
    >
      <header className="mb-2 flex items-start gap-2">
        <h2 className="min-w-0 text-[16px] leading-snug break-words">
          {displayName(variable)}
          {variable.unit && <span className="font-normal text-muted">, {variable.unit}</span>}
        </h2>
        <button type="button" className="icon-button -mr-1 ml-auto shrink-0" aria-label="Close the description" onClick={onClose}>
          <X size={17} />
        </button>
      </header>
      {error && !description && <FailureNotice error={error} />}
      {!error && !description && <Skeleton label="Describing" className="h-64" />}
      {description && table && (
        <>
          <Sparkline bins={description.bins} width={230} height={64} />
          <ValueTableView table={table} className="mt-3 w-full" headShown={false} />
        </>
      )}
    </aside>
  );
}

interface DescriptionLine {
  readonly name: string;
  readonly shown: string;
  readonly exact: number | null;
}

/** The description of a variable as a table of names and values. */
export function descriptionTable(
  d: VariableDescription,
  variable: Pick<Variable, 'decimals' | 'name' | 'label'>,
): ValueTable<DescriptionLine> {
  const { decimals } = variable;
  const counted = (name: string, value: number) => ({ name, shown: value.toLocaleString('en-GB'), exact: value });
  const measured = (name: string, value: number | null) => ({ name, shown: formatMeasured(value, d.sd, decimals), exact: value });
  const plain = (value: number | null) => (value === null ? '–' : formatFixed(value, 2));
  const withSe = (name: string, value: number | null, se: number | null) => ({
    name,
    shown: value === null ? '–' : `${plain(value)} (SE ${plain(se)})`,
    exact: value,
  });
  return {
    caption: `Description of ${displayName(variable)}`,
    columns: [
      { name: 'statistic', shown: ({ name }) => name, onScreen: ({ name }) => <span className="text-muted">{name}</span> },
      { name: 'value', shown: ({ shown }) => shown, exact: ({ exact }) => exact },
    ],
    rows: [
      counted('n', d.n),
      counted('missing', d.missing),
      measured('mean', d.mean),
      measured('SD', d.sd),
      measured('SE of the mean', d.se),
      { name: 'variance', shown: formatMeasured(d.variance, d.variance, decimals), exact: d.variance },
      measured('median', d.median),
      measured('lower quartile', d.q1),
      measured('upper quartile', d.q3),
      measured('smallest', d.min),
      measured('largest', d.max),
      measured('range', d.range),
      withSe('skewness', d.skewness, d.skewnessSe),
      withSe('excess kurtosis', d.excessKurtosis, d.excessKurtosisSe),
    ],
  };
}
