import type { RequestOf, Study, TakenRemedy } from '@ivlen/contract';
import { useLongAnalysis } from '../api/use-long-analysis';
import { usePairCautions } from '../coefficients/use-pair-cautions';
import { FailureNotice } from '../controls/failure-notice';
import { ProgressLine } from '../controls/progress-line';
import { StoppedNotice } from '../controls/stopped-notice';
import { PinButton } from '../pins/pin-button';
import { remedyPhrase } from '../remedies/remedy-words';
import { useReadOnly } from '../study/read-only';
import { useStudyChanges } from '../study/use-study-changes';
import { displayName } from '../study/variable-name';
import { ValueTableView } from '../tables/value-table-view';
import { cautionedPair, type PairContext, pairOf, pairWords, pinnedSection } from './pair-request';
import { repeatedInWords, repeatedTable } from './repeated-words';

const [REPLICATES, SEED] = [2000, 1];

/** The pair within, between and over the cases whose rows repeat. */
export function RepeatedSection({ context }: { context: PairContext }) {
  const { study, settings } = context;
  const { found: cautions } = usePairCautions(cautionedPair(context));
  const identifiers = study.state.variables.filter(({ kind }) => kind === 'identifier');
  const by = identifiers.find(({ id }) => id === cautions?.identifier) ?? identifiers[0];
  if (!by) return <p>No variable is an identifier, so that it is not known which rows belong together. Say so in the codebook.</p>;
  const { alternative, level } = settings;
  const request = { kind: 'repeated-rows' as const, ...pairOf(context), by: by.id, alternative, level, replicates: REPLICATES, seed: SEED };
  return (
    <>
      <Repeated context={context} request={request} identifier={displayName(by)} />
      <ForAllPairs study={study} by={by.id} />
    </>
  );
}

const OF_CASES = ['within', 'between', 'cases-drawn'] as const;

/** Taking one of them for the whole matrix, or none again: a decision. */
function ForAllPairs({ study, by }: { readonly study: Study; readonly by: string }) {
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const { every } = study.state.remedies;
  if (readOnly) return null;
  const decide = (remedy: TakenRemedy | null) => change.mutate({ change: { type: 'take-remedy', remedy, pairs: 'every' } });
  return (
    <p className="mt-2 flex flex-wrap items-baseline gap-x-3 gap-y-1 text-[13px]">
      <span className="text-muted">{every ? `All pairs are taken ${remedyPhrase(every, study)}.` : 'Take all pairs'}</span>
      {every ? (
        <button type="button" className="button-quiet" disabled={change.isPending} onClick={() => decide(null)}>
          Each row for itself again
        </button>
      ) : (
        OF_CASES.map((kind) => (
          <button key={kind} type="button" className="button-quiet" disabled={change.isPending} onClick={() => decide({ kind, by })}>
            {remedyPhrase({ kind, by }, study)}
          </button>
        ))
      )}
    </p>
  );
}

interface RepeatedProps {
  readonly context: PairContext;
  readonly request: RequestOf<'repeated-rows'>;
  readonly identifier: string;
}

function Repeated({ context, request, identifier }: RepeatedProps) {
  const { study, settings } = context;
  const { data, error, progress, stopped, stop, resume } = useLongAnalysis(study, request);
  if (error) return <FailureNotice error={error} />;
  if (stopped) return <StoppedNotice words="The drawing was stopped." again="Draw" onResume={resume} />;
  if (!data) return <ProgressLine label={`Drawing each ${identifier} whole`} progress={progress} onStop={stop} />;
  return (
    <div data-testid="repeated-rows">
      <p className="mb-2">{repeatedInWords(data, identifier, settings).join(' ')}</p>
      {data.repeating > 0 && (
        <>
          <ValueTableView table={repeatedTable(data, identifier, settings.levels)} className="w-full text-[13px]" />
          <p className="mt-1 text-right text-[12px]">
            <PinButton
              study={study}
              pinned={pinnedSection(context, 'repeated', `Rows of the same ${identifier}: ${pairWords(context)}`, request, { identifier })}
            />
          </p>
        </>
      )}
    </div>
  );
}
