import type { Alternative, CorrelationOptions } from './types';

const ALTERNATIVES: readonly Alternative[] = ['two-sided', 'greater', 'less'];

export type ResolvedCorrelationOptions = Readonly<Required<CorrelationOptions>>;

/**
 * Fills in the defaults and refuses what cannot be meant.
 * @throws {RangeError} an unknown alternative, or a level outside (0, 1).
 */
export function resolveCorrelationOptions({
  alternative = 'two-sided',
  level = 0.95,
}: CorrelationOptions = {}): ResolvedCorrelationOptions {
  if (!ALTERNATIVES.includes(alternative)) {
    throw new RangeError(`alternative must be one of ${ALTERNATIVES.join(', ')}; got ${String(alternative)}`);
  }
  if (!(level > 0 && level < 1)) throw new RangeError(`level must lie between 0 and 1; got ${level}`);
  return { alternative, level };
}

/** @throws {RangeError} when two columns that belong together differ in length. */
export function assertSameLength(x: Float64Array, y: Float64Array): void {
  if (x.length !== y.length) {
    throw new RangeError(`columns must have the same number of rows; got ${x.length} and ${y.length}`);
  }
}
