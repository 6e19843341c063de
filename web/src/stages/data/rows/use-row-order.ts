import type { RowOrder, Study } from '@ivlen/contract';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';

/** The order in which the rows are looked at, kept in the address. */
export function useRowOrder(study: Study): { order: RowOrder; sortBy: (variable: string | null, descending?: boolean) => void } {
  const [params, setParams] = useSearchParams();
  const wanted = params.get('sort');
  const sort = study.state.variables.some(({ id }) => id === wanted) ? wanted : null;
  const descending = params.get('descending') === '1';
  const order = useMemo(
    (): RowOrder => (sort === null ? { descending: '0' } : { sort, descending: descending ? '1' : '0' }),
    [sort, descending],
  );
  const sortBy = (variable: string | null, down = false) =>
    setParams(
      (before) => {
        const next = new URLSearchParams(before);
        next.delete('sort');
        next.delete('descending');
        if (variable !== null) next.set('sort', variable);
        if (down) next.set('descending', '1');
        return next;
      },
      { replace: true },
    );
  return { order, sortBy };
}
