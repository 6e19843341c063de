import { useCallback, useEffect, useRef } from 'react';

/** A function that stays the same while what it does follows the latest rendering; for event handlers only. */
export function useLatest<A extends readonly unknown[]>(handler: (...values: A) => void): (...values: A) => void {
  const latest = useRef(handler);
  useEffect(() => {
    latest.current = handler;
  });
  return useCallback((...values: A) => latest.current(...values), []);
}
