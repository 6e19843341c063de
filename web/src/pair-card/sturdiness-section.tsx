import { Link, useLocation } from 'react-router';
import { WaysInBrief } from '../sturdiness/ways-content';
import { cautionedPair, type PairContext } from './pair-request';

/** How far all defensible ways to the coefficient agree. */
export function SturdinessSection({ context }: { context: PairContext }) {
  const { study, pair } = context;
  const { search } = useLocation();
  const params = new URLSearchParams(search);
  params.set('view', 'sturdiness');
  params.set('pair', `${pair.x.id}~${pair.y.id}`);
  return (
    <WaysInBrief asked={cautionedPair(context)}>
      <Link className="text-[13px] text-accent underline" to={`/studies/${study.id}/correlations?${params}`}>
        All choices and ways
      </Link>
    </WaysInBrief>
  );
}
