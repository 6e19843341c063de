import { type RefObject, useEffect, useRef } from 'react';

/** Brings what was just opened into view, and again once it has all of its height. @param ready whether it has */
export function useScrollToItself<T extends HTMLElement>(ready: boolean): RefObject<T | null> {
  const element = useRef<T>(null);
  useEffect(() => {
    if (ready) element.current?.scrollIntoView?.({ block: 'nearest' });
  }, [ready]);
  return element;
}
