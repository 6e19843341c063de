import type { PairCaution } from '@ivlen/contract';
import { CAUTION_SOURCES, citationOf, type ReferenceKey } from '@ivlen/core';
import { CAUTION_WORDS } from '../coefficients/caution-words';

/** The order of `adviseMethod`, in words. */
const ADVICE: readonly { readonly when: string; readonly what: string }[] = [
  { when: 'A variable is ordinal', what: 'Kendall’s τ, made for ties' },
  { when: 'The rule of the Shape stage marks a shape', what: 'ranks: Spearman’s ρ, or Kendall’s τ' },
  { when: 'With fewer than 50 rows, Shapiro–Wilk rejects normality at .05', what: 'ranks' },
  { when: 'A variable has fewer than 8 different values', what: 'Kendall’s τ, whose interval counts ties' },
  { when: 'r and ρ differ, or the points bend, so that a caution could change the conclusion', what: 'ranks' },
  { when: 'One row carries r, so that a caution could change the conclusion', what: 'ranks' },
  { when: 'None of these', what: 'Pearson’s r, which says most of a straight relation' },
];

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
      <h2 className="mt-6 mb-1.5">Which coefficient the card recommends</h2>
      <p className="mb-2">The first of these that holds decides, for the pair’s own variables and rows; never which p is smaller.</p>
      <ol className="list-decimal space-y-1 pl-6">
        {ADVICE.map(({ when, what }) => (
          <li key={when}>
            {when}: {what}.
          </li>
        ))}
      </ol>
      <p className="mt-4 text-muted">
        Shape is never a caution about a rank coefficient. Rows that are not independent touch every pair alike and are said once under the
        matrix. For many pairs of many rows (above four million values) cautions are looked for in the card only.
      </p>
    </>
  );
}
