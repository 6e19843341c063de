import { useEffect, useRef, useState } from 'react';

/**
 * The result of the newest request: the next is made when the one before is there, and those in between never.
 * @param request null where there is nothing to ask for
 * @param ask a request that fails has no result; the next one is made all the same
 */
export function useLatest<R, T>(request: R | null, ask: (request: R) => Promise<T>): { readonly request: R; readonly result: T } | null {
  const [answer, setAnswer] = useState<{ request: R; result: T } | null>(null);
  const state = useRef<{ busy: boolean; next: R | null; wanted: R | null }>({ busy: false, next: null, wanted: null });
  const asking = useRef(ask);
  asking.current = ask;
  useEffect(() => {
    const current = state.current;
    current.next = request;
    current.wanted = request;
    if (request === null) return setAnswer(null);
    if (current.busy) return;
    const run = async () => {
      current.busy = true;
      while (current.next !== null) {
        const wanted: R = current.next;
        current.next = null;
        const result = await asking.current(wanted).catch(() => undefined);
        if (result !== undefined && current.wanted !== null) setAnswer({ request: wanted, result });
      }
      current.busy = false;
    };
    void run();
  }, [request]);
  return request === null ? null : answer;
}
