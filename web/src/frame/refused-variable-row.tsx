import type { Study, Variable, VariableSummary } from '@ivlen/contract';
import { memo } from 'react';
import { Hint } from '../controls/tooltip';
import { displayName } from '../study/variable-name';
import { VariableMenu } from './variable-menu';

/** A variable that has no correlation coefficient, with the reason and what can be done. */
export const RefusedVariableRow = memo(function RefusedVariableRow({
  study,
  variable,
  summary,
}: {
  study: Study;
  variable: Variable;
  summary: VariableSummary | undefined;
}) {
  return (
    <li className="group relative flex h-7 items-center gap-2 pl-0.5 text-muted">
      <Hint text={reason(variable)}>
        <button type="button" className="min-w-0 truncate text-left" aria-label={`${displayName(variable)}: ${reason(variable)}`}>
          {displayName(variable)}
        </button>
      </Hint>
      <span className="ml-auto shrink-0 text-[12px]">{shortKind(variable, summary)}</span>
      <VariableMenu study={study} variable={variable} />
    </li>
  );
});

function shortKind({ kind }: Variable, summary: VariableSummary | undefined): string {
  if (kind !== 'nominal' || !summary) return kind;
  return `${summary.distinct} ${summary.distinct === 1 ? 'category' : 'categories'}`;
}

function reason({ kind, storage }: Variable): string {
  const change = storage === 'number' ? ' If its numbers are amounts, change its kind in the menu beside it.' : '';
  switch (kind) {
    case 'identifier':
      return `An identifier only names the rows: its size means nothing, so that it has no correlation.${change}`;
    case 'nominal':
      return `Categories have no order, so that they have no correlation; they can tell groups apart.${change}`;
    case 'date':
      return 'Dates are not correlated.';
    default:
      return 'It holds text, which has no correlation. Bring the file in again to have it read as numbers.';
  }
}
