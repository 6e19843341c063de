import type { Study } from '@ivlen/contract';
import type { ReportActions } from '../use-report';
import type { WrittenBlock, WrittenReport } from '../written-report';

/** What every part of a block works with. */
export interface BlockProps {
  readonly study: Study;
  readonly written: WrittenBlock;
  readonly report: WrittenReport;
  readonly actions: ReportActions;
}
