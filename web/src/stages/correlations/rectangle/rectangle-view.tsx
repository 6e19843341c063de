import type { Variable } from '@ivlen/contract';
import { COEFFICIENTS, countMarks } from '@ivlen/core';
import { useMemo } from 'react';
import { cellLines, decisiveP, percent } from '../../../coefficients/cell-data';
import { levelInWords } from '../../../coefficients/levels';
import type { Matrix } from '../../../coefficients/matrix';
import { rectangleFamily } from '../../../coefficients/rectangle-family';
import { adjustmentInWords } from '../../../coefficients/sentence-parts';
import { useCoefficientScale } from '../../../figures/use-coefficient-scale';
import { coefficientText, intervalText } from '../../../numbers/number-text';
import type { ArrangementProps } from '../../../pair-card/arrangement';
import { useReadOnly } from '../../../study/read-only';
import { useStudyChanges } from '../../../study/use-study-changes';
import { displayName } from '../../../study/variable-name';
import { TableTools } from '../../../tables/table-tools';
import { isUnderlined } from '../grid-cells';
import { rectangleTable } from './rectangle-table';

/** Only the pairs that hypotheses are about: outcomes across, predictors down. */
export function RectangleView(props: ArrangementProps) {
  const { variables, state } = props;
  const outcomes = variables.filter(({ role }) => role === 'outcome');
  const predictors = variables.filter(({ role }) => role === 'predictor');
  return (
    <>
      <Roles {...props} outcomes={outcomes} predictors={predictors} />
      {outcomes.length === 0 || predictors.length === 0 ? (
        <p className="mx-auto max-w-lg py-16 text-center font-serif text-lg text-muted">
          Say above which variables are outcomes and which are predictors: then only their pairs stand here, and they alone are the family
          that adjusted p-values are about.
        </p>
      ) : (
        state.matrix && <Rectangle {...props} matrix={state.matrix} outcomes={outcomes} predictors={predictors} />
      )}
    </>
  );
}

interface RoleProps extends ArrangementProps {
  readonly outcomes: readonly Variable[];
  readonly predictors: readonly Variable[];
}

/** "Outcomes: mayfly taxa; predictors: nitrate, phosphate", each to be taken out or added. */
function Roles({ study, variables, outcomes, predictors }: RoleProps) {
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const setRole = (variable: string, role: Variable['role']) =>
    change.mutate({ change: { type: 'edit-variable', variable, patch: { role } } });
  const free = variables.filter(({ role }) => role !== 'outcome' && role !== 'predictor');
  return (
    <div className="mb-3 space-y-1">
      {(
        [
          ['Outcomes', 'outcome', outcomes],
          ['Predictors', 'predictor', predictors],
        ] as const
      ).map(([title, role, members]) => (
        <p key={role} className="flex flex-wrap items-center gap-2">
          <span className="w-20 text-muted">{title}</span>
          {members.map((variable) => (
            <span key={variable.id} className="inline-flex items-center gap-1 rounded border border-rule bg-surface px-2 py-0.5">
              {displayName(variable)}
              {!readOnly && (
                <button
                  type="button"
                  className="text-muted hover:text-ink"
                  aria-label={`${displayName(variable)} is no ${role}`}
                  disabled={change.isPending}
                  onClick={() => setRole(variable.id, null)}
                >
                  ×
                </button>
              )}
            </span>
          ))}
          {!readOnly && free.length > 0 && (
            <select
              aria-label={`Add to the ${title.toLowerCase()}`}
              className="w-20 rounded border border-transparent bg-transparent py-0.5 text-accent hover:border-edge"
              value=""
              disabled={change.isPending}
              onChange={(event) => setRole(event.target.value, role)}
            >
              <option value="">add …</option>
              {free.map((variable) => (
                <option key={variable.id} value={variable.id} className="bg-surface text-ink">
                  {displayName(variable)}
                </option>
              ))}
            </select>
          )}
        </p>
      ))}
    </div>
  );
}

function Rectangle({ settings, state, matrix, selection, outcomes, predictors }: RoleProps & { readonly matrix: Matrix }) {
  const scale = useCoefficientScale();
  const family = useMemo(() => rectangleFamily(matrix, outcomes, predictors, settings), [matrix, outcomes, predictors, settings]);
  const { levels, level, adjust } = settings;
  const chosen = selection.pair;
  return (
    <>
      <table className="numerals border-separate border-spacing-0.5" aria-label="Outcomes by predictors">
        <thead>
          <tr>
            <td />
            {outcomes.map((outcome) => (
              <th key={outcome.id} scope="col" className="min-w-36 px-2 pb-1 text-center font-normal">
                {displayName(outcome)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {predictors.map((predictor) => (
            <tr key={predictor.id}>
              <th scope="row" className="pr-3 text-right font-normal">
                {displayName(predictor)}
              </th>
              {outcomes.map((outcome) => {
                const cells = matrix.methods.flatMap((method) => {
                  const cell = matrix.cellBy(method, predictor, outcome);
                  return cell ? [family(cell)] : [];
                });
                const [main] = cells;
                if (!main) return null;
                const { background, text } = scale(Number.isNaN(main.coefficient) ? 0 : main.coefficient);
                const isChosen = chosen !== null && [predictor.id, outcome.id].every((id) => id === chosen.x.id || id === chosen.y.id);
                const strong = settings.strength !== null && Math.abs(main.coefficient) >= settings.strength;
                return (
                  <td key={outcome.id} className="p-0">
                    <button
                      type="button"
                      aria-label={`${displayName(predictor)} and ${displayName(outcome)}: ${cellLines(main, settings).join('; ')}`}
                      className={`block w-full rounded px-2 py-1.5 text-center leading-tight ${isChosen ? 'ring-2 ring-accent' : ''} ${strong ? 'outline-2 -outline-offset-2 outline-ink' : ''}`}
                      style={{ background, color: text }}
                      onClick={() => selection.open(predictor, outcome)}
                    >
                      <span className="block">
                        {cells.map((cell, k) => (
                          <span key={cell.method} className={k > 0 ? 'ml-3' : ''}>
                            {cells.length > 1 || cell.ownMethod ? `${COEFFICIENTS[cell.method].symbol} ` : ''}
                            <span
                              className={
                                k === 0 && isUnderlined(cell, settings.cautions)
                                  ? 'underline decoration-wavy decoration-1 underline-offset-3'
                                  : ''
                              }
                            >
                              {coefficientText(cell.coefficient)}
                            </span>
                            <sup>{'*'.repeat(countMarks(decisiveP(cell), levels))}</sup>
                          </span>
                        ))}
                      </span>
                      <span className="mt-1.5 block text-[12px]">
                        {intervalText(main.low, main.high)} n {main.n}
                      </span>
                    </button>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="numerals mt-3 text-[13px] text-muted" data-testid="rectangle-legend">
        {levels.map((p, i) => `${'*'.repeat(i + 1)} p ≤ ${levelInWords(p)}`).join('   ')}; {adjustmentInWords(adjust)}
        {adjust !== 'none' && ` among these ${outcomes.length * predictors.length} pairs`}. Second line: {percent(level)} interval of the
        first coefficient, and n.
      </p>
      <div className="mt-2">
        <TableTools table={rectangleTable(matrix, outcomes, predictors, settings, family)} waiting={!matrix.complete || state.stale} />
      </div>
    </>
  );
}
