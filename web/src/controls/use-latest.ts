import { useCallback, useLayoutEffect, useRef } from 'react';

/** A function that stays the same while what it does follows the latest rendering; for event handlers only. */
export function useLatest<A extends readonly unknown[]>(handler: (...values: A) => void): (...values: A) => void {
  const latest = useRef(handler);
  // Before anybody can see what was rendered: a key pressed at once must not meet the handler of before.
  useLayoutEffect(() => {
    latest.current = handler;
  });
  return useCallback((...values: A) => latest.current(...values), []);
}
