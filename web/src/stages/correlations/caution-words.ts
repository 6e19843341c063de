import type { PairCaution } from '@ivlen/contract';
import { formatCoefficient, formatFixed, formatPRelation } from '@ivlen/core';

interface CautionWords {
  /** Two or three words. */
  readonly short: string;
  /** What it means for the coefficient, with the figures it rests on. */
  readonly sentence: (figures: PairCaution['figures']) => string;
  /** When it is raised. */
  readonly threshold: string;
}

const value = (figures: PairCaution['figures'], name: string) => figures[name] ?? Number.NaN;
const coefficient = (figures: PairCaution['figures'], name: string) => formatCoefficient(value(figures, name));
const groupTest = (figures: PairCaution['figures']) =>
  `Q(${value(figures, 'df')}) = ${formatFixed(value(figures, 'q'), 2)}, ${formatPRelation(value(figures, 'pValue'))}`;

/** Cautions about a coefficient, in words; the thresholds are the core's. */
export const CAUTION_WORDS: Readonly<Record<PairCaution['code'], CautionWords>> = {
  shape: {
    short: 'shape',
    sentence: () =>
      'The shape of a variable is marked: r may rest on few values, and its interval can be off; the test of no association is less touched.',
    threshold: 'Skewness or excess kurtosis of either variable beyond the rule of the Shape stage; Pearson’s r only.',
  },
  curved: {
    short: 'curved',
    sentence: (f) =>
      `The relation is curved: a parabola tells ${formatFixed(100 * value(f, 'gain'), 1)} % more of the variance than the line, and |ρ| is ${formatCoefficient(value(f, 'rankAdvantage'))} above |r|. r tells only its straight part.`,
    threshold: 'A quadratic term with p < .01 that adds at least 2 % of the variance, in either direction; or |ρ| at least .10 above |r|.',
  },
  'fan-shaped': {
    short: 'fan-shaped',
    sentence: (f) =>
      `The points spread wider at one end (${formatPRelation(value(f, 'pValue'))}): the usual interval of r can be too narrow.`,
    threshold: 'Breusch–Pagan test in Koenker’s form with p < .01, n of at least 30.',
  },
  'few-cases': {
    short: 'few cases',
    sentence: (f) => `Only ${value(f, 'n')} rows: any coefficient this small a sample gives is uncertain.`,
    threshold: 'Fewer than 10 rows.',
  },
  'many-missing': {
    short: 'many missing',
    sentence: (f) => `${value(f, 'n')} of ${value(f, 'rowsInUse')} rows in use have both values; those missing may differ.`,
    threshold: 'Fewer than 80 % of the rows in use have both values.',
  },
  ties: {
    short: 'many ties',
    sentence: (f) =>
      `${formatFixed(100 * Math.max(value(f, 'tiedX'), value(f, 'tiedY')), 0)} % of the pairs of rows tie in one variable: ranks tell less there.`,
    threshold: 'More than a quarter of all pairs of rows tie in one variable; rank coefficients only.',
  },
  'one-point': {
    short: 'one point carries it',
    sentence: (f) => `One row carries it: ${coefficient(f, 'coefficient')} with it, ${coefficient(f, 'without')} without.`,
    threshold: 'Without one row the sign flips, or Fisher’s z moves by its standard error or more.',
  },
  'groups-differ': {
    short: 'groups differ',
    sentence: (f) => `The groups’ coefficients differ (${groupTest(f)}): the one over all rows is a mixture.`,
    threshold: 'Test of homogeneity of the groups’ coefficients with p < .05.',
  },
  'groups-reverse': {
    short: 'sign reverses in groups',
    sentence: (f) => `Inside every group the sign is the other one (${groupTest(f)}): it is the groups that differ, not the cases in them.`,
    threshold: 'p < .05 over all rows, and every group that can be tested has the other sign.',
  },
  'groups-hide': {
    short: 'groups hide it',
    sentence: (f) => `Hardly any association over all rows, but a clear one in a group (${groupTest(f)}).`,
    threshold: 'Below .10 over all rows, .30 or more and significant after Holm in some group, and the groups differ.',
  },
  'method-disagreement': {
    short: 'methods disagree',
    sentence: (f) =>
      `The methods disagree: r ${coefficient(f, 'pearson')}, ρ ${coefficient(f, 'spearman')}, τ ${coefficient(f, 'kendall')}.`,
    threshold: 'r and ρ differ by .10 or more, or one is significant and the other not.',
  },
  'shares-a-component': {
    short: 'shares a component',
    sentence: () => 'Both are computed from the same variable, so that a part of the coefficient is made by the arithmetic.',
    threshold: 'One variable enters the other, or a third enters both.',
  },
  'rows-not-independent': {
    short: 'rows not independent',
    sentence: () =>
      'An identifier repeats: rows of the same case are not independent, so that n is counted too high and p comes out too small.',
    threshold: 'A value of an identifier stands in more than one row in use.',
  },
  ordinal: {
    short: 'ordinal',
    sentence: () => 'One variable is ordinal; r takes the steps between its values as equal.',
    threshold: 'A variable of kind ordinal under Pearson’s r.',
  },
};
