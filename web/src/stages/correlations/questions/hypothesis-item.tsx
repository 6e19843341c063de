import type { Question, StatedHypothesis, Variable } from '@ivlen/contract';
import { COEFFICIENTS, formatFixed } from '@ivlen/core';
import { percent } from '../../../coefficients/cell-data';
import { levelInWords } from '../../../coefficients/levels';
import { adjustmentInWords } from '../../../coefficients/sentence-parts';
import { Skeleton } from '../../../controls/skeleton';
import { coefficientText, intervalText, pRelationText } from '../../../numbers/number-text';
import type { ArrangementProps } from '../../../pair-card/arrangement';
import { PairSentence } from '../../../pair-card/pair-sentence';
import { PinButton } from '../../../pins/pin-button';
import { takenInWords } from '../../../remedies/remedy-words';
import { useReadOnly } from '../../../study/read-only';
import { useStudyChanges } from '../../../study/use-study-changes';
import { displayName } from '../../../study/variable-name';
import { equivalenceInWords } from './equivalence-words';
import { ALTERNATIVE, expectationInWords, hypothesesInWords } from './expectation-words';
import { pinnedQuestion } from './pinned-question';
import type { Decision } from './use-decisions';

type HypothesisItemProps = Pick<ArrangementProps, 'study' | 'settings' | 'selection' | 'variables'> & {
  readonly question: Question;
  readonly hypothesis: StatedHypothesis;
  readonly decision: Decision | undefined;
  readonly onEdit: () => void;
};

/** One hypothesis as it was stated, and what came of it. */
export function HypothesisItem({ study, settings, selection, variables, question, hypothesis, decision, onEdit }: HypothesisItemProps) {
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const [x, y] = [hypothesis.x, hypothesis.y].map((id) => study.state.variables.find((variable) => variable.id === id));
  if (!x || !y) return null;
  const [first, second] = [displayName(x), displayName(y)];
  const words = hypothesesInWords(hypothesis.expectation, first, second);
  return (
    <li className="border-t border-rule py-3">
      <p className="flex flex-wrap items-baseline gap-x-4">
        <button type="button" className="text-left font-semibold hover:underline" onClick={() => selection.open(x, y)}>
          {expectationInWords(hypothesis.expectation, x, y)}
        </button>
        {!readOnly && (
          <span className="ml-auto flex gap-3 text-[13px]">
            {hypothesis.shown && (
              <PinButton
                study={study}
                pinned={pinnedQuestion(expectationInWords(hypothesis.expectation, x, y), settings, variables, {
                  question: question.id,
                  hypothesis: hypothesis.id,
                })}
              />
            )}
            <button type="button" className="button-quiet" onClick={onEdit}>
              Change
            </button>
            <button
              type="button"
              className="button-quiet"
              disabled={change.isPending}
              onClick={() => change.mutate({ change: { type: 'drop-hypothesis', question: question.id, hypothesis: hypothesis.id } })}
            >
              Drop
            </button>
          </span>
        )}
      </p>
      <p className="text-[13px] text-muted">
        {words.nothing}. {words.something}. By {COEFFICIENTS[hypothesis.method].name}
        {hypothesis.because && `: ${hypothesis.because.replace(/\.$/, '')}`}.
      </p>
      {hypothesis.revised && <p className="text-[13px] text-caution">Changed after its result was shown; the trail says how.</p>}
      {hypothesis.shown &&
        (decision ? (
          <Outcome x={x} y={y} {...{ study, settings, hypothesis, decision }} />
        ) : (
          <Skeleton label="Computing the result" className="mt-2 h-12" />
        ))}
    </li>
  );
}

type OutcomeProps = Pick<HypothesisItemProps, 'study' | 'settings' | 'hypothesis'> & {
  readonly x: Variable;
  readonly y: Variable;
  readonly decision: Decision;
};

function Outcome({ x, y, study, settings, hypothesis: { method, expectation, bound }, decision }: OutcomeProps) {
  const { levels, level, adjust, control } = settings;
  const test = decision.result.tests[method];
  const alpha = levels[0] ?? 0.05;
  const { equivalence } = decision;
  return (
    <div data-testid="hypothesis-outcome">
      <p className="numerals mt-2">
        {decision.rejected === null ? (
          <strong>No decision: there is no p.</strong>
        ) : (
          <strong>{decision.rejected ? 'H₀ is rejected:' : 'H₀ is not rejected:'}</strong>
        )}{' '}
        {COEFFICIENTS[method].symbol} = {coefficientText(test.coefficient ?? Number.NaN)}
        {test.interval && `, ${percent(level)} interval ${intervalText(test.interval.low, test.interval.high)}`}
        {test.pMethod === 't' && test.statistic && `, t(${test.statistic.df}) = ${formatFixed(test.statistic.value, 3)}`}, n = {test.n},{' '}
        {pRelationText(decision.p, levels)}
        {decision.adjusted ? ` (${adjustmentInWords(adjust)} within the question)` : ''}, at {levelInWords(alpha)}.
      </p>
      {equivalence && bound !== null && <p className="numerals mt-1 text-[13px]">{equivalenceInWords(equivalence, bound, levels)}</p>}
      <PairSentence
        pair={{ x, y }}
        result={decision.result}
        method={method}
        alternative={ALTERNATIVE[expectation]}
        alpha={alpha}
        rowMeaning={study.state.rowMeaning}
        adjustedP={decision.adjusted && decision.rejected !== null ? decision.p : null}
        held={study.state.variables.filter(({ id }) => control.includes(id))}
        taken={takenInWords(study, { x, y, method }, decision.result)}
      />
    </div>
  );
}
