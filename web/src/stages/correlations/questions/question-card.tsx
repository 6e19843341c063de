import type { Question, StatedHypothesis } from '@ivlen/contract';
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { Hint } from '../../../controls/tooltip';
import type { ArrangementProps } from '../../../pair-card/arrangement';
import { PinButton } from '../../../pins/pin-button';
import { useReadOnly } from '../../../study/read-only';
import { useStudyChanges } from '../../../study/use-study-changes';
import { HypothesisForm } from './hypothesis-form';
import { HypothesisItem } from './hypothesis-item';
import { MoreClosely } from './more-closely';
import { pinnedQuestion } from './pinned-question';
import { QuestionSummary } from './question-summary';
import { useDecisions } from './use-decisions';

type QuestionCardProps = ArrangementProps & { readonly question: Question; readonly number: number };

/** One question: its hypotheses as stated, their results once shown, and what they say together. */
export function QuestionCard(props: QuestionCardProps) {
  const { study, question, number, settings, variables } = props;
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const [editing, setEditing] = useState<string | 'new' | null>(null);
  const decisions = useDecisions(study, question, settings, variables);
  const hidden = question.hypotheses.filter(({ shown }) => !shown).length;
  const close = () => setEditing(null);
  return (
    <section aria-label={`Question ${number}: ${question.text}`} className="mb-6 rounded border border-rule bg-surface p-4">
      <header className="flex items-start gap-3">
        <h2 className="font-serif text-[19px] leading-snug font-medium">
          <span className="mr-1.5 text-muted">{number}.</span>
          {question.text}
        </h2>
        {!readOnly && (
          <Hint text="Drop the question with its hypotheses">
            <button
              type="button"
              className="icon-button ml-auto shrink-0"
              aria-label={`Drop question ${number}`}
              disabled={change.isPending}
              onClick={() => change.mutate({ change: { type: 'drop-question', question: question.id } })}
            >
              <X size={16} />
            </button>
          </Hint>
        )}
      </header>
      {question.hypotheses.length === 0 && editing === null && (
        <p className="mt-2 text-muted">No hypothesis yet. State the pairs that would answer this, and what you expect.</p>
      )}
      <ol className="mt-2">
        {question.hypotheses.map((hypothesis: StatedHypothesis, i) =>
          editing === hypothesis.id ? (
            <li key={hypothesis.id} className="border-t border-rule py-3">
              <HypothesisForm study={study} question={question} before={hypothesis} onDone={close} />
            </li>
          ) : (
            <HypothesisItem
              key={hypothesis.id}
              {...props}
              hypothesis={hypothesis}
              decision={decisions[i]}
              onEdit={() => setEditing(hypothesis.id)}
            />
          ),
        )}
      </ol>
      {editing === 'new' && <HypothesisForm study={study} question={question} before={null} onDone={close} />}
      {!readOnly && editing === null && (
        <p className="mt-3 flex flex-wrap gap-4">
          <button type="button" className="button" onClick={() => setEditing('new')}>
            <Plus size={14} aria-hidden="true" /> State a hypothesis
          </button>
          {hidden > 0 && (
            <button
              type="button"
              className="button"
              disabled={change.isPending}
              onClick={() => change.mutate({ change: { type: 'show-results', question: question.id } })}
            >
              Show {hidden === 1 ? 'the result' : `the ${hidden} results`}
            </button>
          )}
        </p>
      )}
      {question.hypotheses.some(({ shown }) => shown) && (
        <p className="mt-3 text-right text-[13px]">
          <PinButton study={study} pinned={pinnedQuestion(question.text, settings, variables, { question: question.id })} />
        </p>
      )}
      <QuestionSummary study={study} question={question} decisions={decisions} settings={settings} />
      <MoreClosely study={study} question={question} />
    </section>
  );
}
