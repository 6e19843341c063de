import type { PairResult, PairTest, Study, Variable } from '@ivlen/contract';
import { COEFFICIENTS, METHOD_NAMES, type Method, type MethodAdvice } from '@ivlen/core';
import { percent } from '../coefficients/cell-data';
import { sidedness } from '../coefficients/sentence-parts';
import { coefficientText, pText } from '../numbers/number-text';
import { useShapeMarks } from '../settings/use-shape-marks';
import { useReadOnly } from '../study/read-only';
import { useStudyChanges } from '../study/use-study-changes';
import { displayName } from '../study/variable-name';
import type { ValueTable } from '../tables/columns';
import { intervalColumns } from '../tables/interval-columns';
import { ValueTableView } from '../tables/value-table-view';
import type { PairContext } from './pair-request';
import { usePairAdvice } from './use-pair-advice';

interface MethodChoiceProps {
  readonly context: PairContext;
  readonly result: PairResult;
}

/** The pair by all three methods, and which of them suits it and why: a recommendation, followed only by a decision. */
export function MethodChoice({ context, result }: MethodChoiceProps) {
  const { study, pair, method, settings } = context;
  const { x, y } = pair;
  const { levels, level } = settings;
  const { marked, known } = useShapeMarks(study, [x, y]);
  const advice = usePairAdvice(context, result.n, marked);
  const own = [x, y].filter(({ id }) => study.state.pairMethods[id] !== undefined);
  const follows = advice.method === method || own.length > 0;
  const causes = follows ? [] : [x, y].filter(({ id, kind }) => marked.has(id) || kind === 'ordinal');
  // Where both or none of the two is the reason, the decision can be taken for either.
  const decidable = follows || causes.length > 0 ? causes : [x, y];
  const table: ValueTable<Method> = {
    caption: `${displayName(x)} × ${displayName(y)} by each coefficient`,
    columns: [
      { name: 'Method', shown: (item) => COEFFICIENTS[item].name },
      {
        name: 'Coefficient',
        shown: (item) => coefficientText(result.tests[item].coefficient ?? Number.NaN),
        exact: (item) => result.tests[item].coefficient,
      },
      ...intervalColumns<Method>(`${percent(level)} interval${sidedness(settings)}`, (item) => result.tests[item].interval),
      {
        name: 'p',
        shown: (item) => pInWords(result.tests[item], levels),
        exact: (item) => result.tests[item].pValue,
        onScreen: (item) => (
          <>
            {pInWords(result.tests[item], levels)}
            {result.tests[item].pMethod === 'exact' && <span className="block text-[12px] font-normal text-muted">exact</span>}
          </>
        ),
      },
    ],
    rows: [method, ...METHOD_NAMES.filter((item) => item !== method)],
    isStrong: (item) => item === method,
  };
  return (
    <section aria-label="Methods" className="mt-4">
      <ValueTableView table={table} />
      <p className="mt-2" data-testid="method-advice" hidden={own.length === 0 && !known}>
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
            {advice.also && ` Or ${COEFFICIENTS[advice.also.method].name}: ${advice.also.because}.`}
          </>
        )}
      </p>
      <Decisions study={study} own={own} causes={decidable} advice={advice} />
    </section>
  );
}

function pInWords({ pValue }: PairTest, levels: readonly number[]): string {
  return pValue === null ? '–' : pText(pValue, levels);
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
    change.mutate({
      change: { type: 'set-pair-method', variable: variable.id, method },
      ...(method ? { reason: reasonFor(method, advice) } : {}),
    });
  return (
    <p className="mt-1 flex flex-wrap gap-x-4 gap-y-2">
      {causes.flatMap((variable) =>
        [advice.method, ...(advice.also ? [advice.also.method] : [])].map((method) => (
          <button
            key={`${variable.id} ${method}`}
            type="button"
            className="button-quiet"
            disabled={change.isPending}
            onClick={() => set(variable, method)}
          >
            Use {COEFFICIENTS[method].symbol} for the pairs of {displayName(variable)}
          </button>
        )),
      )}
      {own.map((variable) => (
        <button key={variable.id} type="button" className="button-quiet" disabled={change.isPending} onClick={() => set(variable, null)}>
          Treat {displayName(variable)} as all others again
        </button>
      ))}
    </p>
  );
}

/** Why a method was decided on, for the trail. */
function reasonFor(method: Method, { because, also }: MethodAdvice): string {
  return also?.method === method ? `${because} ${COEFFICIENTS[method].name}: ${also.because}.` : because;
}
