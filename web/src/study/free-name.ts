import type { Variable } from '@ivlen/contract';

/** A name that no variable has. */
export function freeName(wanted: string, variables: readonly Variable[]): string {
  const taken = new Set(variables.map(({ name }) => name));
  let name = wanted;
  for (let number = 2; taken.has(name); number++) name = `${wanted}_${number}`;
  return name;
}
