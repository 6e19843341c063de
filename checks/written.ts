/** A result as examples write it: numbers to six significant digits, arrays and plain objects as literals. */
export function written(value: unknown): string {
  if (typeof value === 'number') return String(Number(value.toPrecision(6)) + 0);
  if (typeof value === 'string') return `'${value}'`;
  if (value === null || typeof value !== 'object') return String(value);
  if (Array.isArray(value) || ArrayBuffer.isView(value)) return `[${Array.from(value as ArrayLike<unknown>, written).join(', ')}]`;
  return `{ ${Object.entries(value)
    .map(([name, item]) => `${name}: ${written(item)}`)
    .join(', ')} }`;
}
