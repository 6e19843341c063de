import type { Study, Variable, VariableSummary } from '@ivlen/contract';
import { memo, useRef } from 'react';
import { Hint } from '../controls/tooltip';
import { Sparkline } from '../figures/sparkline';
import { displayName } from '../study/variable-name';
import { VariableMenu } from './variable-menu';

interface VariableRowProps {
  readonly study: Study;
  readonly variable: Variable;
  readonly summary: VariableSummary | undefined;
  /** undefined as long as it is not known. */
  readonly ticked: boolean | undefined;
  /** What marks its shape, in words; undefined if nothing does. */
  readonly marked: string | undefined;
  /** `range` is set while Shift is held. */
  readonly onTick: (variable: Variable, ticked: boolean, range: boolean) => void;
}

const ROLES = { outcome: ['O', 'Outcome'], predictor: ['P', 'Predictor'], grouping: ['G', 'Grouping variable'] } as const;

/** Drawn again only when it changes itself: ticking one variable leaves the others alone. */
export const VariableRow = memo(function VariableRow({ study, variable, summary, ticked, marked, onTick }: VariableRowProps) {
  const shift = useRef(false);
  const name = displayName(variable);
  const role = variable.role && ROLES[variable.role];
  return (
    <li className="group relative flex h-[30px] items-center gap-2 pr-2 pl-3.5 hover:bg-rule/40">
      <label className={`flex min-w-0 flex-1 items-center gap-2 ${ticked ? '' : 'text-muted'}`}>
        <input
          type="checkbox"
          className="size-4 shrink-0 accent-accent"
          checked={ticked ?? false}
          disabled={ticked === undefined}
          onClick={(event) => {
            shift.current = event.shiftKey;
          }}
          onChange={(event) => onTick(variable, event.target.checked, shift.current)}
        />
        <Sparkline bins={summary?.bins ?? []} faint={!ticked} />
        <Hint text={[describe(variable, summary), marked].filter(Boolean).join(' · ')}>
          <span className="flex min-w-0 items-baseline">
            <span className="truncate">{name}</span>
            {marked && (
              <span className="ml-1 shrink-0 text-[10px] text-caution">
                <span aria-hidden="true">▲</span>
                <span className="sr-only">, {marked}</span>
              </span>
            )}
          </span>
        </Hint>
      </label>
      {(variable.kind === 'ordinal' || variable.kind === 'two-valued') && <span className="text-[12px] text-muted">{variable.kind}</span>}
      <span className="shrink-0 text-[12px] text-muted">{variable.unit}</span>
      {role && (
        <Hint text={role[1]}>
          <span
            role="img"
            aria-label={role[1]}
            className="flex size-4 shrink-0 items-center justify-center rounded-full border border-edge text-[10px] text-muted"
          >
            {role[0]}
          </span>
        </Hint>
      )}
      <VariableMenu study={study} variable={variable} />
    </li>
  );
});

function describe({ label, kind }: Variable, summary: VariableSummary | undefined): string {
  const missing = summary && (summary.missing === 0 ? 'none missing' : `${summary.missing} missing`);
  return [label, kind, summary && `n ${summary.n}`, missing].filter(Boolean).join(' · ');
}
