import type { Interval } from '../correlation/types';
import { quantile } from '../description/quantile';
import { normalQuantile, normalUpperTail } from '../distributions/normal';
import { Random } from '../random/random';

/** More undefined resamples than this share leave no interval. */
const MOST_UNDEFINED = 0.05;

export interface BootstrapRequest {
  /** Rows to draw from. */
  readonly n: number;
  /** The statistic of a resample, given by its row numbers; NaN where it is undefined. */
  readonly statistic: (rows: Int32Array) => number;
  readonly replicates: number;
  readonly seed: number;
  readonly level: number;
  /** Needed for BCa: the statistic of all rows, and leaving each one out. */
  readonly bca?: { readonly estimate: number; readonly leaveOneOut: Float64Array };
  /** Told now and then how many replicates are done. */
  readonly onProgress?: (done: number) => void;
}

/** So many replicates go between two reports of progress. */
export const REPORTED_EVERY = 64;

export interface BootstrapInterval {
  /** null where too many resamples had no statistic. */
  readonly interval: Interval | null;
  /** How many resamples were undefined, and drawn again. */
  readonly undefinedResamples: number;
  /** The kind of interval that was computed; BCa falls back to percentile where it cannot be. */
  readonly kind: 'percentile' | 'bca';
  /** Bias correction and acceleration of BCa; NaN for percentile. */
  readonly z0: number;
  readonly acceleration: number;
  readonly standardError: number;
}

/**
 * Bootstrap interval of a statistic of rows drawn with replacement.
 * Source: percentile Efron (1979); BCa Efron (1987), eqs. 2.3 and 6.6, with half the ties in z₀; type-7 quantiles.
 */
export function bootstrapInterval({ n, statistic, replicates, seed, level, bca, onProgress }: BootstrapRequest): BootstrapInterval {
  const random = new Random(seed);
  const rows = new Int32Array(n);
  const values = new Float64Array(replicates);
  let undefinedResamples = 0;
  const none = { interval: null, kind: 'percentile' as const, z0: Number.NaN, acceleration: Number.NaN, standardError: Number.NaN };
  for (let b = 0; b < replicates; b++) {
    let value = Number.NaN;
    while (value !== value) {
      for (let i = 0; i < n; i++) rows[i] = random.below(n);
      value = statistic(rows);
      if (value !== value && ++undefinedResamples > MOST_UNDEFINED * replicates) return { ...none, undefinedResamples };
    }
    values[b] = value;
    const done = b + 1;
    if (done % REPORTED_EVERY === 0 || done === replicates) onProgress?.(done);
  }
  const standardError = spread(values);
  values.sort();
  const tails = [(1 - level) / 2, (1 + level) / 2] as const;
  const adjusted = bca ? bcaTails(values, bca, tails) : null;
  const [low, high] = adjusted?.tails ?? tails;
  const kind = adjusted ? 'bca' : 'percentile';
  return {
    interval: { low: quantile(values, low), high: quantile(values, high), level, method: `bootstrap-${kind}` },
    undefinedResamples,
    kind,
    z0: adjusted?.z0 ?? Number.NaN,
    acceleration: adjusted?.acceleration ?? Number.NaN,
    standardError,
  };
}

function bcaTails(sorted: Float64Array, { estimate, leaveOneOut }: NonNullable<BootstrapRequest['bca']>, tails: readonly [number, number]) {
  let below = 0;
  let equal = 0;
  for (const value of sorted) {
    if (value < estimate) below++;
    else if (value === estimate) equal++;
  }
  const z0 = normalQuantile((below + equal / 2) / sorted.length);
  const acceleration = accelerationOf(leaveOneOut);
  if (!Number.isFinite(z0) || !Number.isFinite(acceleration)) return null;
  const shifted = tails.map((tail) => {
    const z = z0 + normalQuantile(tail);
    return normalUpperTail(-(z0 + z / (1 - acceleration * z)));
  });
  return { z0, acceleration, tails: [shifted[0], shifted[1]] as const };
}

/** a = Σdᵢ³/(6(Σdᵢ²)^1.5), dᵢ the mean of the leave-one-out values less each; NaN where these do not vary. */
function accelerationOf(leaveOneOut: Float64Array): number {
  const mean = leaveOneOut.reduce((sum, value) => sum + value, 0) / leaveOneOut.length;
  let squares = 0;
  let cubes = 0;
  for (const value of leaveOneOut) {
    const d = mean - value;
    squares += d * d;
    cubes += d * d * d;
  }
  return squares > 0 ? cubes / (6 * squares ** 1.5) : Number.NaN;
}

function spread(values: Float64Array): number {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  return Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1));
}
