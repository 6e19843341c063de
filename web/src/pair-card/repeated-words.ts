import type { CorrelationSettings, RepeatedRowsResult } from '@ivlen/contract';
import { COEFFICIENTS, formatFixed, METHOD_NAMES } from '@ivlen/core';
import { sidedness } from '../coefficients/sentence-parts';
import { coefficientText, fineCoefficientText, fineIntervalText, pRelationText, pText } from '../numbers/number-text';
import type { ValueTable } from '../tables/columns';

interface Line {
  readonly name: string;
  readonly coefficient: number | null;
  readonly low: number | null;
  readonly high: number | null;
  readonly pValue: number | null;
  readonly df: number | null;
}

/** Inside the cases, between them, and over all rows with cases drawn whole. @param identifier what names the cases: "station" */
export function repeatedTable(result: RepeatedRowsResult, identifier: string, levels: readonly number[]): ValueTable<Line> {
  const { within, between, whole } = result;
  const rows: Line[] = [
    { name: 'r within', ...within, low: within.interval?.low ?? null, high: within.interval?.high ?? null },
    { name: 'r between', ...between, low: null, high: null },
    ...METHOD_NAMES.map((method) => ({
      name: `${COEFFICIENTS[method].symbol} over all`,
      coefficient: whole[method].coefficient,
      low: whole[method].interval?.low ?? null,
      high: whole[method].interval?.high ?? null,
      pValue: null,
      df: null,
    })),
  ];
  return {
    caption: `Rows of the same ${identifier}: within each, between them, and over all rows with each ${identifier} drawn whole`,
    columns: [
      { name: '', nameInFile: 'what', shown: ({ name }) => name },
      {
        name: 'coefficient',
        shown: ({ coefficient }) => (coefficient === null ? '–' : fineCoefficientText(coefficient)),
        exact: ({ coefficient }) => coefficient,
      },
      { name: 'interval', only: 'screen', shown: ({ low, high }) => (low === null || high === null ? '' : fineIntervalText(low, high)) },
      { name: 'low', only: 'file', shown: () => '', exact: ({ low }) => low },
      { name: 'high', only: 'file', shown: () => '', exact: ({ high }) => high },
      { name: 'p', shown: ({ pValue }) => (pValue === null ? '' : pText(pValue, levels)), exact: ({ pValue }) => pValue },
      // On screen it stands in the sentence.
      { name: 'df', only: 'file', shown: ({ df }) => (df === null ? '' : String(df)), exact: ({ df }) => df },
    ],
    rows,
  };
}

/** What the rows of the same case say, in sentences. */
export function repeatedInWords(
  result: RepeatedRowsResult,
  identifier: string,
  { alternative, levels }: Pick<CorrelationSettings, 'alternative' | 'levels'>,
): string[] {
  const [alpha, side] = [levels[0] ?? 0.05, sidedness({ alternative })];
  const { n, identifiers, repeating, repeatedRows, within, between, slopes } = result;
  if (repeating === 0) return [`No ${identifier} stands in more than one of the ${n} rows: they count as one case each.`];
  const inside =
    within.coefficient === null || within.pValue === null
      ? `No coefficient within each ${identifier}: a variable does not vary inside them, or too few rows repeat.`
      : `Within each ${identifier}, r(${within.df}) = ${coefficientText(within.coefficient)}, ${pRelationText(within.pValue, [alpha])}${side}: whether rows of one ${identifier} that are higher in one are higher in the other.`;
  const outside =
    between.coefficient === null || between.pValue === null
      ? ''
      : `Between them, of their means weighted by rows, r(${between.df}) = ${coefficientText(between.coefficient)}, ${pRelationText(between.pValue, [alpha])}${side}.`;
  const alike =
    slopes.f === null || slopes.pValue === null
      ? ''
      : `That the line is equally steep in each is ${slopes.pValue <= alpha ? '' : 'not '}rejected: F(${slopes.df}, ${slopes.dfResidual}) = ${formatFixed(slopes.f, 2)}, ${pRelationText(slopes.pValue, [alpha])}.`;
  return [
    `${repeatedRows.toLocaleString('en-GB')} of ${n.toLocaleString('en-GB')} rows belong to ${repeating.toLocaleString('en-GB')} of ${identifiers.toLocaleString('en-GB')} that have several.`,
    inside,
    outside,
    alike,
    drawnInWords(result, identifier),
  ].filter((text) => text !== '');
}

function drawnInWords({ whole, replicates, seed, identifiers }: RepeatedRowsResult, identifier: string): string {
  if (!whole.pearson.interval) return identifiers < 10 ? `Fewer than ten to draw from: no intervals over all rows.` : '';
  return `Intervals over all rows are percentiles of ${replicates.toLocaleString('en-GB')} samples in which each ${identifier} comes with all its rows (seed ${seed}).`;
}
