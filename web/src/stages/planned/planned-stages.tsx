import type { Study } from '@ivlen/contract';
import { PinnedList } from '../../pins/pinned-list';
import { PlannedStage } from './planned-stage';

/** The stage that is not built yet. */
export function ReportPlanned({ study }: { study: Study }) {
  return (
    <PlannedStage
      name="Report"
      sentence="Here the tables, figures and sentences that were pinned will stand as a page to print or export. What is pinned already is kept:"
    >
      <PinnedList study={study} />
    </PlannedStage>
  );
}
