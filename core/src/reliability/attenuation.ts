import { listwiseColumns } from '../columns/complete-rows';
import { assertLevel, assertPositiveInteger } from '../correlation/options';
import { pearson } from '../correlation/pearson';
import { quantile } from '../description/quantile';
import { Random } from '../random/random';
import { intraclassValue } from './intraclass';

/** How reliable a variable is: known, or from repeated columns of the same rows; null for one without error. */
export type ReliabilityOf =
  | { readonly kind: 'known'; readonly value: number }
  | { readonly kind: 'repeated'; readonly columns: readonly Float64Array[]; readonly form: ReliabilityForm }
  | null;

/** Which reliability belongs to the column used: that of one of the repeats, of their mean, or of their mean as Cronbach's α. */
export type ReliabilityForm = 'one' | 'mean' | 'alpha';

export interface Disattenuated {
  /** r of what was measured. */
  readonly observed: number;
  readonly n: number;
  readonly reliabilities: readonly [number, number];
  /** r without the errors of measurement; may lie beyond ±1, which is left as it is. */
  readonly corrected: number;
  readonly low: number;
  readonly high: number;
  /** The limits of r divided likewise, or samples of rows drawn again. */
  readonly method: 'known' | 'bootstrap';
  readonly replicates: number;
  readonly seed: number;
}

/** More samples than this share without a reliability leave no interval. */
const MOST_UNDEFINED = 0.05;

/**
 * Correlation corrected for attenuation: what r would be without the errors of measurement, r/√(rel_x·rel_y).
 * Source: Spearman (1904); limits divided likewise where the reliabilities are known, and from rows drawn again, r and
 * reliabilities together, where these come from the same rows (Charles 2005). Beside r, never in its place.
 * Missing: NaN; r of the pair's complete rows, reliabilities of rows complete for their columns.
 * @throws {RangeError} a known reliability outside (0, 1], columns of unequal length, or an option that does not exist.
 *
 * @example
 * correctAttenuation(Float64Array.of(1, 2, 3, 4, 5, 6), Float64Array.of(2, 1, 4, 3, 6, 5), { kind: 'known', value: 0.9 }, null).corrected; // 0.873391
 */
export function correctAttenuation(
  x: Float64Array,
  y: Float64Array,
  ofX: ReliabilityOf,
  ofY: ReliabilityOf,
  {
    level = 0.95,
    replicates = 2000,
    seed = 1,
    onProgress,
  }: { level?: number; replicates?: number; seed?: number; onProgress?: (done: number) => void } = {},
): Disattenuated {
  assertLevel(level);
  assertPositiveInteger('replicates', replicates);
  for (const reliability of [ofX, ofY]) {
    if (reliability?.kind === 'known' && !(reliability.value > 0 && reliability.value <= 1)) {
      throw new RangeError(`a reliability lies above 0 and is at most 1; got ${reliability.value}`);
    }
  }
  const test = pearson(x, y, { level });
  const reliabilities = [reliabilityValue(ofX), reliabilityValue(ofY)] as const;
  const divisor = divisorOf(reliabilities);
  const facts = { observed: test.coefficient, n: test.n, reliabilities, corrected: test.coefficient / divisor, replicates, seed };
  if (ofX?.kind !== 'repeated' && ofY?.kind !== 'repeated') {
    return {
      ...facts,
      low: (test.interval?.low ?? Number.NaN) / divisor,
      high: (test.interval?.high ?? Number.NaN) / divisor,
      method: 'known',
    };
  }
  return { ...facts, ...drawn(x, y, ofX, ofY, { level, replicates, seed, ...(onProgress ? { onProgress } : {}) }), method: 'bootstrap' };
}

/** √(rel_x·rel_y); NaN where one of them is not above zero, since nothing then tells the true values from error. */
function divisorOf([a, b]: readonly [number, number]): number {
  return a > 0 && b > 0 ? Math.sqrt(a * b) : Number.NaN;
}

function reliabilityValue(reliability: ReliabilityOf): number {
  if (reliability === null) return 1;
  return reliability.kind === 'known' ? reliability.value : intraclassValue(reliability.columns, reliability.form);
}

function drawn(
  x: Float64Array,
  y: Float64Array,
  ofX: ReliabilityOf,
  ofY: ReliabilityOf,
  { level, replicates, seed, onProgress }: { level: number; replicates: number; seed: number; onProgress?: (done: number) => void },
) {
  const repeated = [ofX, ofY].map((reliability) => (reliability?.kind === 'repeated' ? reliability.columns : []));
  // Rows that have everything: r and reliabilities are of the same rows in each sample.
  const columns = listwiseColumns([x, y, ...repeated.flat()]);
  const n = columns[0].length;
  const none = { low: Number.NaN, high: Number.NaN };
  if (n < 4) return none;
  const random = new Random(seed);
  const sample = columns.map(() => new Float64Array(n));
  const [first, second] = [sample.slice(2, 2 + repeated[0].length), sample.slice(2 + repeated[0].length)];
  const again = (reliability: ReliabilityOf, own: readonly Float64Array[]): ReliabilityOf =>
    reliability?.kind === 'repeated' ? { ...reliability, columns: own } : reliability;
  const values: number[] = [];
  for (let b = 0; b < replicates; b++) {
    for (let i = 0; i < n; i++) {
      const row = random.below(n);
      for (let c = 0; c < columns.length; c++) sample[c][i] = columns[c][row];
    }
    const divisor = divisorOf([reliabilityValue(again(ofX, first)), reliabilityValue(again(ofY, second))]);
    const value = pearson(sample[0], sample[1]).coefficient / divisor;
    if (Number.isFinite(value)) values.push(value);
    onProgress?.(b + 1);
  }
  if (replicates - values.length > MOST_UNDEFINED * replicates) return none;
  const sorted = Float64Array.from(values).sort();
  return { low: quantile(sorted, (1 - level) / 2), high: quantile(sorted, (1 + level) / 2) };
}
