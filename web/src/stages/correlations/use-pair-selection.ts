import { canBeCorrelated, type Study, type Variable } from '@ivlen/contract';
import { useCallback, useMemo } from 'react';
import { useSearchParams } from 'react-router';

/** A pair with its axes. */
export interface Pair {
  readonly x: Variable;
  readonly y: Variable;
}

const PARAMETER = 'pair';
const BETWEEN = '~';

/** The selected pair, kept in the address: links can be shared, back closes the card. */
export function usePairSelection(study: Study) {
  const [params, setParams] = useSearchParams();
  const text = params.get(PARAMETER);
  const pair = useMemo(() => readPair(study, text), [study, text]);

  const show = useCallback(
    ({ x, y }: Pair, replace: boolean) => {
      setParams(
        (current) => {
          current.set(PARAMETER, `${x.id}${BETWEEN}${y.id}`);
          return current;
        },
        { replace },
      );
    },
    [setParams],
  );
  const isOpen = pair !== null;
  const open = useCallback((a: Variable, b: Variable) => show(withAxes(a, b), isOpen), [show, isOpen]);
  const swap = useCallback(() => pair && show({ x: pair.y, y: pair.x }, true), [pair, show]);
  const close = useCallback(() => {
    setParams((current) => {
      current.delete(PARAMETER);
      return current;
    });
  }, [setParams]);
  return { pair, open, swap, close };
}

/** The predictor on x and the outcome on y; else in the order of the panel. */
function withAxes(a: Variable, b: Variable): Pair {
  const turned = (a.role === 'outcome' && b.role !== 'outcome') || (b.role === 'predictor' && a.role !== 'predictor');
  return turned ? { x: b, y: a } : { x: a, y: b };
}

function readPair(study: Study, text: string | null): Pair | null {
  const [x, y] = (text ?? '').split(BETWEEN).map((id) => study.state.variables.find((variable) => variable.id === id));
  if (!x || !y || x === y || !canBeCorrelated(x) || !canBeCorrelated(y)) return null;
  return { x, y };
}
