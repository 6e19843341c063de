/** Points of which r is exactly what is asked for. */
export interface Cloud {
  readonly x: readonly number[];
  readonly y: readonly number[];
}

const FIRST_SEED = 20;

/**
 * A round cloud brought to a correlation: of two columns of normal deviates the second is freed of what the first tells,
 * both are brought to variance 1, and then mixed.
 */
export function inventedCloud(r: number, n: number): Cloud {
  const x = standard(deviates(n, FIRST_SEED));
  const raw = deviates(n, FIRST_SEED + 1);
  const told = x.reduce((sum, value, i) => sum + value * (raw[i] ?? 0), 0) / (n - 1);
  const rest = standard(raw.map((value, i) => value - told * (x[i] ?? 0)));
  const own = Math.sqrt(1 - r * r);
  return { x, y: x.map((value, i) => r * value + own * (rest[i] ?? 0)) };
}

/** Numbers from 0 to 1 of a seed, by the generator of Park and Miller (1988). */
export function uniforms(seed: number): () => number {
  let state = seed * 7919;
  return () => {
    state = (state * 48271) % 2147483647;
    return state / 2147483647;
  };
}

/** Normal deviates by Box and Muller (1958). */
function deviates(n: number, seed: number): number[] {
  const uniform = uniforms(seed);
  return Array.from({ length: n }, () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform()));
}

/** With mean 0 and variance 1. */
function standard(values: readonly number[]): number[] {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const variance = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1);
  return values.map((value) => (value - mean) / Math.sqrt(variance));
}
