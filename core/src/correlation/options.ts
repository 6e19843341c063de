import type { Alternative, CorrelationOptions, IntervalKind, Method } from './types';

const ALTERNATIVES: readonly Alternative[] = ['two-sided', 'greater', 'less'];
const P_CHOICES = ['best', 'exact', 'approximate'] as const;
/** The kinds of interval that a method has, its default first. */
export const INTERVAL_KINDS: Readonly<Record<Method, readonly Exclude<IntervalKind, 'default'>[]>> = {
  pearson: ['fisher', 'adf'],
  spearman: ['bonett-wright', 'fieller', 'fisher'],
  kendall: ['fieller'],
};

export interface ResolvedCorrelationOptions {
  readonly method: Method;
  readonly alternative: Alternative;
  readonly level: number;
  readonly p: 'best' | 'exact' | 'approximate';
  readonly interval: Exclude<IntervalKind, 'default'>;
}

/**
 * Fills in the defaults and refuses what cannot be meant.
 * @throws {RangeError} an unknown method or alternative, a level outside (0, 1), or a p or an interval that the method does not have.
 */
export function resolveCorrelationOptions(
  method: Method,
  { alternative = 'two-sided', level = 0.95, p = 'best', interval = 'default' }: CorrelationOptions = {},
): ResolvedCorrelationOptions {
  assertMethod(method);
  assertAlternative(alternative);
  assertLevel(level);
  if (!P_CHOICES.includes(p)) throw new RangeError(`p must be one of ${P_CHOICES.join(', ')}; got ${String(p)}`);
  if (method === 'pearson' && p === 'exact') throw new RangeError('p must not be exact for pearson: it has no exact p-value');
  const kind = interval === 'default' ? INTERVAL_KINDS[method][0] : interval;
  if (!INTERVAL_KINDS[method].includes(kind)) {
    throw new RangeError(`interval must be one of ${INTERVAL_KINDS[method].join(', ')} for ${method}; got ${String(interval)}`);
  }
  return { method, alternative, level, p, interval: kind };
}

/** @throws {RangeError} an unknown method. */
export function assertMethod(method: Method): void {
  if (!(method in INTERVAL_KINDS))
    throw new RangeError(`method must be one of ${Object.keys(INTERVAL_KINDS).join(', ')}; got ${String(method)}`);
}

/** @throws {RangeError} an unknown alternative. */
export function assertAlternative(alternative: Alternative): void {
  if (!ALTERNATIVES.includes(alternative)) {
    throw new RangeError(`alternative must be one of ${ALTERNATIVES.join(', ')}; got ${String(alternative)}`);
  }
}

/** @throws {RangeError} a level that does not lie between 0 and 1. */
export function assertLevel(level: number): void {
  if (!(level > 0 && level < 1)) throw new RangeError(`level must lie between 0 and 1; got ${level}`);
}

/** @throws {RangeError} when columns that belong together differ in length. */
export function assertSameLength(x: ArrayLike<number>, ...others: readonly ArrayLike<number>[]): void {
  for (const y of others) {
    if (x.length !== y.length) throw new RangeError(`columns must have the same number of rows; got ${x.length} and ${y.length}`);
  }
}

/** @throws {RangeError} a count that is not a positive integer. */
export function assertPositiveInteger(name: string, value: number): void {
  if (!Number.isInteger(value) || value < 1) throw new RangeError(`${name} must be a positive integer; got ${value}`);
}
