import { useState } from 'react';

/** State of the window's furniture (widths, folded panels), kept in this browser. */
export function useRemembered<T extends number | boolean>(name: string, initial: T): [T, (value: T) => void] {
  const key = `ivlen.${name}`;
  const [value, setValue] = useState<T>(() => {
    const stored: unknown = JSON.parse(localStorage.getItem(key) ?? 'null');
    return typeof stored === typeof initial ? (stored as T) : initial;
  });
  return [
    value,
    (next) => {
      localStorage.setItem(key, JSON.stringify(next));
      setValue(next);
    },
  ];
}
