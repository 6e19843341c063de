const FEWEST_RUNS = 3;
const MOST_RUNS = 30;
const ENOUGH_MS = 1500;
/** What takes longer than this is run once. */
const LONG_MS = 10_000;

/** Milliseconds of the fastest of some runs. */
export async function fastest(run: () => unknown): Promise<number> {
  const times: number[] = [];
  const began = performance.now();
  const spent = () => performance.now() - began;
  while (times.length < FEWEST_RUNS || (times.length < MOST_RUNS && spent() < ENOUGH_MS)) {
    const start = performance.now();
    await run();
    times.push(performance.now() - start);
    if (spent() > LONG_MS) break;
  }
  return Math.min(...times);
}

/** Columns that share a weak common part, so that coefficients are neither 0 nor 1; the same in every run. */
export function makeColumns(count: number, rows: number, missing: number): Float64Array[] {
  let state = 12345;
  const uniform = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
  const common = Float64Array.from({ length: rows }, uniform);
  return Array.from({ length: count }, () => common.map((value) => (uniform() < missing ? Number.NaN : value + 2 * uniform() + uniform())));
}
