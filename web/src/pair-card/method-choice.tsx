import type { CorrelationSettings, PairResult, Study, Variable } from '@ivlen/contract';
import {
  adviseMethod,
  COEFFICIENTS,
  formatCoefficient,
  formatInterval,
  formatP,
  METHOD_NAMES,
  type Method,
  type MethodAdvice,
} from '@ivlen/core';
import { percent } from '../coefficients/cell-data';
import { useShapeMarks } from '../settings/use-shape-marks';
import { useReadOnly } from '../study/read-only';
import { useStudyChanges } from '../study/use-study-changes';
import { displayName } from '../study/variable-name';
import type { Pair } from './use-pair-selection';

interface MethodChoiceProps {
  readonly study: Study;
  readonly pair: Pair;
  readonly result: PairResult;
  /** The one that the pair is reported by. */
  readonly method: Method;
  readonly settings: CorrelationSettings;
}

/** The pair by all three methods, and which of them suits it and why: a recommendation, followed only by a decision. */
export function MethodChoice({ study, pair: { x, y }, result, method, settings }: MethodChoiceProps) {
  const { levels, level } = settings;
  const { marked } = useShapeMarks(study, [x, y]);
  const advised = (variable: Variable) => ({
    name: displayName(variable),
    shape: marked.get(variable.id) ?? null,
    ordinal: variable.kind === 'ordinal',
  });
  const advice = adviseMethod(advised(x), advised(y));
  const own = [x, y].filter(({ id }) => study.state.pairMethods[id] !== undefined);
  const follows = advice.method === method || own.length > 0;
  const causes = follows ? [] : [x, y].filter(({ id, kind }) => marked.has(id) || kind === 'ordinal');
  return (
    <section aria-label="Methods" className="mt-4">
      <table className="w-full">
        <thead>
          <tr className="border-b border-rule text-[13px] text-muted">
            <th scope="col" className="py-1 text-left font-normal">
              Method
            </th>
            <th scope="col" className="text-right font-normal">
              Coefficient
            </th>
            <th scope="col" className="text-right font-normal">
              {percent(level)} interval
            </th>
            <th scope="col" className="text-right font-normal">
              p
            </th>
          </tr>
        </thead>
        <tbody className="figures">
          {[method, ...METHOD_NAMES.filter((item) => item !== method)].map((item) => {
            const { coefficient, interval, pValue, pMethod } = result.tests[item];
            return (
              <tr key={item} className={`border-b border-rule ${item === method ? 'font-semibold' : ''}`}>
                <th scope="row" className={`py-1 text-left ${item === method ? 'font-semibold' : 'font-normal'}`}>
                  {COEFFICIENTS[item].name}
                </th>
                <td className="text-right">{formatCoefficient(coefficient ?? Number.NaN)}</td>
                <td className="text-right whitespace-nowrap">{interval ? formatInterval(interval.low, interval.high) : '–'}</td>
                <td className="pl-2 text-right whitespace-nowrap">
                  {pValue === null ? '–' : formatP(pValue, levels)}
                  {pMethod === 'exact' && <span className="block text-[12px] font-normal text-muted">exact</span>}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="mt-2" data-testid="method-advice">
        {own.length > 0 ? (
          <>
            <strong>{COEFFICIENTS[method].name}</strong>, as decided for {own.map(displayName).join(' and ')}; the trail says why.
          </>
        ) : (
          <>
            <strong>
              {advice.method === method ? `${COEFFICIENTS[method].name} suits.` : `Recommended: ${COEFFICIENTS[advice.method].name}.`}
            </strong>{' '}
            {advice.because}
          </>
        )}
      </p>
      <Decisions study={study} own={own} causes={causes} advice={advice} />
    </section>
  );
}

interface DecisionsProps {
  readonly study: Study;
  /** Those of the pair that have a method of their own. */
  readonly own: readonly Variable[];
  /** Those that the advice is about. */
  readonly causes: readonly Variable[];
  readonly advice: MethodAdvice;
}

/** Following the advice for all pairs of a variable, or going back. */
function Decisions({ study, own, causes, advice }: DecisionsProps) {
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  if (readOnly || own.length + causes.length === 0) return null;
  const set = (variable: Variable, method: Method | null) =>
    change.mutate({ change: { type: 'set-pair-method', variable: variable.id, method }, ...(method ? { reason: advice.because } : {}) });
  return (
    <p className="mt-1 flex flex-wrap gap-x-4 gap-y-1">
      {causes.map((variable) => (
        <button
          key={variable.id}
          type="button"
          className="button-quiet"
          disabled={change.isPending}
          onClick={() => set(variable, advice.method)}
        >
          Use {COEFFICIENTS[advice.method].symbol} for the pairs of {displayName(variable)}
        </button>
      ))}
      {own.map((variable) => (
        <button key={variable.id} type="button" className="button-quiet" disabled={change.isPending} onClick={() => set(variable, null)}>
          Treat {displayName(variable)} as all others again
        </button>
      ))}
    </p>
  );
}
