/** Columns one after the other, as a new one of the same sort. */
export function joined<T extends Float64Array | Uint32Array>(parts: readonly T[], make: new (length: number) => T): T {
  const whole = new make(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}
