import { Random } from '../random/random';
import { type SequentialP, sequentialP } from '../resampling/sequential-p';
import { type Distances, sumOfProducts, vCovariance } from './distance-sums';

/** Up to so many rows all orders are gone through: 5,040 of seven. */
export const MOST_ENUMERATED = 7;
/** Up to so many rows a table of all distances is faster than sorting anew for each shuffle. */
const MOST_IN_A_TABLE = 128;
/** Statistics whose difference is this small beside what they are made of differ by rounding alone. */
const ROUNDING = 1e-12;

/** Squared distance covariance of x with y in another order, `places[i]` being the row whose y stands at row i. */
type Shuffled = (places: Int32Array) => number;

/** Share of all orders of y whose distance covariance with x is at least the observed one. @param a,b of at most seven rows */
export function exactP(a: Distances, b: Distances): number {
  const { covarianceOf, least, places } = observed(a, b);
  let [asExtreme, orders] = [0, 0];
  eachOrder(places, () => {
    orders++;
    if (covarianceOf(places) >= least) asExtreme++;
  });
  return asExtreme / orders;
}

/** p by shuffles of y against x. @param options.enough as extreme ones at which it ends early */
export function shuffledP(
  a: Distances,
  b: Distances,
  { permutations, seed, ...options }: { permutations: number; seed: number; enough?: number; onProgress?: (done: number) => void },
): SequentialP {
  const { covarianceOf, least, places } = observed(a, b);
  const random = new Random(seed);
  return sequentialP(
    permutations,
    () => {
      random.shuffle(places);
      return covarianceOf(places) >= least;
    },
    options,
  );
}

function observed(a: Distances, b: Distances) {
  const n = a.values.length;
  const covarianceOf = n <= MOST_IN_A_TABLE ? fromTables(a, b) : fromSums(a, b);
  const places = Int32Array.from({ length: n }, (_, i) => i);
  const least = covarianceOf(places) - ROUNDING * Math.sqrt((a.squares / n ** 2) * (b.squares / n ** 2));
  return { covarianceOf, least, places };
}

function fromSums(a: Distances, b: Distances): Shuffled {
  const n = a.values.length;
  const [y, rows] = [new Float64Array(n), new Float64Array(n)];
  return (places) => {
    for (let i = 0; i < n; i++) {
      y[i] = b.values[places[i]];
      rows[i] = b.rows[places[i]];
    }
    return vCovariance(sumOfProducts(a, y), a.rows, rows, a.total * b.total, n);
  };
}

/** One of both centred is enough: what is constant by row or column adds nothing to its products. */
function fromTables(a: Distances, b: Distances): Shuffled {
  const n = a.values.length;
  const [centred, distances] = [new Float64Array(n * n), new Float64Array(n * n)];
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < n; j++) {
      const distance = Math.abs(a.values[i] - a.values[j]);
      centred[i * n + j] = i === j ? 0 : (2 * (distance - a.rows[i] / n - a.rows[j] / n + a.total / n ** 2)) / n ** 2;
      distances[i * n + j] = Math.abs(b.values[i] - b.values[j]);
    }
  }
  return (places) => {
    let sum = 0;
    for (let i = 1; i < n; i++) {
      const [here, there] = [i * n, places[i] * n];
      for (let j = 0; j < i; j++) sum += centred[here + j] * distances[there + places[j]];
    }
    return sum;
  };
}

/** All orders in place (Heap 1963). */
function eachOrder(places: Int32Array, visit: () => void): void {
  const go = (length: number): void => {
    if (length <= 1) {
      visit();
      return;
    }
    for (let i = 0; i < length; i++) {
      go(length - 1);
      if (i === length - 1) break;
      const other = length % 2 === 0 ? i : 0;
      const held = places[other];
      places[other] = places[length - 1];
      places[length - 1] = held;
    }
  };
  go(places.length);
}
