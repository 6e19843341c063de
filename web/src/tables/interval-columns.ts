import { intervalText } from '../numbers/number-text';
import type { TableColumn } from './columns';

interface Limits {
  readonly low: number;
  readonly high: number;
}

/** An interval of coefficients: one cell to be read, its two limits in a file. @param write how it is read */
export function intervalColumns<Row>(name: string, of: (row: Row) => Limits | null | undefined, write = intervalText): TableColumn<Row>[] {
  return [
    {
      name,
      shown: (row) => {
        const interval = of(row);
        return interval ? write(interval.low, interval.high) : '–';
      },
      only: 'screen',
    },
    { name: 'low', shown: () => '', exact: (row) => of(row)?.low ?? null, only: 'file' },
    { name: 'high', shown: () => '', exact: (row) => of(row)?.high ?? null, only: 'file' },
  ];
}
