import { useSyncExternalStore } from 'react';
import { STEPS } from './steps';

const KEY = 'ivlen.firstSteps';
/** Where the steps stand once all were seen or they were put away. */
const DONE = STEPS.length;
const listeners = new Set<() => void>();

/** Which step comes next, kept in this browser; null once all are done. */
export function useFirstSteps(): { readonly next: number | null; readonly goTo: (step: number) => void; readonly end: () => void } {
  const at = useSyncExternalStore(subscribe, stored);
  return { next: at < DONE ? at : null, goTo: store, end: () => store(DONE) };
}

/** Begins them again. */
export function startFirstSteps(): void {
  store(0);
}

function stored(): number {
  const value = Number(localStorage.getItem(KEY) ?? 0);
  return Number.isInteger(value) && value >= 0 ? value : 0;
}

function store(step: number): void {
  localStorage.setItem(KEY, String(Math.min(step, DONE)));
  for (const listener of listeners) listener();
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  // Another window may put them away.
  window.addEventListener('storage', listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener('storage', listener);
  };
}
