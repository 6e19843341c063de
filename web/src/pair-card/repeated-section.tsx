import type { RequestOf } from '@ivlen/contract';
import { useLongAnalysis } from '../api/use-long-analysis';
import { usePairCautions } from '../coefficients/use-pair-cautions';
import { FailureNotice } from '../controls/failure-notice';
import { ProgressLine } from '../controls/progress-line';
import { StoppedNotice } from '../controls/stopped-notice';
import { PinButton } from '../pins/pin-button';
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
  return <Repeated context={context} request={request} identifier={displayName(by)} />;
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
