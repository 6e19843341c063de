import type { Variable } from '@ivlen/contract';
import type { ValueSuspicion } from './effect-table';

/** A value as it was measured, with its unit. */
export function shownValue(value: number, { unit }: Variable): string {
  return `${String(value).replace('-', '−')}${unit ? ` ${unit}` : ''}`;
}

/** What is odd about a value, after its row. */
export function oddityInWords({ reason, suggestion }: ValueSuspicion, { validRange }: Variable): string {
  switch (reason) {
    case 'below-range':
      return `is below the smallest possible value, ${validRange?.low}.`;
    case 'above-range':
      return `is above the largest possible value, ${validRange?.high}.`;
    case 'decimal-slip':
      return `is far out, and would fit with the decimal point moved: ${suggestion}.`;
    case 'far-out':
      return 'is far from all the others.';
  }
}
