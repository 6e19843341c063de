export interface SortRequest {
  readonly values: Float64Array;
  /** Texts by code, which are sorted as words are; null for numbers and dates. */
  readonly dictionary: readonly string[] | null;
  readonly descending: boolean;
}

/** Row numbers from 0 in the order of their values; equal values in row order, missing ones last. */
export function sortRows({ values, dictionary, descending }: SortRequest): Uint32Array {
  return sortedRows(dictionary ? alphabetical(values, dictionary) : values, descending);
}

/** Codes replaced by the place of their text in the alphabet. */
function alphabetical(codes: Float64Array, dictionary: readonly string[]): Float64Array {
  const { compare } = new Intl.Collator('en', { numeric: true });
  const places = new Float64Array(dictionary.length);
  [...dictionary.keys()]
    .sort((a, b) => compare(dictionary[a] ?? '', dictionary[b] ?? ''))
    .forEach((code, place) => {
      places[code] = place;
    });
  return codes.map((code) => (code === code ? (places[code] ?? Number.NaN) : code));
}

function sortedRows(values: Float64Array, descending: boolean): Uint32Array {
  const sign = descending ? -1 : 1;
  return Uint32Array.from(values.keys()).sort((a, b) => {
    const [x, y] = [values[a] ?? Number.NaN, values[b] ?? Number.NaN];
    if (x !== x || y !== y) return x === x ? -1 : y === y ? 1 : a - b;
    return x === y ? a - b : sign * (x < y ? -1 : 1);
  });
}
