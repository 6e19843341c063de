/** A function of one value. */
const OF_ONE: Readonly<Record<string, (x: number) => number>> = {
  sqrt: Math.sqrt,
  cbrt: Math.cbrt,
  ln: Math.log,
  log10: Math.log10,
  log2: Math.log2,
  exp: Math.exp,
  abs: Math.abs,
  round: (x) => Math.sign(x) * Math.round(Math.abs(x)),
  floor: Math.floor,
  ceil: Math.ceil,
};

/** A function over the values of one row: what has been gathered, one more value, and how many there were. */
interface RowWise {
  readonly start: number;
  readonly add: (sofar: number, x: number) => number;
  readonly end: (gathered: number, count: number) => number;
}

const OVER_A_ROW: Readonly<Record<string, RowWise>> = {
  max: { start: Number.NEGATIVE_INFINITY, add: Math.max, end: (gathered) => gathered },
  min: { start: Number.POSITIVE_INFINITY, add: Math.min, end: (gathered) => gathered },
  sum: { start: 0, add: (sofar, x) => sofar + x, end: (gathered) => gathered },
  mean: { start: 0, add: (sofar, x) => sofar + x, end: (gathered, count) => gathered / count },
  last: { start: Number.NaN, add: (_, x) => x, end: (gathered) => gathered },
};

const CONSTANTS: Readonly<Record<string, number>> = { pi: Math.PI, e: Math.E };

/** Names of the functions that a formula can use, those over several values first. */
export const FORMULA_FUNCTIONS: readonly string[] = [...Object.keys(OVER_A_ROW), ...Object.keys(OF_ONE)];

export function functionOfOne(name: string): ((x: number) => number) | undefined {
  return Object.hasOwn(OF_ONE, name) ? OF_ONE[name] : undefined;
}

/**
 * @example
 * functionOverARow('mean')?.end(12, 3); // 4
 */
export function functionOverARow(name: string): RowWise | undefined {
  return Object.hasOwn(OVER_A_ROW, name) ? OVER_A_ROW[name] : undefined;
}

/**
 * @example
 * constantNamed('pi'); // 3.14159
 */
export function constantNamed(name: string): number | undefined {
  return Object.hasOwn(CONSTANTS, name) ? CONSTANTS[name] : undefined;
}
