import type { RowCost } from '@ivlen/contract';

/** Below this share of the rows in use, the loss is a caution. */
const COSTLY_BELOW = 0.8;
const MOST_NAMED = 3;

export function isCostly(n: number, rowsInUse: number): boolean {
  return n < COSTLY_BELOW * rowsInUse;
}

/** "12 of 248 rows in use lack a value of one or more. Most by chlorophyll (9 missing; 245 rows without it)." */
export function costsInWords(n: number, rowsInUse: number, costs: readonly RowCost[], nameOf: (id: string) => string): string {
  const lost = rowsInUse - n;
  if (lost <= 0) return '';
  const first = `${lost.toLocaleString('en-GB')} of ${rowsInUse.toLocaleString('en-GB')} rows in use ${lost === 1 ? 'lacks' : 'lack'} a value of one or more of these.`;
  const dear = costs
    .filter(({ missing }) => missing > 0)
    .sort((a, b) => b.without - a.without || b.missing - a.missing)
    .slice(0, MOST_NAMED);
  const each = dear.map(
    ({ variable, missing, without }) =>
      `${nameOf(variable)} (${missing.toLocaleString('en-GB')} missing; ${without > n ? `${without.toLocaleString('en-GB')} rows complete without it` : 'none gained without it alone'})`,
  );
  return `${first} ${dear.length > 1 ? 'Most by' : 'By'} ${each.join(', ')}.`;
}
