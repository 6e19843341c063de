/** Keys of 32 bits are sorted by this many at a time, three times. */
const DIGIT = 11;
const BUCKETS = 1 << DIGIT;
const MASK = BUCKETS - 1;
const LARGEST_KEY = 2 ** 32 - 1;

/** Stretches up to this length are put in order by insertion, */
const INSERTED = 32;
/** and up to this length, or spread so unevenly that keys were taken this often already, by comparing. */
const COMPARED = 2048;
const DEEPEST = 4;

/** The present values of a column in ascending order. */
export interface Sorted {
  /** Row numbers; ties stay in row order. */
  readonly order: Uint32Array;
  /** Ascending, by place in the order: where they differ the values do; null if none were needed. */
  readonly keys: Uint32Array | null;
}

/**
 * Row numbers of the present values in ascending order of value; ties stay in row order.
 * @param x NaN is missing and left out; −0 equals 0
 */
export function sortOrder(x: Float64Array): Uint32Array {
  return sorted(x).order;
}

/**
 * Sorts the present values of a column.
 *
 * Values become whole numbers that keep their order, by where they lie between the smallest and the largest, and those are
 * sorted digit by digit (Knuth 1998, 5.2.5), each moved together with its row, so that memory is read in order. Stretches
 * that share a number are sorted by themselves. O(n) unless values are spread over many orders of size.
 * @param x NaN is missing and left out; −0 equals 0
 */
export function sorted(x: Float64Array): Sorted {
  const rows = new Uint32Array(x.length);
  let n = 0;
  let low = Number.POSITIVE_INFINITY;
  let high = Number.NEGATIVE_INFINITY;
  let inOrder = true;
  for (let i = 0; i < x.length; i++) {
    const value = x[i];
    if (value !== value) continue;
    rows[n++] = i;
    if (value < high) inOrder = false;
    if (value < low) low = value;
    if (value > high) high = value;
  }
  const order = rows.subarray(0, n);
  return { order, keys: inOrder ? null : sortStretch(order, x, low, high, 0) };
}

/** Sorts some rows by their values, in place and stably. @returns the keys by which that was done */
function sortStretch(rows: Uint32Array, x: Float64Array, low: number, high: number, depth: number): Uint32Array | null {
  if (low === high) return null;
  const scale = LARGEST_KEY / (high - low);
  if (rows.length <= COMPARED || depth === DEEPEST || !(scale > 0 && scale < Number.MAX_VALUE)) {
    if (rows.length <= INSERTED) insertionSort(rows, 0, rows.length, x);
    else rows.sort((a, b) => (x[a] < x[b] ? -1 : x[a] > x[b] ? 1 : a - b));
    return null;
  }
  const keys = sortByKeys(rows, x, low, scale);
  for (let start = 0; start < rows.length; ) {
    let end = start + 1;
    while (end < rows.length && keys[end] === keys[start]) end++;
    if (end - start > INSERTED) sortTied(rows.subarray(start, end), x, depth);
    else if (end - start > 1) insertionSort(rows, start, end, x);
    start = end;
  }
  return keys;
}

/** Sorts rows that share a key: often they share the value. */
function sortTied(rows: Uint32Array, x: Float64Array, depth: number): void {
  let low = x[rows[0]];
  let high = low;
  for (let k = 1; k < rows.length; k++) {
    const value = x[rows[k]];
    if (value < low) low = value;
    else if (value > high) high = value;
  }
  sortStretch(rows, x, low, high, depth + 1);
}

/** @returns the keys by which the rows were sorted, in their new order. */
function sortByKeys(rows: Uint32Array, x: Float64Array, low: number, scale: number): Uint32Array {
  const n = rows.length;
  const [first, second, third] = [new Uint32Array(BUCKETS), new Uint32Array(BUCKETS), new Uint32Array(BUCKETS)];
  // A key and its row lie side by side.
  const [from, to] = [new Uint32Array(2 * n), new Uint32Array(2 * n)];
  for (let k = 0; k < n; k++) {
    const key = ((x[rows[k]] - low) * scale) >>> 0;
    from[2 * k] = key;
    from[2 * k + 1] = rows[k];
    first[key & MASK]++;
    second[(key >>> DIGIT) & MASK]++;
    third[key >>> (2 * DIGIT)]++;
  }
  distribute(from, to, 0, first);
  distribute(to, from, DIGIT, second);
  distribute(from, to, 2 * DIGIT, third);
  const keys = new Uint32Array(n);
  for (let k = 0; k < n; k++) {
    keys[k] = to[2 * k];
    rows[k] = to[2 * k + 1];
  }
  return keys;
}

/** Puts keys and their rows in order of one digit, stably. @param sizes of the buckets of that digit; used up */
function distribute(from: Uint32Array, to: Uint32Array, shift: number, sizes: Uint32Array): void {
  let sum = 0;
  for (let bucket = 0; bucket < BUCKETS; bucket++) {
    const size = sizes[bucket];
    sizes[bucket] = sum;
    sum += 2 * size;
  }
  for (let k = 0; k < from.length; k += 2) {
    const key = from[k];
    const bucket = (key >>> shift) & MASK;
    const place = sizes[bucket];
    sizes[bucket] = place + 2;
    to[place] = key;
    to[place + 1] = from[k + 1];
  }
}

function insertionSort(rows: Uint32Array, start: number, end: number, x: Float64Array): void {
  for (let k = start + 1; k < end; k++) {
    const row = rows[k];
    let j = k - 1;
    while (j >= start && x[rows[j]] > x[row]) {
      rows[j + 1] = rows[j];
      j--;
    }
    rows[j + 1] = row;
  }
}
