/** The fields of a partial record that were given: an absent one must not overwrite with undefined. */
export function definedFields<T extends object>(partial: T): { [K in keyof T]: Exclude<T[K], undefined> } {
  return Object.fromEntries(Object.entries(partial).filter(([, value]) => value !== undefined)) as {
    [K in keyof T]: Exclude<T[K], undefined>;
  };
}
