import { REFERENCES } from '@ivlen/core';

/** A published source as a text cites it. */
export function citeOf(key: string): string {
  return Object.hasOwn(REFERENCES, key) ? REFERENCES[key as keyof typeof REFERENCES].cite : key;
}
