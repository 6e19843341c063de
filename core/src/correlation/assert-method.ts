import { METHOD_NAMES } from '../display/coefficients';
import type { Method } from './types';

/** @throws {RangeError} an unknown method. */
export function assertMethod(method: Method): void {
  if (!METHOD_NAMES.includes(method)) throw new RangeError(`method must be one of ${METHOD_NAMES.join(', ')}; got ${String(method)}`);
}
