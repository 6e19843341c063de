import { useSyncExternalStore } from 'react';

/** A value that changes too often to draw everything around it anew: only who reads it is. */
export interface Store<T> {
  get(): T;
  set(value: T): void;
  subscribe(listener: () => void): () => void;
}

export function createStore<T>(initial: T): Store<T> {
  let value = initial;
  const listeners = new Set<() => void>();
  return {
    get: () => value,
    set: (next) => {
      value = next;
      for (const listener of listeners) listener();
    },
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  };
}

export function useStore<T>({ get, subscribe }: Store<T>): T {
  return useSyncExternalStore(subscribe, get);
}
