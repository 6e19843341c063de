import type { ScalesResult } from '@ivlen/contract';
import { COEFFICIENTS, formatCoefficient, METHOD_NAMES } from '@ivlen/core';
import { SCALE_WORDS } from './scale-words';

const OF_RANKS = METHOD_NAMES.filter((method) => COEFFICIENTS[method].ofRanks);
const OF_VALUES = METHOD_NAMES.filter((method) => !COEFFICIENTS[method].ofRanks);

interface CorrelationsOnScalesProps {
  readonly scales: ScalesResult['scales'];
  readonly nameOf: (variable: string) => string;
}

/** What the correlations of a variable become: ranks once, since scales that keep the order leave them alone, r on each scale. */
export function CorrelationsOnScales({ scales, nameOf }: CorrelationsOnScalesProps) {
  const taken = scales.filter(({ shape }) => shape !== null);
  const raw = taken.find(({ scale }) => scale === 'raw')?.correlations ?? [];
  const shown = (value: number | null | undefined) => formatCoefficient(value ?? Number.NaN);
  return (
    <div className="mt-2 overflow-x-auto">
      <table className="figures">
        <caption className="pb-1 text-left text-[13px] text-muted">
          Rank coefficients are the same on every scale that keeps the order; r is given on each.
        </caption>
        <thead>
          <tr className="border-b border-edge text-[13px] text-muted">
            <th scope="col" className="pr-4 text-left font-normal">
              with
            </th>
            {OF_RANKS.map((method) => (
              <th key={method} scope="col" className="px-3 text-right font-normal">
                {COEFFICIENTS[method].symbol}
              </th>
            ))}
            {OF_VALUES.flatMap((method) =>
              taken.map(({ scale }) => (
                <th key={`${method} ${scale}`} scope="col" className="max-w-24 px-3 text-right align-bottom font-normal">
                  {COEFFICIENTS[method].symbol}, {SCALE_WORDS[scale]}
                </th>
              )),
            )}
          </tr>
        </thead>
        <tbody>
          {raw.map((partner) => (
            <tr key={partner.with} className="border-b border-rule">
              <th scope="row" className="py-0.5 pr-4 text-left font-normal whitespace-nowrap">
                {nameOf(partner.with)}
              </th>
              {OF_RANKS.map((method) => (
                <td key={method} className="px-3 text-right">
                  {shown(partner.coefficients[method])}
                </td>
              ))}
              {OF_VALUES.flatMap((method) =>
                taken.map(({ scale, correlations }) => (
                  <td key={`${method} ${scale}`} className="px-3 text-right">
                    {shown(correlations.find((item) => item.with === partner.with)?.coefficients[method])}
                  </td>
                )),
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
