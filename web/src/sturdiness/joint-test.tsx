import type { RequestOf } from '@ivlen/contract';
import { useState } from 'react';
import { useLongAnalysis } from '../api/use-long-analysis';
import { type CautionedPair, usePairCautions } from '../coefficients/use-pair-cautions';
import { FailureNotice } from '../controls/failure-notice';
import { ProgressLine } from '../controls/progress-line';
import { StoppedNotice } from '../controls/stopped-notice';
import { displayName } from '../study/variable-name';
import { heldInWays, jointInWords } from './joint-words';
import type { WaysState } from './use-ways';

/** With more combinations each shuffle takes longer than most wait: then there are fewer of them. */
const [USUAL, FEW, MANY_COMBINATIONS] = [499, 199, 200];

/** All ways tested together, on request: it computes every way hundreds of times. */
export function JointTest({ asked, state }: { readonly asked: CautionedPair; readonly state: WaysState }) {
  const [wanted, setWanted] = useState<string | null>(null);
  const { found } = usePairCautions(asked);
  const repeats = found?.pairs[0]?.cautions.some(({ code }) => code === 'rows-not-independent') ?? false;
  const combinations = state.result?.looked ?? 0;
  if (!state.result || state.result.summary.computed < 2) return null;
  const request: RequestOf<'ways-test'> = {
    ...state.request,
    kind: 'ways-test',
    permutations: combinations > MANY_COMBINATIONS ? FEW : USUAL,
    casesBy: repeats ? (found?.identifier ?? null) : null,
  };
  const key = JSON.stringify(request);
  const names = { x: displayName(asked.x), y: displayName(asked.y) };
  return (
    <section aria-label="All ways together" className="mt-4">
      {wanted === key ? (
        <Tested asked={asked} state={state} request={request} />
      ) : (
        <p className="text-[13px]">
          <button type="button" className="button-quiet" onClick={() => setWanted(key)}>
            Test all ways together
          </button>{' '}
          <span className="text-muted">
            {names.x} is shuffled against all else {request.permutations} times, and every way computed again.
          </span>
        </p>
      )}
    </section>
  );
}

interface TestedProps {
  readonly asked: CautionedPair;
  readonly state: WaysState;
  readonly request: RequestOf<'ways-test'>;
}

function Tested({ asked, state, request }: TestedProps) {
  const { study, x, y } = asked;
  const { data, error, progress, stopped, stop, resume } = useLongAnalysis(study, request);
  if (error) return <FailureNotice error={error} />;
  if (stopped) return <StoppedNotice words="The shuffling was stopped." again="Shuffle" onResume={resume} />;
  if (!data) return <ProgressLine label="Shuffling" progress={progress} onStop={stop} />;
  const cases = study.state.variables.find(({ id }) => id === request.casesBy);
  const words = jointInWords(data, {
    x: displayName(x),
    y: displayName(y),
    held: heldInWays(state.choices),
    cases: cases ? displayName(cases) : null,
    alpha: request.alpha,
  });
  return (
    <p data-testid="joint-in-words" className="max-w-3xl">
      {words.join(' ')}
    </p>
  );
}
