import type { Study, Variable } from '@ivlen/contract';
import { pearson } from '@ivlen/core';
import { useQueries, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { rowsInUseQuery, studyQuery, valuesQuery } from '../../api/queries';
import { usedRows } from '../../study/used-rows';
import { displayName } from '../../study/variable-name';
import { cloudOfRows } from './cloud-of-rows';
import { CloudTile } from './clouds';

const SIDE = 220;

/** The pair that help was asked from, as a cloud among the others. */
export function OwnPair({ from }: { from: string }) {
  const [, , id = ''] = from.split('/');
  const wanted = new URLSearchParams(from.split('?')[1]).get('pair')?.split('~') ?? [];
  const { data: study } = useQuery({ ...studyQuery(id), enabled: wanted.length === 2 });
  const pair = wanted.flatMap((variable) => study?.state.variables.filter((one) => one.id === variable) ?? []);
  const [x, y] = pair;
  return study && x && y ? <PairCloud study={study} x={x} y={y} /> : null;
}

function PairCloud({ study, x, y }: { study: Study; x: Variable; y: Variable }) {
  const columns = useQueries({
    queries: [x, y].map(({ id }) => valuesQuery(study, id)),
    combine: (results) => results.map(({ data }) => data),
  });
  const { data: inUse } = useQuery({ ...rowsInUseQuery(study), enabled: study.state.inUse !== null });
  const shown = useMemo(() => {
    const [xs, ys] = columns;
    if (!xs || !ys || (study.state.inUse && !inUse)) return null;
    const rows = usedRows([xs, ys], inUse);
    const [left, right] = [xs, ys].map((column) => Float64Array.from(rows, (row) => column[row] ?? Number.NaN));
    return left && right ? { r: pearson(left, right).coefficient, cloud: cloudOfRows(left, right), n: rows.length } : null;
  }, [columns, inUse, study]);
  if (!shown) return null;
  const title = `${displayName(x)} × ${displayName(y)}`;
  return (
    <div>
      <p className="text-[13px] text-muted">Your pair, on the same scale</p>
      <svg width={SIDE + 2} height={SIDE + 22} role="img" aria-label={`The points of ${title}`} className="mt-4.5 block">
        <CloudTile left={1} top={1} side={SIDE} r={shown.r} cloud={shown.cloud} />
      </svg>
      <p className="w-55 text-[13px]">
        {title}, {shown.n.toLocaleString('en-GB')} rows
      </p>
    </div>
  );
}
