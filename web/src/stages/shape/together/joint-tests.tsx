import type { JointResult, JointTest, ShapeSettings } from '@ivlen/contract';
import { formatFixed, formatP } from '@ivlen/core';

interface JointTestsProps {
  readonly data: JointResult;
  readonly settings: ShapeSettings;
}

/** The three tests of joint normality, Mardia's in its two parts; the chosen one stands out. */
export function JointTests({ data, settings }: JointTestsProps) {
  const { mardia, henzeZirkler, doornikHansen } = data;
  const lines: readonly { name: string; chosen: boolean; symbol: string; test: JointTest; remark?: string }[] = [
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
  return (
    <table className="figures w-full">
      <caption className="pb-1 text-left text-[13px] text-muted">Tests of joint normality</caption>
      <thead>
        <tr className="border-b border-edge text-[13px] text-muted">
          <th scope="col" className="py-1 text-left font-normal">
            test
          </th>
          <th scope="col" className="text-right font-normal">
            statistic
          </th>
          <th scope="col" className="text-right font-normal">
            df
          </th>
          <th scope="col" className="text-right font-normal">
            p
          </th>
        </tr>
      </thead>
      <tbody>
        {lines.map(({ name, chosen, symbol, test, remark }) => (
          <tr key={name} className={`border-b border-rule ${chosen ? 'font-semibold' : 'font-normal'}`}>
            <th scope="row" className={`py-1 text-left ${chosen ? 'font-semibold' : 'font-normal'}`}>
              {name}
              {remark && <span className="block text-[12px] font-normal text-muted">{remark}</span>}
            </th>
            <td className="text-right whitespace-nowrap">
              {test.statistic === null ? '–' : `${symbol} ${formatFixed(test.statistic, 2)}`}
            </td>
            <td className="text-right">{test.df ?? ''}</td>
            <td className="text-right whitespace-nowrap">{test.pValue === null ? '–' : formatP(test.pValue, [settings.level])}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function coefficient(symbol: string, value: number | null): string {
  return `${symbol} ${value === null ? '–' : formatFixed(value, 2)}`;
}
