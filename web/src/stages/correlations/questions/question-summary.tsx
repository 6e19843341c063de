import type { CorrelationSettings, Question, Study } from '@ivlen/contract';
import { joined } from '../../../coefficients/coefficient-names';
import { levelInWords } from '../../../coefficients/levels';
import { CopyButton } from '../../../controls/copy-button';
import { expectationInWords } from './expectation-words';
import type { Decision } from './use-decisions';

interface QuestionSummaryProps {
  readonly study: Study;
  readonly question: Question;
  readonly decisions: readonly (Decision | undefined)[];
  readonly settings: CorrelationSettings;
}

/** What the hypotheses of a question say together. */
export function QuestionSummary({ study, question, decisions, settings }: QuestionSummaryProps) {
  const sentence = summaryOf(study, question, decisions, settings);
  if (sentence === null) return null;
  return (
    <div className="mt-3 border-t border-rule pt-3" data-testid="question-summary">
      <p className="font-serif text-[16px] leading-normal">{sentence}</p>
      <CopyButton className="mt-1 text-[13px]" label="Copy" text={sentence} />
    </div>
  );
}

/** null while a result is missing or hidden. */
export function summaryOf(
  study: Study,
  { hypotheses }: Question,
  decisions: readonly (Decision | undefined)[],
  { levels, adjust }: Pick<CorrelationSettings, 'levels' | 'adjust'>,
): string | null {
  if (hypotheses.length === 0 || hypotheses.some(({ shown }, i) => !shown || !decisions[i])) return null;
  const variable = (id: string) => study.state.variables.find((item) => item.id === id);
  const supported = hypotheses.filter((_, i) => decisions[i]?.rejected === true);
  const alpha = levelInWords(levels[0] ?? 0.05);
  const adjusted = adjust === 'none' ? '' : ', adjusted within the question';
  const words = supported.flatMap((hypothesis) => {
    const [x, y] = [variable(hypothesis.x), variable(hypothesis.y)];
    return x && y ? [expectationInWords(hypothesis.expectation, x, y)] : [];
  });
  const total = hypotheses.length;
  const late = hypotheses.filter(({ revised }) => revised).length;
  const remark = late === 0 ? '' : ` ${late === 1 ? 'One hypothesis was' : `${late} hypotheses were`} changed after the result was shown.`;
  if (supported.length === 0) {
    return `${total === 1 ? 'The hypothesis is' : total === 2 ? 'Neither of the 2 hypotheses is' : `None of the ${total} hypotheses is`} ${total === 1 ? 'not supported' : 'supported'} at ${alpha}${adjusted}; that is no proof that there is no association.${remark}`;
  }
  const count =
    supported.length === total
      ? total === 1
        ? 'The hypothesis is'
        : `${total === 2 ? 'Both' : `All ${total}`} hypotheses are`
      : `${supported.length} of ${total} hypotheses ${supported.length === 1 ? 'is' : 'are'}`;
  return `${count} supported at ${alpha}${adjusted}: ${joined(words)}.${remark}`;
}
