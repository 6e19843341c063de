import type { GapsResult } from '@ivlen/contract';
import { formatFixed } from '@ivlen/core';
import { fineCoefficientText, fineIntervalText, pRelationText } from '../../../numbers/number-text';
import type { ValueTable } from '../../../tables/columns';

type Pair = GapsResult['pairs'][number];
type Variable = GapsResult['variables'][number];
type NameOf = (id: string) => string;

/** What Little's test says, and what no test can. @param alpha level of decisions */
export function littleInWords({ little, variables, converged, iterations, n }: GapsResult, alpha: number): string {
  const { statistic, df, pValue, patterns } = little;
  if (!converged)
    return `Maximum likelihood did not settle in ${iterations.toLocaleString('en-GB')} rounds over ${n.toLocaleString('en-GB')} rows: a variable does not vary, or too little is there together.`;
  if (statistic === null || pValue === null) return 'No value of these variables is missing: there is nothing to test.';
  const test = `Little’s test over ${variables.length} variables and ${patterns.toLocaleString('en-GB')} patterns: d² = ${formatFixed(statistic, 2)}, df = ${df}, ${pRelationText(pValue, [alpha])}`;
  return pValue <= alpha
    ? `${test}. The means differ by what is missing, so that values are not missing completely at random: what rests on complete pairs or complete rows may be off. Maximum likelihood allows for what is there of a row.`
    : `${test}: no departure from values missing completely at random detected, as far as means can tell. Whether a value is missing because of itself, no test can see.`;
}

/** Pairs whose ways differ by so much are worth a look. */
const WORTH_A_LOOK = 0.05;
const MOST_SHOWN = 15;

/** The pairs whose ways are furthest apart: those worth a look, as far as there is room, or three; and how many are worth one. */
export function threeWays({ pairs, completeRows }: GapsResult, nameOf: NameOf): { table: ValueTable<Pair>; worth: number } {
  const sorted = pairs.toSorted((a, b) => (b.apart ?? 0) - (a.apart ?? 0));
  const worth = pairs.filter(({ apart }) => (apart ?? 0) >= WORTH_A_LOOK).length;
  const text = (value: number | null) => (value === null ? '–' : fineCoefficientText(value));
  return {
    worth,
    table: {
      caption: `Pearson’s r by three ways: every complete pair, the ${completeRows.toLocaleString('en-GB')} complete rows, maximum likelihood`,
      columns: [
        { name: 'pair', shown: ({ a, b }) => `${nameOf(a)} × ${nameOf(b)}` },
        { name: 'pairwise', shown: ({ pairwise }) => text(pairwise), exact: ({ pairwise }) => pairwise },
        { name: 'n', shown: ({ pairwiseN }) => pairwiseN.toLocaleString('en-GB'), exact: ({ pairwiseN }) => pairwiseN },
        { name: 'listwise', shown: ({ listwise }) => text(listwise), exact: ({ listwise }) => listwise },
        { name: 'maximum likelihood', shown: ({ likely }) => text(likely), exact: ({ likely }) => likely },
        {
          name: 'its 95 % interval',
          only: 'screen',
          shown: ({ likelyLow, likelyHigh }) => (likelyLow === null || likelyHigh === null ? '' : fineIntervalText(likelyLow, likelyHigh)),
        },
        { name: 'low', only: 'file', shown: () => '', exact: ({ likelyLow }) => likelyLow },
        { name: 'high', only: 'file', shown: () => '', exact: ({ likelyHigh }) => likelyHigh },
      ],
      rows: sorted.slice(0, Math.max(3, Math.min(worth, MOST_SHOWN))),
    },
  };
}

/** How many pairs are worth a look, and what of them the table shows. */
export function worthInWords(worth: number, shown: number): string {
  if (worth === 0)
    return `No pair differs by .05 or more between the ways; ${shown === 1 ? 'it' : `the ${shown} that differ most`} ${shown === 1 ? 'is' : 'are'} shown.`;
  const differ = `${worth.toLocaleString('en-GB')} ${worth === 1 ? 'pair differs' : 'pairs differ'} by .05 or more between the ways`;
  return worth > shown ? `${differ}; the ${shown} that differ most are shown.` : `${differ}.`;
}

/** Means and SDs of what is there, and by maximum likelihood, of the variables with gaps. */
export function momentsTable({ variables, n }: GapsResult, nameOf: NameOf): ValueTable<Variable> {
  const rows = variables.filter((variable) => variable.n < n);
  const column = (name: string, of: (variable: Variable) => number | null) => ({
    name,
    shown: (variable: Variable) => {
      const value = of(variable);
      return value === null ? '–' : formatFixed(value, decimalsBySpread(variable.sd ?? 1));
    },
    exact: of,
  });
  return {
    caption: 'Means and SDs of what is there, and by maximum likelihood',
    columns: [
      { name: 'variable', shown: ({ id }) => nameOf(id) },
      { name: 'n', shown: ({ n: there }) => there.toLocaleString('en-GB'), exact: ({ n: there }) => there },
      column('mean', ({ mean }) => mean),
      column('mean, likelihood', ({ likelyMean }) => likelyMean),
      column('SD', ({ sd }) => sd),
      column('SD, likelihood', ({ likelySd }) => likelySd),
    ],
    rows,
  };
}

/** As many decimals as tell a thousandth of the spread. */
function decimalsBySpread(sd: number): number {
  return sd > 0 ? Math.max(0, Math.min(9, 3 - Math.floor(Math.log10(sd)))) : 2;
}
