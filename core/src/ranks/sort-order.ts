/** Where the six digits of a double's bits stand: word (0 low, 1 high), shift within it; each has up to eleven bits. */
const DIGITS = [
  [0, 0],
  [0, 11],
  [0, 22],
  [1, 0],
  [1, 11],
  [1, 22],
] as const;
const BUCKETS = 2048;
const MASK = BUCKETS - 1;

/** The upper word alone tells most values apart: these digits come first. */
const UPPER_DIGITS = DIGITS.slice(3);
/** Stretches of equal upper words up to this length are put in order by insertion. */
const LONGEST_STRETCH = 32;

/**
 * Row numbers of the present values in ascending order of value; ties stay in row order.
 *
 * Radix sort on the bits of the doubles, eleven at a time (Knuth 1998, 5.2.5): O(n), stable. First by the upper word; few
 * values share one, as a rule, and insertion puts those in order. Else all digits are sorted by.
 * @param x NaN is missing and left out; −0 equals 0
 */
export function sortOrder(x: Float64Array): Uint32Array {
  let rows = new Uint32Array(x.length);
  let n = 0;
  for (let i = 0; i < x.length; i++) if (x[i] === x[i]) rows[n++] = i;
  rows = rows.subarray(0, n);
  const keys = sortableBits(x);
  const byUpper = radixSort(rows.slice(), keys, UPPER_DIGITS);
  if (longestStretch(byUpper, keys) > LONGEST_STRETCH) return radixSort(rows, keys, DIGITS);
  insertionSort(byUpper, x);
  return byUpper;
}

function radixSort(rows: Uint32Array, keys: Uint32Array, digits: readonly (readonly [number, number])[]): Uint32Array {
  const n = rows.length;
  const starts = new Uint32Array(BUCKETS);
  let from = rows;
  let to: Uint32Array = new Uint32Array(n);
  for (const [word, shift] of digits) {
    if (!startsOfBuckets(keys, from, word, shift, starts)) continue;
    for (let k = 0; k < n; k++) {
      const row = from[k];
      to[starts[(keys[2 * row + word] >>> shift) & MASK]++] = row;
    }
    const held = from;
    from = to;
    to = held;
  }
  return from;
}

/** How many neighbours share their upper word at the most. */
function longestStretch(rows: Uint32Array, keys: Uint32Array): number {
  let longest = 0;
  let run = 0;
  for (let k = 0; k < rows.length; k++) {
    run = k > 0 && keys[2 * rows[k] + 1] === keys[2 * rows[k - 1] + 1] ? run + 1 : 1;
    if (run > longest) longest = run;
  }
  return longest;
}

function insertionSort(rows: Uint32Array, x: Float64Array): void {
  for (let k = 1; k < rows.length; k++) {
    const row = rows[k];
    let j = k - 1;
    while (j >= 0 && x[rows[j]] > x[row]) {
      rows[j + 1] = rows[j];
      j--;
    }
    rows[j + 1] = row;
  }
}

/** @returns whether the rows differ in this digit at all. */
function startsOfBuckets(keys: Uint32Array, rows: Uint32Array, word: number, shift: number, starts: Uint32Array): boolean {
  const n = rows.length;
  starts.fill(0);
  for (let k = 0; k < n; k++) starts[(keys[2 * rows[k] + word] >>> shift) & MASK]++;
  if (n === 0 || starts[(keys[2 * rows[0] + word] >>> shift) & MASK] === n) return false;
  let sum = 0;
  for (let bucket = 0; bucket < BUCKETS; bucket++) {
    const count = starts[bucket];
    starts[bucket] = sum;
    sum += count;
  }
  return true;
}

/** The bits of each double, low word first, changed so that they order as unsigned integers do. */
function sortableBits(x: Float64Array): Uint32Array {
  const values = new Float64Array(x.length);
  // Adding 0 turns −0 into 0.
  for (let i = 0; i < x.length; i++) values[i] = x[i] + 0;
  const words = new Uint32Array(values.buffer);
  for (let i = 0; i < words.length; i += 2) {
    const negative = words[i + 1] >>> 31;
    // Negative numbers: all bits turned; others: the sign bit alone.
    words[i] ^= -negative;
    words[i + 1] ^= -negative | 0x80000000;
  }
  return words;
}
