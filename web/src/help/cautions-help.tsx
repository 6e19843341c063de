import type { PairCaution } from '@ivlen/contract';
import { CAUTION_SOURCES, citationOf, type ReferenceKey } from '@ivlen/core';
import { CAUTION_WORDS } from '../coefficients/caution-words';

/** When each caution is raised, and which underline a coefficient. */
export function CautionsHelp() {
  const entries = Object.entries(CAUTION_WORDS) as [PairCaution['code'], (typeof CAUTION_WORDS)[PairCaution['code']]][];
  return (
    <>
      <p className="mb-4 font-serif text-[17px]">
        A coefficient says how closely two columns of numbers go together; whether it says what it seems to depends on the data behind it.
        Each coefficient is looked over for the following. Each says what comes out if it is heeded. A wavy underline stands for those that
        could change the conclusion: where what is done about it decides clearly differently at the first level (p at most the level for
        one, above twice the level for the other), or the coefficient differs by .10 or more. All else is noted in the card of the pair.
        Thresholds are judged on unrounded values.
      </p>
      <table className="w-full">
        <thead>
          <tr className="border-b border-edge text-left text-muted">
            <th scope="col" className="py-1.5 pr-4 font-normal">
              caution
            </th>
            <th scope="col" className="py-1.5 pr-4 font-normal">
              raised when
            </th>
            <th scope="col" className="py-1.5 pr-4 font-normal">
              what is done about it
            </th>
            <th scope="col" className="py-1.5 font-normal">
              source
            </th>
          </tr>
        </thead>
        <tbody>
          {entries.map(([code, { short, threshold, remedy }]) => (
            <tr key={code} className="border-b border-rule align-top">
              <th scope="row" className="py-2 pr-4 text-left whitespace-nowrap">
                {short}
              </th>
              <td className="py-2 pr-4">{threshold}</td>
              <td className="py-2 pr-4">{remedy}</td>
              <td className="py-2 text-muted">{citationOf(CAUTION_SOURCES[code] as readonly ReferenceKey[]) || 'our own rule'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-4 text-muted">
        Shape is never a caution about a rank coefficient. Rows that are not independent touch every pair alike and are said once under the
        matrix. For many pairs of many rows (above four million values) cautions are looked for in the card only.
      </p>
    </>
  );
}
