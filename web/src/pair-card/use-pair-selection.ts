import { canBeCorrelated, type Study, type Variable } from '@ivlen/contract';
import { useCallback, useMemo } from 'react';
import { useSearchParams } from 'react-router';

/** A pair with its axes. */
export interface Pair {
  readonly x: Variable;
  readonly y: Variable;
}

const PARAMETER = 'pair';
/** A second pair, to be compared with the first. */
const SECOND = 'with';
const BETWEEN = '~';

/** The selected pair, kept in the address: links can be shared, back closes the card. */
export function usePairSelection(study: Study) {
  const [params, setParams] = useSearchParams();
  const text = params.get(PARAMETER);
  const pair = useMemo(() => readPair(study, text), [study, text]);
  const secondText = params.get(SECOND);
  const second = useMemo(() => (pair ? readPair(study, secondText) : null), [study, secondText, pair]);

  const show = useCallback(
    ({ x, y }: Pair, replace: boolean) => {
      setParams(
        (current) => {
          current.set(PARAMETER, `${x.id}${BETWEEN}${y.id}`);
          current.delete(SECOND);
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
      current.delete(SECOND);
      return current;
    });
  }, [setParams]);
  /** A pair beside the selected one, to be compared with it; with none selected it is opened. */
  const compare = useCallback(
    (a: Variable, b: Variable) => {
      const same = pair && [pair.x.id, pair.y.id].every((id) => id === a.id || id === b.id);
      if (!pair || same) return open(a, b);
      setParams(
        (current) => {
          current.set(SECOND, `${a.id}${BETWEEN}${b.id}`);
          return current;
        },
        { replace: true },
      );
    },
    [pair, open, setParams],
  );
  return { pair, second, open, compare, swap, close, show: (next: Pair) => show(next, true) };
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
