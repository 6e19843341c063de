/** The order with one block in another place. */
export function moved(ids: readonly string[], from: number, to: number): string[] {
  const id = ids[from];
  if (id === undefined) return [...ids];
  return ids.toSpliced(from, 1).toSpliced(to, 0, id);
}
