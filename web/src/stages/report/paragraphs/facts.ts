import type { Decision, MissingResult, ReportParagraph, ShapeSettings, Study } from '@ivlen/contract';
import type { Told } from '../../../telling/told';

/** What the paragraphs about the study as a whole are written from. */
export interface ReportFacts {
  readonly study: Study;
  /** Newest first. */
  readonly decisions: readonly Decision[];
  readonly missing: MissingResult;
  /** SHA-256 of the data. */
  readonly sha256: string;
  readonly shapeRule: ShapeSettings['rule'];
  /** What the report says beside them, in its order. */
  readonly told: readonly Told[];
  /** Which paragraphs the report has, for what they name is to be cited. */
  readonly says: ReadonlySet<ReportParagraph>;
  /** Published sources that the researcher's own texts name. */
  readonly cited: readonly string[];
}
