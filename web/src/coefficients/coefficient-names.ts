import { COEFFICIENTS, type Method } from '@ivlen/core';

/** Names of coefficients joined: "Pearson’s r and Spearman’s ρ". */
export function coefficientNames(methods: readonly Method[]): string {
  return joined(methods.map((method) => COEFFICIENTS[method].name));
}

/** "a, b and c". */
export function joined(words: readonly string[], last = 'and'): string {
  return words.length > 1 ? `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1)}` : (words[0] ?? '');
}
