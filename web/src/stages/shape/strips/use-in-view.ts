import { type RefObject, useEffect, useState } from 'react';

/** Whether an element has come into view once; where the browser cannot tell, it has. */
export function useInView(element: RefObject<HTMLElement | null>): boolean {
  const [seen, setSeen] = useState(() => typeof IntersectionObserver === 'undefined');
  useEffect(() => {
    if (seen || !element.current) return;
    const observer = new IntersectionObserver(
      (entries) => {
        if (entries.some(({ isIntersecting }) => isIntersecting)) setSeen(true);
      },
      { rootMargin: '200px' },
    );
    observer.observe(element.current);
    return () => observer.disconnect();
  }, [element, seen]);
  return seen;
}
