import { type FormEvent, useId, useState } from 'react';
import type { ArrangementProps } from '../../../pair-card/arrangement';
import { useReadOnly } from '../../../study/read-only';
import { useStudyChanges } from '../../../study/use-study-changes';
import { QuestionCard } from './question-card';

const WHY_ASK =
  'Write down what you want to know before you look: a question in words, then the pairs that answer it, with what you expect of each. What is changed after a result was shown is marked in the trail.';

/** Research questions in words, each with its hypotheses, decisions and a summary. */
export function QuestionsView(props: ArrangementProps) {
  const { study } = props;
  const readOnly = useReadOnly();
  const { questions } = study.state;
  return (
    <div className="max-w-4xl pb-8">
      {questions.length === 0 && (
        <p className="mb-4 max-w-2xl font-serif text-[17px]">{readOnly ? 'No question had been asked at that time.' : WHY_ASK}</p>
      )}
      {questions.map((question, i) => (
        <QuestionCard key={question.id} {...props} question={question} number={i + 1} />
      ))}
      {!readOnly && <AskQuestion {...props} />}
    </div>
  );
}

function AskQuestion({ study }: Pick<ArrangementProps, 'study'>) {
  const [text, setText] = useState('');
  const { change } = useStudyChanges(study);
  const field = useId();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (text.trim() !== '') change.mutate({ change: { type: 'ask-question', text: text.trim() } }, { onSuccess: () => setText('') });
  };
  return (
    <form onSubmit={submit} className="mt-4">
      <label htmlFor={field} className="mb-1 block text-[13px] text-muted">
        {study.state.questions.length === 0 ? 'Your question' : 'Another question'}
      </label>
      <div className="flex gap-2">
        <input
          id={field}
          className="field flex-1"
          maxLength={1000}
          value={text}
          placeholder="What do you want to know? In your own words"
          onChange={(event) => setText(event.target.value)}
        />
        <button type="submit" className="button" disabled={change.isPending || text.trim() === ''}>
          Ask
        </button>
      </div>
    </form>
  );
}
