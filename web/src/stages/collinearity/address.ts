import { useCallback } from 'react';
import { useSearchParams } from 'react-router';

/** A part of the address that belongs to what is on screen: a reload keeps it. Writing it is no step to go back to. */
export function useAddress(name: string): [string | null, (value: string | null) => void] {
  const [params, setParams] = useSearchParams();
  const change = useCallback(
    (value: string | null) =>
      setParams(
        (current) => {
          if (value === null || value === '') current.delete(name);
          else current.set(name, value);
          return current;
        },
        { replace: true },
      ),
    [name, setParams],
  );
  return [params.get(name), change];
}

/** Row numbers as an address has them: "3,17"; what is none is left out. */
export function rowsInAddress(text: string | null): number[] {
  const numbers = (text ?? '').split(',').map(Number);
  return [...new Set(numbers.filter((row) => Number.isInteger(row) && row > 0))].sort((a, b) => a - b);
}

/** Typed values by variable as an address has them: "v3~12.5;v4~2". */
export function typedInAddress(text: string | null): Readonly<Record<string, string>> {
  const pairs = (text ?? '').split(';').flatMap((item): [string, string][] => {
    const [id = '', ...rest] = item.split('~');
    return id && rest.length > 0 ? [[id, rest.join('~')]] : [];
  });
  return Object.fromEntries(pairs);
}

export function typedAsAddress(typed: Readonly<Record<string, string>>): string {
  return Object.entries(typed)
    .map(([id, text]) => `${id}~${text.replaceAll(';', ' ')}`)
    .join(';');
}
