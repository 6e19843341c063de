import type { Study, Variable, VariableDescription } from '@ivlen/contract';
import { formatFixed } from '@ivlen/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { analysisQuery } from '../../../api/queries';
import { CopyButton } from '../../../controls/copy-button';
import { FailureNotice } from '../../../controls/failure-notice';
import { formatMeasured } from '../../../figures/format-measured';
import { Sparkline } from '../../../figures/sparkline';
import { displayName } from '../../../study/variable-name';

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
  const lines = description ? descriptionLines(description, variable) : [];
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
      {!error && !description && <div role="status" aria-label="Describing" className="h-64 rounded bg-rule/50" />}
      {description && (
        <>
          <Sparkline bins={description.bins} width={230} height={64} />
          <table className="mt-3 w-full">
            <tbody>
              {lines.map(([name, value]) => (
                <tr key={name} className="border-b border-rule/60">
                  <th scope="row" className="py-[3px] text-left font-normal text-muted">
                    {name}
                  </th>
                  <td className="py-[3px] text-right">{value}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <CopyButton className="mt-2 text-[13px]" label="Copy as a table" text={lines.map((line) => line.join('\t')).join('\n')} />
        </>
      )}
    </aside>
  );
}

/** Names and figures, as they are shown and copied. */
export function descriptionLines(d: VariableDescription, { decimals }: Pick<Variable, 'decimals'>): [string, string][] {
  const measured = (value: number | null) => formatMeasured(value, d.sd, decimals);
  const plain = (value: number | null) => (value === null ? '–' : formatFixed(value, 2));
  const withSe = (value: number | null, se: number | null) => (value === null ? '–' : `${plain(value)} (SE ${plain(se)})`);
  return [
    ['n', d.n.toLocaleString('en-GB')],
    ['missing', d.missing.toLocaleString('en-GB')],
    ['mean', measured(d.mean)],
    ['SD', measured(d.sd)],
    ['SE of the mean', measured(d.se)],
    ['variance', formatMeasured(d.variance, d.variance, decimals)],
    ['median', measured(d.median)],
    ['lower quartile', measured(d.q1)],
    ['upper quartile', measured(d.q3)],
    ['smallest', measured(d.min)],
    ['largest', measured(d.max)],
    ['range', measured(d.range)],
    ['skewness', withSe(d.skewness, d.skewnessSe)],
    ['excess kurtosis', withSe(d.excessKurtosis, d.excessKurtosisSe)],
  ];
}
