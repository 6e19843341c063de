import type { Method } from '@ivlen/core';

/** Coefficients by their names and symbols. */
export const COEFFICIENTS: Readonly<Record<Method, { readonly name: string; readonly symbol: string; readonly when: string }>> = {
  pearson: { name: 'Pearson’s r', symbol: 'r', when: 'How closely the points follow a straight line; far values weigh much.' },
  spearman: {
    name: 'Spearman’s ρ',
    symbol: 'ρ',
    when: 'Whether more of one goes with more of the other, straight or not; from the ranks.',
  },
  kendall: { name: 'Kendall’s τ', symbol: 'τ', when: 'The same from pairs of rows; exact more often, and for many ties.' },
};
export const METHODS: readonly Method[] = ['pearson', 'spearman', 'kendall'];
