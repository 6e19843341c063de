import type { INTERVAL_SOURCES } from '@ivlen/core';

/** The intervals as help calls them; their adjustments and coefficients have their names in the application. */
export const INTERVAL_WORDS: Readonly<Record<keyof typeof INTERVAL_SOURCES, string>> = {
  fisher: 'of r, by Fisher’s z',
  adf: 'of r, whatever the shape',
  'bonett-wright': 'of ρ',
  fieller: 'of τ below 10 rows',
  'brown-benedetti': 'of τ, counting ties',
  bootstrap: 'from samples of the rows',
};
