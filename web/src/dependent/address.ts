import type { TwoVariables } from './words';

/** The address of a comparison of two pairs, under the Subgroups stage. */
export function dependentAddress(first: IdsOf, second: IdsOf): string {
  return new URLSearchParams({ view: 'dependent', first: written(first), second: written(second) }).toString();
}

type IdsOf = { readonly [side in keyof TwoVariables]: Pick<TwoVariables[side], 'id'> };

const BETWEEN = '~';

export function written({ a, b }: IdsOf): string {
  return `${a.id}${BETWEEN}${b.id}`;
}

/** The two ids of a pair in an address. */
export function readIds(text: string | null): readonly [string, string] | null {
  const [a, b] = (text ?? '').split(BETWEEN);
  return a && b ? [a, b] : null;
}
