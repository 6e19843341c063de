import { useLayoutEffect, useState } from 'react';

/**
 * Runs at once, or, while the pointer is over what a stage shows, when it has left it: what was clicked must not move
 * away under the pointer because the page makes room.
 * @returns forgets about it
 */
export function oncePointerHasLeft(run: () => void): () => void {
  const under = document.querySelector('[data-scrolls]:hover');
  if (!under) {
    run();
    return () => {};
  }
  under.addEventListener('mouseleave', run, { once: true });
  return () => under.removeEventListener('mouseleave', run);
}

/** Whether the pointer was away from what the stage shows, once, since this stands on the page. */
export function usePointerHasLeft(): boolean {
  const [left, setLeft] = useState(false);
  useLayoutEffect(() => oncePointerHasLeft(() => setLeft(true)), []);
  return left;
}
