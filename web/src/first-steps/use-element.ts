import { useEffect, useState } from 'react';

/** The first element that a selector finds, followed as the page changes; null while there is none. */
export function useElement(selector: string): Element | null {
  const [element, setElement] = useState<Element | null>(null);
  useEffect(() => {
    let frame = 0;
    const look = () => {
      frame = 0;
      setElement(document.querySelector(selector));
    };
    look();
    // Many changes come at once; one look after them is enough.
    const observer = new MutationObserver(() => {
      frame ||= requestAnimationFrame(look);
    });
    observer.observe(document.body, { childList: true, subtree: true });
    return () => {
      observer.disconnect();
      cancelAnimationFrame(frame);
    };
  }, [selector]);
  return element;
}
