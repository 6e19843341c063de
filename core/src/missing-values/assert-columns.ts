import { assertSameLength } from '../correlation/options';

/** @throws {RangeError} columns of unequal length, or none */
export function assertColumns(columns: readonly Float64Array[]): void {
  const [first, ...others] = columns;
  if (!first) throw new RangeError('columns must hold at least one column');
  assertSameLength(first, first, ...others);
}
