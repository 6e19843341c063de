import type { RowRanges, Study, Variable } from '@ivlen/contract';
import { COEFFICIENTS, METHOD_NAMES } from '@ivlen/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { fineCoefficientText, pText } from '../../../numbers/number-text';
import { useReadOnly, useStudyPath } from '../../../study/read-only';
import { toRanges } from '../../../study/row-selection';
import { SetAsideMenu } from '../../../study/set-aside-menu';
import { useStudyChanges } from '../../../study/use-study-changes';
import { displayName } from '../../../study/variable-name';
import { KeepDialog } from './keep-dialog';
import type { WithAndWithout } from './use-brush-values';

interface LitBarProps {
  readonly study: Study;
  readonly count: number;
  /** Numbers of the lit rows, from 1; asked for when something is done with them. */
  readonly rowsLit: () => readonly number[];
  readonly pair: { readonly x: Variable; readonly y: Variable };
  /** The pair by every method over all rows and without the lit ones; null while it is computed. */
  readonly values: readonly WithAndWithout[] | null;
  readonly levels: readonly number[];
  readonly asideOpen: boolean;
  readonly onAsideOpen: (open: boolean) => void;
  readonly onClear: () => void;
}

/** A subset by row numbers has so many ranges at most; more become a variable. */
const MOST_RANGES = 30;

/** How many rows are lit, what the brushed pair is with and without them, and what can be done with them. */
export function LitBar({ study, count, rowsLit, pair, values, levels, asideOpen, onAsideOpen, onClear }: LitBarProps) {
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const path = useStudyPath();
  const navigate = useNavigate();
  const [keeping, setKeeping] = useState<{ readonly useOnly: boolean; readonly rows: RowRanges } | null>(null);
  const lit = () => toRanges(new Set(rowsLit()));
  const useOnly = () => {
    const ranges = lit();
    if (ranges.length > MOST_RANGES) return setKeeping({ useOnly: true, rows: ranges });
    const rules = ranges.map(([from, to]) => ({ type: 'rows' as const, from, to, not: false }));
    change.mutate({ change: { type: 'set-subset', subset: { join: 'any', rules } } }, { onSuccess: onClear });
  };
  const show = () => {
    const ranges = lit();
    void navigate(`${path}/data?row=${ranges[0]?.[0] ?? 1}`, { state: { selected: ranges } });
  };
  const none = count === 0;
  return (
    <section aria-label="Selected rows" className="flex flex-col gap-1">
      <div className="values flex items-baseline gap-x-4 overflow-x-auto text-[13px] whitespace-nowrap">
        <strong aria-live="polite" data-testid="lit-count" className="text-[14px]">
          {count.toLocaleString('en-GB')} {count === 1 ? 'row' : 'rows'} selected
        </strong>
        <span className="text-muted">
          {displayName(pair.y)} × {displayName(pair.x)} without {count === 1 ? 'it' : 'them'}:
        </span>
        <Values values={values} levels={levels} />
      </div>
      <div className="flex items-center gap-x-4 overflow-x-auto text-[13px] whitespace-nowrap">
        {!readOnly && (
          <>
            <SetAsideMenu
              label="Set aside …"
              disabled={none}
              open={asideOpen}
              onOpen={onAsideOpen}
              onChoose={(because, words) =>
                change.mutate(
                  { change: { type: 'set-aside', choice: { rows: lit() }, because }, ...(words ? { reason: words } : {}) },
                  { onSuccess: onClear },
                )
              }
            />
            <button type="button" className="button-quiet" disabled={none} onClick={useOnly}>
              Use only these
            </button>
            <button type="button" className="button-quiet" disabled={none} onClick={() => setKeeping({ useOnly: false, rows: lit() })}>
              Keep as a variable …
            </button>
          </>
        )}
        <button type="button" className="button-quiet" disabled={none} onClick={show}>
          Show among the rows
        </button>
        <button type="button" className="button-quiet" onClick={onClear}>
          Clear the selection
        </button>
      </div>
      {keeping && <KeepDialog study={study} {...keeping} count={count} onDone={onClear} onClose={() => setKeeping(null)} />}
    </section>
  );
}

/** n, and "r .153 → .137, p .017 → .033" for each coefficient. */
function Values({ values, levels }: Pick<LitBarProps, 'values' | 'levels'>) {
  const p = (value: number) => (Number.isNaN(value) ? '–' : pText(value, levels));
  return (
    <dl data-testid="lit-values" className="contents">
      {values?.[0] && (
        <div className="flex gap-1.5">
          <dt>n</dt>
          <dd>
            {values[0].all.n.toLocaleString('en-GB')} → {values[0].without.n.toLocaleString('en-GB')}
          </dd>
        </div>
      )}
      {METHOD_NAMES.map((method, k) => {
        const { all, without } = values?.[k] ?? {};
        return (
          <div key={method} className="flex gap-1.5">
            <dt>{COEFFICIENTS[method].symbol}</dt>
            <dd>
              {all && without ? (
                <>
                  {fineCoefficientText(all.coefficient)} → <strong>{fineCoefficientText(without.coefficient)}</strong>
                  <span className="text-muted">, p {changed(p(all.pValue), p(without.pValue))}</span>
                </>
              ) : (
                '…'
              )}
            </dd>
          </div>
        );
      })}
    </dl>
  );
}

/** Said once where it stays the same. */
function changed(before: string, after: string): string {
  return before === after ? before : `${before} → ${after}`;
}
