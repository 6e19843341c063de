import type { Question, Study, Variable } from '@ivlen/contract';
import { Link } from 'react-router';
import { dependentAddress } from '../../../dependent/address';
import { useStudyPath } from '../../../study/read-only';
import { displayName } from '../../../study/variable-name';

interface Closeness {
  readonly shared: Variable;
  readonly first: Variable;
  readonly second: Variable;
}

/** Where two hypotheses share a variable, which of the others it is tied to more closely is a test of its own, offered here. */
export function MoreClosely({ study, question }: { study: Study; question: Question }) {
  const path = useStudyPath();
  const found = sharedVariables(study, question);
  if (found.length === 0) return null;
  return (
    <p className="mt-2 text-[13px] text-muted" data-testid="more-closely">
      That one is significant and another is not says nothing of their difference. Compared by a test for dependent coefficients:{' '}
      {found.map(({ shared, first, second }, k) => (
        <span key={`${shared.id}.${first.id}.${second.id}`}>
          {k > 0 && '; '}
          <Link
            to={`${path}/subgroups?${dependentAddress({ a: shared, b: first }, { a: shared, b: second })}`}
            className="text-accent underline"
          >
            is {displayName(shared)} tied more closely to {displayName(first)} than to {displayName(second)}?
          </Link>
        </span>
      ))}
    </p>
  );
}

const MOST = 6;

/** Of the hypotheses whose results are shown, every two that share one variable. */
export function sharedVariables({ state }: Pick<Study, 'state'>, { hypotheses }: Pick<Question, 'hypotheses'>): Closeness[] {
  const variable = (id: string) => state.variables.find((item) => item.id === id);
  const shown = hypotheses.filter((hypothesis) => hypothesis.shown);
  const pairs = shown.flatMap((one, i) =>
    shown.slice(i + 1).flatMap((other) => {
      const common = [one.x, one.y].filter((id) => id === other.x || id === other.y);
      const [id] = common;
      if (common.length !== 1 || id === undefined) return [];
      const [shared, first, second] = [variable(id), variable(one.x === id ? one.y : one.x), variable(other.x === id ? other.y : other.x)];
      return shared && first && second ? [{ shared, first, second }] : [];
    }),
  );
  return pairs.slice(0, MOST);
}
