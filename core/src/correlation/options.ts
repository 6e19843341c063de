import type { Alternative, CorrelationOptions, IntervalKind, Method, PMethod } from './types';

const ALTERNATIVES: readonly Alternative[] = ['two-sided', 'greater', 'less'];
const P_CHOICES = ['best', 'exact', 'approximate'] as const;

/** What a method's options may be. */
export interface MethodTraits {
  readonly method: Method;
  /** The kinds of interval it has, its default first. */
  readonly intervals: readonly [Exclude<IntervalKind, 'default'>, ...Exclude<IntervalKind, 'default'>[]];
  readonly hasExactP: boolean;
  /** How p is got where it is not exact. */
  readonly approximateP: PMethod;
}

export interface ResolvedCorrelationOptions extends MethodTraits {
  readonly alternative: Alternative;
  readonly level: number;
  readonly p: 'best' | 'exact' | 'approximate';
  readonly interval: Exclude<IntervalKind, 'default'>;
}

/**
 * Fills in the defaults and refuses what cannot be meant.
 * @throws {RangeError} an unknown alternative, a level outside (0, 1), or a p or an interval that the method does not have.
 */
export function resolveCorrelationOptions(
  traits: MethodTraits,
  { alternative = 'two-sided', level = 0.95, p = 'best', interval = 'default' }: CorrelationOptions = {},
): ResolvedCorrelationOptions {
  const { method, intervals, hasExactP, approximateP } = traits;
  assertAlternative(alternative);
  assertLevel(level);
  if (!P_CHOICES.includes(p)) throw new RangeError(`p must be one of ${P_CHOICES.join(', ')}; got ${String(p)}`);
  if (p === 'exact' && !hasExactP) throw new RangeError(`p must not be exact for ${method}: it has no exact p-value`);
  const kind = interval === 'default' ? intervals[0] : interval;
  if (!intervals.includes(kind)) {
    throw new RangeError(`interval must be one of ${intervals.join(', ')} for ${method}; got ${String(interval)}`);
  }
  return { method, intervals, hasExactP, approximateP, alternative, level, p, interval: kind };
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
