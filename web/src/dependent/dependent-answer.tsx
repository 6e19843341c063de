import type { Study } from '@ivlen/contract';
import type { ReactNode } from 'react';
import { useLongAnalysis } from '../api/use-long-analysis';
import { FailureNotice } from '../controls/failure-notice';
import { ProgressLine } from '../controls/progress-line';
import { Skeleton } from '../controls/skeleton';
import { StoppedNotice } from '../controls/stopped-notice';
import { dependentRequest } from './request';
import { acrossSentence, answerSentence, type DependentQuestion, isOpposite, numbersSentence, sharedComponentSentence } from './words';

interface DependentAnswerProps {
  readonly study: Study;
  readonly question: DependentQuestion;
  /** Compares strengths instead, by turning the sign of the second; offered where signs are opposite. */
  readonly onTurn: (turned: boolean) => void;
  /** What can be done with the answer, given in words. */
  readonly children?: (words: string) => ReactNode;
}

/** Whether two coefficients of the same rows differ, with the numbers behind the answer. */
export function DependentAnswer({ study, question, onTurn, children }: DependentAnswerProps) {
  const { data, error, progress, stopped, stop, resume } = useLongAnalysis(study, dependentRequest(question));
  if (error) return <FailureNotice error={error} />;
  if (stopped) {
    return <StoppedNotice className="mt-2" onResume={resume} />;
  }
  if (!data) {
    const isLong = progress !== null && progress.total > 0;
    if (!isLong) return <Skeleton label="Comparing" className="mt-2 h-16" />;
    return (
      <div className="mt-2">
        <ProgressLine label="Drawing samples" progress={progress} onStop={stop} />
      </div>
    );
  }
  const { variables } = study.state;
  const [answer, numbers] = [answerSentence(data, question), numbersSentence(data, question)];
  const component = sharedComponentSentence(data, variables);
  return (
    <div className="mt-2 text-[13px]" data-testid="dependent-answer">
      <p className="font-serif text-[16px] leading-snug">{answer}</p>
      {(isOpposite(data) || question.turned) && data.because === null && (
        <p className="mt-1">
          <button type="button" className="button" onClick={() => onTurn(!question.turned)}>
            {question.turned ? 'Compare with their signs' : 'Compare strengths: turn the sign of the second'}
          </button>
        </p>
      )}
      {numbers && <p className="numerals mt-2">{numbers}</p>}
      {data.first !== null && data.second !== null && <p className="numerals mt-1">{acrossSentence(data, variables)}</p>}
      {component && <p className="mt-2 border-l-2 border-caution bg-caution-soft px-2 py-1">{component}</p>}
      {children?.([answer, numbers].filter(Boolean).join(' '))}
    </div>
  );
}
