import type { RequestOf } from '@ivlen/contract';
import { type FormEvent, useState } from 'react';
import { useLongAnalysis } from '../api/use-long-analysis';
import { FailureNotice } from '../controls/failure-notice';
import { ProgressLine } from '../controls/progress-line';
import { useSamplesAndSeed } from '../controls/samples-and-seed';
import { PinButton } from '../pins/pin-button';
import { type PairContext, pairOf, pairWords, pinnedSection } from './pair-request';
import { resampledInWords } from './resampled-words';

type ResampleRequest = RequestOf<'resample'>;
const TIMES = { bootstrap: 2000, permutation: 9999 } as const;

/** A bootstrap interval and a permutation test of the pair, on request; the seed makes them repeatable. */
export function ResampleSection(context: PairContext) {
  const { method, settings } = context;
  const [request, setRequest] = useState<ResampleRequest | null>(null);
  const { fields, problem, read } = useSamplesAndSeed('samples', TIMES.bootstrap);
  const start = (what: ResampleRequest['what']) => {
    const drawn = read(TIMES[what]);
    if (!drawn) return;
    const { level, alternative } = settings;
    setRequest({ kind: 'resample', what, ...pairOf(context), method, ...drawn, level, alternative });
  };
  const onSubmit = (event: FormEvent) => {
    event.preventDefault();
    start('bootstrap');
  };
  return (
    <div data-testid="resampling">
      <form onSubmit={onSubmit} className="flex flex-wrap items-end gap-2 text-[13px]">
        {fields}
        <button type="submit" className="button">
          Bootstrap interval
        </button>
        <button type="button" className="button" onClick={() => start('permutation')}>
          Permutation test
        </button>
      </form>
      {problem}
      {request && <Resampled key={JSON.stringify(request)} context={context} request={request} onStop={() => setRequest(null)} />}
    </div>
  );
}

function Resampled({ context, request, onStop }: { context: PairContext; request: ResampleRequest; onStop: () => void }) {
  const { study } = context;
  const { data, error, progress, stop } = useLongAnalysis(study, request);
  if (error) return <FailureNotice error={error} />;
  if (!data) {
    return (
      <div className="mt-2">
        <ProgressLine
          label="Drawing samples"
          progress={progress}
          onStop={() => {
            stop();
            onStop();
          }}
        />
      </div>
    );
  }
  return (
    <div className="mt-2 text-[13px]">
      <p data-testid="resampled">{resampledInWords(data, request)}</p>
      <PinButton
        study={study}
        pinned={pinnedSection(
          context,
          'resampling',
          `${request.what === 'bootstrap' ? 'Bootstrap interval' : 'Permutation test'} of ${pairWords(context)}`,
          request,
        )}
      />
    </div>
  );
}
