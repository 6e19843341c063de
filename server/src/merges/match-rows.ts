/** Where the rows of a file go. */
export interface RowMatch {
  /** For each row of the file its row in the study, from 0; from `rowsBefore` on it is a new one. */
  readonly targets: Int32Array;
  readonly added: number;
  /** Rows of the study that the file has no longer. */
  readonly gone: number[];
  /** Whether rows were matched by what identifies them. */
  readonly byIdentifier: boolean;
  /** Identifiers of added rows that are in the study already, or repeat in the file. */
  readonly repeated: number;
}

/** Identifying values as texts; null where missing. */
type Identifiers = readonly (string | null)[];

/** Every row of the file becomes a new one. */
export function appendRows(rowsBefore: number, rows: number, before: Identifiers | null, incoming: Identifiers | null): RowMatch {
  const seen = new Set(before);
  let repeated = 0;
  for (const identifier of incoming ?? []) {
    if (identifier !== null && seen.has(identifier)) repeated++;
    seen.add(identifier);
  }
  return { targets: Int32Array.from({ length: rows }, (_, i) => rowsBefore + i), added: rows, gone: [], byIdentifier: false, repeated };
}

/** Rows go to those with the same identifier where it is there and never repeats, else to those of the same place. */
export function matchRows(rowsBefore: number, rows: number, before: Identifiers | null, incoming: Identifiers | null): RowMatch {
  const places = before && incoming && isUnique(incoming) ? placesOf(before) : null;
  const targets = new Int32Array(rows);
  let added = 0;
  const kept = new Uint8Array(rowsBefore);
  for (let i = 0; i < rows; i++) {
    const place = places ? places.get(incoming?.[i] ?? '') : i < rowsBefore ? i : undefined;
    targets[i] = place ?? rowsBefore + added++;
    if (place !== undefined) kept[place] = 1;
  }
  const gone = Array.from(kept.keys()).filter((row) => kept[row] === 0);
  return { targets, added, gone, byIdentifier: places !== null, repeated: 0 };
}

function isUnique(identifiers: Identifiers): boolean {
  return !identifiers.includes(null) && new Set(identifiers).size === identifiers.length;
}

function placesOf(identifiers: Identifiers): Map<string | null, number> | null {
  return isUnique(identifiers) ? new Map(identifiers.map((identifier, row) => [identifier, row])) : null;
}
