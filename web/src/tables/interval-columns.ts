import { formatInterval } from '@ivlen/core';
import type { TableColumn } from './columns';

interface Limits {
  readonly low: number;
  readonly high: number;
}

/** An interval of coefficients: one cell to be read, its two limits in a file. */
export function intervalColumns<Row>(name: string, of: (row: Row) => Limits | null | undefined, decimals?: number): TableColumn<Row>[] {
  return [
    {
      name,
      shown: (row) => {
        const interval = of(row);
        return interval ? formatInterval(interval.low, interval.high, decimals) : '–';
      },
      only: 'screen',
    },
    { name: 'low', shown: () => '', exact: (row) => of(row)?.low ?? null, only: 'file' },
    { name: 'high', shown: () => '', exact: (row) => of(row)?.high ?? null, only: 'file' },
  ];
}
