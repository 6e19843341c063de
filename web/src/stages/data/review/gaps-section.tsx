import { isQuantity, MOST_WITH_GAPS, type Study } from '@ivlen/contract';
import { useLongAnalysis } from '../../../api/use-long-analysis';
import { FailureNotice } from '../../../controls/failure-notice';
import { ProgressLine } from '../../../controls/progress-line';
import { Skeleton } from '../../../controls/skeleton';
import { StoppedNotice } from '../../../controls/stopped-notice';
import { useWorkingSet } from '../../../settings/use-working-set';
import { ValueTableView } from '../../../tables/value-table-view';
import { littleInWords, momentsTable, threeWays, worthInWords } from './gaps-words';

const ALPHA = 0.05;

/** What the gaps of the ticked quantities may do to means, SDs and coefficients. */
export function GapsSection({ study, nameOf }: { study: Study; nameOf: (id: string) => string }) {
  const workingSet = useWorkingSet(study);
  const variables = (workingSet?.variables ?? []).filter(isQuantity).map(({ id }) => id);
  if (!workingSet) return <Skeleton label="Looking at the gaps" className="mt-8 h-40" />;
  return (
    <section aria-label="What the gaps may do" className="mt-10 max-w-4xl">
      <h2 className="mb-2 text-[15px]">What the gaps may do</h2>
      {variables.length < 2 || variables.length > MOST_WITH_GAPS ? (
        <p className="text-muted">
          {variables.length < 2
            ? 'Tick two or more quantities on the left, and what their gaps may do is estimated here.'
            : `${variables.length} quantities are ticked; up to ${MOST_WITH_GAPS} can be estimated together. Untick some on the left.`}
        </p>
      ) : (
        <Gaps study={study} variables={variables} nameOf={nameOf} />
      )}
    </section>
  );
}

function Gaps({ study, variables, nameOf }: { study: Study; variables: string[]; nameOf: (id: string) => string }) {
  const { data, error, progress, stopped, stop, resume } = useLongAnalysis(study, { kind: 'gaps' as const, variables });
  if (error) return <FailureNotice error={error} />;
  if (stopped) return <StoppedNotice words="The estimating was stopped." again="Estimate" onResume={resume} />;
  if (!data) {
    return progress ? (
      <ProgressLine label="Estimating" progress={progress} onStop={stop} />
    ) : (
      <Skeleton label="Estimating" className="h-40" />
    );
  }
  const words = <p data-testid="little-in-words">{littleInWords(data, ALPHA)}</p>;
  if (!data.converged || data.little.statistic === null) return words;
  const { table, worth } = threeWays(data, nameOf);
  return (
    <>
      {words}
      <p className="mt-2 mb-4 text-[13px] text-muted">
        Of the ticked quantities. Maximum likelihood supposes joint normality, and that whether a value is missing depends on what is there
        of its row; complete pairs and complete rows suppose that it depends on nothing.
      </p>
      <ValueTableView table={table} captionShown className="w-full text-[13px]" />
      <p className="mt-1 mb-6 text-[13px] text-muted">{worthInWords(worth, table.rows.length)}</p>
      <ValueTableView table={momentsTable(data, nameOf)} captionShown className="w-full text-[13px]" />
    </>
  );
}
