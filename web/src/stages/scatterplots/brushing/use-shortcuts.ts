import { useEffect } from 'react';
import { isTyping, singleKeysAreOn } from '../../../controls/keyboard';

/** Single keys of the panels: `a` sets aside, Escape puts the lit rows out; not while typing, in a dialog or in a menu. */
export function useShortcuts({
  onAside,
  onEscape,
}: {
  readonly onAside: () => void;
  /** @returns whether there was something to put out; else the key is left to others */
  readonly onEscape: () => boolean;
}): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event) || event.defaultPrevented) return;
      if (document.querySelector('[role="dialog"], [role="menu"]')) return;
      if (event.key === 'Escape' && onEscape()) event.preventDefault();
      const inPanel = event.target instanceof HTMLElement && event.target.closest('aside[aria-label="Variables"]');
      if (event.key === 'a' && !event.ctrlKey && !event.metaKey && !inPanel && singleKeysAreOn()) {
        event.preventDefault();
        onAside();
      }
    };
    // Before the card is asked, which would close.
    document.addEventListener('keydown', onKey, true);
    return () => document.removeEventListener('keydown', onKey, true);
  }, [onAside, onEscape]);
}
