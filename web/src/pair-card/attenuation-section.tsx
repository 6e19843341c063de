import { useLongAnalysis } from '../api/use-long-analysis';
import { FailureNotice } from '../controls/failure-notice';
import { ProgressLine } from '../controls/progress-line';
import { StoppedNotice } from '../controls/stopped-notice';
import { displayName } from '../study/variable-name';
import { attenuationInWords } from './attenuation-words';
import { type PairContext, pairOf } from './pair-request';

const SAMPLES = { replicates: 2000, seed: 1 } as const;

/** r without the errors of measurement, beside the observed one, where the codebook gives a reliability. */
export function AttenuationSection({ context }: { readonly context: PairContext }) {
  const { x, y } = context.pair;
  if (x.reliability === null && y.reliability === null) {
    return (
      <p>
        No reliability is known of {displayName(x)} or {displayName(y)}. The codebook takes one: known, or from repeated columns.
      </p>
    );
  }
  return <Corrected context={context} />;
}

function Corrected({ context }: { readonly context: PairContext }) {
  const { study, pair, settings } = context;
  const request = { kind: 'attenuation' as const, ...pairOf(context), level: settings.level, ...SAMPLES };
  const { data, error, progress, stopped, stop, resume } = useLongAnalysis(study, request);
  if (error) return <FailureNotice error={error} />;
  if (stopped) return <StoppedNotice words="The drawing was stopped." again="Draw" onResume={resume} />;
  if (!data) return <ProgressLine label="Drawing samples" progress={progress} onStop={stop} />;
  const named = [pair.x, pair.y].map((variable) => ({ name: displayName(variable), reliability: variable.reliability }));
  const [x, y] = named;
  return x && y ? <p data-testid="attenuation">{attenuationInWords(data, [x, y]).join(' ')}</p> : null;
}
