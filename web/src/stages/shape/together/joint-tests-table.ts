import type { JointResult, JointTest, ShapeSettings } from '@ivlen/contract';
import { formatFixed } from '@ivlen/core';
import { pText } from '../../../numbers/number-text';
import type { ValueTable } from '../../../tables/columns';

export interface JointLine {
  readonly name: string;
  readonly chosen: boolean;
  readonly symbol: string;
  readonly test: JointTest;
  readonly remark?: string;
}

/** The three tests of joint normality, Mardia's in its two parts; the chosen one stands out. */
export function jointTestsTable(data: JointResult, settings: ShapeSettings): ValueTable<JointLine> {
  const { mardia, henzeZirkler, doornikHansen } = data;
  const lines: readonly JointLine[] = [
    {
      name: 'Henze–Zirkler',
      chosen: settings.jointTest === 'henze-zirkler',
      symbol: 'HZ',
      test: henzeZirkler,
      ...(henzeZirkler.sampledFrom
        ? { remark: `from 5,000 rows drawn (seed 1) of ${henzeZirkler.sampledFrom.toLocaleString('en-GB')}` }
        : {}),
    },
    {
      name: 'Mardia, skewness',
      chosen: settings.jointTest === 'mardia',
      symbol: 'χ²',
      test: mardia.skewness,
      remark: coefficient('b₁', mardia.skewness.coefficient),
    },
    {
      name: 'Mardia, kurtosis',
      chosen: settings.jointTest === 'mardia',
      symbol: 'z',
      test: mardia.kurtosis,
      remark: `${coefficient('b₂', mardia.kurtosis.coefficient)}; ${data.variables.length * (data.variables.length + 2)} expected`,
    },
    { name: 'Doornik–Hansen', chosen: settings.jointTest === 'doornik-hansen', symbol: 'χ²', test: doornikHansen },
  ];
  return {
    caption: 'Tests of joint normality',
    columns: [
      {
        name: 'test',
        shown: ({ name }) => name,
      },
      {
        name: 'statistic',
        shown: ({ symbol, test }) => (test.statistic === null ? '–' : `${symbol} ${formatFixed(test.statistic, 2)}`),
        exact: ({ test }) => test.statistic,
      },
      { name: 'df', shown: ({ test }) => String(test.df ?? ''), exact: ({ test }) => test.df },
      {
        name: 'p',
        shown: ({ test }) => (test.pValue === null ? '–' : pText(test.pValue, [settings.level])),
        exact: ({ test }) => test.pValue,
      },
    ],
    rows: lines,
    isStrong: ({ chosen }) => chosen,
  };
}

function coefficient(symbol: string, value: number | null): string {
  return `${symbol} ${value === null ? '–' : formatFixed(value, 2)}`;
}
