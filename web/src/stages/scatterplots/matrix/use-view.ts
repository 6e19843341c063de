import { type RefObject, useEffect, useState } from 'react';

export interface View {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

const NOTHING: View = { left: 0, top: 0, width: 0, height: 0 };
/** Scrolled by less than this, the same panels are in view. */
const STEP = 40;

/** What a scrolling element shows of its content, in steps; nothing before it is laid out. */
export function useView(element: RefObject<HTMLElement | null>): View {
  const [view, setView] = useState(NOTHING);
  useEffect(() => {
    const node = element.current;
    if (!node) return;
    const read = () => {
      const next = {
        left: Math.floor(node.scrollLeft / STEP) * STEP,
        top: Math.floor(node.scrollTop / STEP) * STEP,
        width: node.clientWidth,
        height: node.clientHeight,
      };
      setView((before) => (Object.entries(next).every(([key, value]) => before[key as keyof View] === value) ? before : next));
    };
    const observer = new ResizeObserver(read);
    observer.observe(node);
    node.addEventListener('scroll', read, { passive: true });
    return () => {
      observer.disconnect();
      node.removeEventListener('scroll', read);
    };
  }, [element]);
  return view;
}
