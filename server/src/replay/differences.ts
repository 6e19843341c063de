/** A value that is another one than was recorded. */
export interface Difference {
  readonly path: string;
  readonly recorded: unknown;
  readonly computed: unknown;
}

const MOST_FOUND = 200;

/** Where two results are not the same, to the last digit. A number that could not be computed travels as null. */
export function differencesOf(recorded: unknown, computed: unknown, path = ''): Difference[] {
  const found: Difference[] = [];
  compare(recorded, computed, path, found);
  return found;
}

function compare(recorded: unknown, computed: unknown, path: string, found: Difference[]): void {
  if (found.length >= MOST_FOUND || Object.is(recorded, computed)) return;
  // JSON knows no −0.
  if (recorded === 0 && computed === 0) return;
  if (isObject(recorded) && isObject(computed) && Array.isArray(recorded) === Array.isArray(computed)) {
    const keys = new Set([...Object.keys(recorded), ...Object.keys(computed)]);
    for (const key of keys) {
      const at = Array.isArray(recorded) ? `${path}[${Number(key) + 1}]` : path ? `${path}.${key}` : key;
      compare(ownValue(recorded, key), ownValue(computed, key), at, found);
    }
    return;
  }
  found.push({ path, recorded, computed });
}

function isObject(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null;
}

function ownValue(value: Readonly<Record<string, unknown>>, key: string): unknown {
  return Object.hasOwn(value, key) ? value[key] : undefined;
}
