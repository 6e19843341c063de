import type { RowCost } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { analysisQuery } from '../../api/queries';
import { joined } from '../../coefficients/coefficient-names';
import { significant } from '../../figures/as-measured';
import { useReadOnly } from '../../study/read-only';
import { useStudyChanges } from '../../study/use-study-changes';
import { displayName } from '../../study/variable-name';
import { costsInWords, isCostly } from './row-costs';
import type { PartProps } from './stage-props';

interface NoticesProps extends PartProps {
  /** Whether it is said which variables cost a few rows. */
  readonly detailed: boolean;
}

/** What has to be known before the numbers are read: rows lost, what was refused or left out, what is not said yet. */
export function Notices(props: NoticesProps) {
  const { chosen, settings, patch, model } = props;
  const { outcome, refused, outcomeAmong } = chosen;
  const flat = model.terms.filter(({ varies }) => !varies);
  const two = outcome !== null && model.result.outcomeValues === 2;
  return (
    <div className="mb-2 flex flex-col gap-2 empty:hidden">
      <Rows {...props} />
      {chosen.predictors
        .filter(({ asked }) => asked)
        .map(({ of }) => (
          <Line key={of.id} tone="ask">
            {displayName(of)} is ordinal. It stands as a quantity, equal steps apart, until you say otherwise:
            <button
              type="button"
              className="button py-0.5"
              onClick={() => patch({ enter: { ...settings.enter, [of.id]: { as: 'quantity', reference: null } }, before: null })}
            >
              as a quantity
            </button>
            <button
              type="button"
              className="button py-0.5"
              onClick={() => patch({ enter: { ...settings.enter, [of.id]: { as: 'levels', reference: null } }, before: null })}
            >
              by its levels
            </button>
          </Line>
        ))}
      {outcomeAmong && outcome && (
        <Line>
          {displayName(outcome)} is the outcome and was taken out of the predictors: how an outcome goes with them is no collinearity.
        </Line>
      )}
      {(refused ?? (two ? outcome : null)) && (
        <Line>
          {displayName(refused ?? outcome ?? { name: '' })} is {refused?.kind === 'nominal' ? 'nominal' : 'two-valued'}: a linear regression
          needs a quantity as its outcome, so there is none here. Collinearity is shown all the same, since it needs no outcome.
        </Line>
      )}
      {flat.length > 0 && (
        <Line>
          {joined(flat.map(({ name }) => name))} {flat.length === 1 ? 'has' : 'have'} the same value
          {flat.length === 1 && flat[0] ? constantIn(flat[0].columns.map((column) => model.result.measured[column]?.mean ?? 0)) : ''} in all
          these rows: {flat.length === 1 ? 'it tells nothing and is' : 'they tell nothing and are'} left out of everything below.
        </Line>
      )}
      <LeftOut {...props} />
    </div>
  );
}

function constantIn(means: readonly number[]): string {
  return means.length === 1 ? `, ${significant(means[0] ?? 0)},` : '';
}

function Line({ children, tone = 'plain' }: { children: ReactNode; tone?: 'plain' | 'ask' | 'caution' }) {
  const look = tone === 'caution' ? 'border-caution bg-caution-soft' : tone === 'ask' ? 'border-accent' : 'border-rule';
  return <div className={`flex flex-wrap items-center gap-x-2 gap-y-1 border-l-2 py-0.5 pl-3 text-[13px] ${look}`}>{children}</div>;
}

/** How many rows are complete, what costs them, and which of them return without what is switched off. */
function Rows({ chosen, settings, patch, model, study, among, detailed }: NoticesProps) {
  const { n, rowsInUse, costs, columns } = model.result;
  const off = chosen.predictors.filter((predictor) => !chosen.kept.includes(predictor));
  const kept = [...chosen.kept.map(({ variable }) => variable), ...(chosen.outcome ? [chosen.outcome.id] : [])];
  const { data } = useQuery({
    ...analysisQuery(study.id, study.head, { kind: 'complete-rows', sets: [kept] }),
    enabled: off.length > 0 && !settings.released && n < rowsInUse,
  });
  const returning = (data?.counts[0] ?? n) - n;
  const nameOf = (id: string) => displayName(study.state.variables.find((variable) => variable.id === id) ?? { name: id });
  const few = n <= columns.length + 1;
  const best = costs.reduce<RowCost | null>((most, cost) => (cost.without > (most?.without ?? n) ? cost : most), null);
  const canLeave = best && among.length > 1 && among.some(({ variable }) => variable === best.variable);
  return (
    <>
      {n < rowsInUse && (detailed || few || isCostly(n, rowsInUse)) && (
        <Line tone={few || isCostly(n, rowsInUse) ? 'caution' : 'plain'}>
          <span data-testid="row-costs">
            {few &&
              `${n === 0 ? 'No row is' : n === 1 ? 'Only one row is' : `Only ${n.toLocaleString('en-GB')} rows are`} complete for all, too few for ${columns.length} columns of predictors. `}
            {costsInWords(n, rowsInUse, costs, nameOf)}
          </span>
          {canLeave && (few || isCostly(n, rowsInUse)) && (
            <button
              type="button"
              className="button py-0.5"
              onClick={() => patch({ off: [...settings.off, best.variable], before: null, released: true })}
            >
              Look without {nameOf(best.variable)}: {best.without.toLocaleString('en-GB')} rows
            </button>
          )}
        </Line>
      )}
      {n === rowsInUse && few && (
        <Line tone="caution">
          {n} rows are too few for {columns.length} columns of predictors.
        </Line>
      )}
      {returning > 0 && (
        <Line>
          <span data-testid="rows-return">
            Rows stay those complete for all that were chosen: {n.toLocaleString('en-GB')}. Without{' '}
            {joined(off.map(({ of }) => displayName(of)))} there would be {(n + returning).toLocaleString('en-GB')}.
          </span>
          <button type="button" className="button py-0.5" onClick={() => patch({ released: true, before: null })}>
            Use them
          </button>
        </Line>
      )}
      {settings.released && off.length > 0 && (
        <Line>
          These are the rows complete without {joined(off.map(({ of }) => displayName(of)))}, {n.toLocaleString('en-GB')} of them.
          <button type="button" className="button py-0.5" onClick={() => patch({ released: false, before: null })}>
            Only rows complete for all chosen
          </button>
        </Line>
      )}
    </>
  );
}

/** Predictors that were left out for good, each with the way back. */
function LeftOut({ study, chosen }: NoticesProps) {
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  if (chosen.leftOut.length === 0) return null;
  return (
    <Line>
      Left out for good, for the reasons in the trail:
      {chosen.leftOut.map((variable) => (
        <span key={variable.id} className="inline-flex items-baseline gap-1.5">
          {displayName(variable)}
          {!readOnly && (
            <button
              type="button"
              className="button-quiet"
              disabled={change.isPending}
              onClick={() => change.mutate({ change: { type: 'take-in-predictor', variable: variable.id } })}
            >
              take in again
            </button>
          )}
        </span>
      ))}
    </Line>
  );
}
