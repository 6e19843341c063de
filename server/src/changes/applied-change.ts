import type { StudyState } from '@ivlen/contract';
import type { Columns, Table } from '../columns/columns';
import type { Connection } from '../database/connect';
import { DomainError } from '../errors/domain-error';

/** A study's next state, with what was decided, in one line for the trail. */
export interface AppliedChange {
  readonly kind: string;
  readonly summary: string;
  readonly state: StudyState;
  /** What goes with the decision beside its words. */
  readonly figures?: object;
  /** Set where the number of rows changes. */
  readonly rowCount?: number;
}

/** What a change is applied to: the study as it stands, inside the transaction that writes revision `number`. */
export interface ChangeContext {
  readonly db: Connection;
  readonly table: Table;
  readonly columns: Columns;
  readonly head: number;
  readonly number: number;
}

export function nothingChanges(): DomainError {
  return new DomainError('nothing-changes', 'Nothing was changed.', { hint: 'The study stands as it was.' });
}
