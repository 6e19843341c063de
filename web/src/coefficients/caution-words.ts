import type { PairCaution } from '@ivlen/contract';
import { COEFFICIENTS, decideDifferently, formatFixed, type Method } from '@ivlen/core';
import { coefficientText, intervalText, pRelationText, pText } from '../numbers/number-text';
import { rowInWords } from '../study/row-in-words';

/** What a caution's words speak of. */
export interface CautionSubject {
  /** Names of the two variables. */
  readonly x: string;
  readonly y: string;
  /** The method that the pair is reported by. */
  readonly method: Method;
  /** The variable that names the cases. */
  readonly identifier?: string | null;
}

interface CautionWords {
  /** Two or three words. */
  readonly short: string;
  /** What it means for the coefficient, with the values it rests on. */
  readonly sentence: (values: PairCaution['values'], subject: CautionSubject, remedy: PairCaution['remedy']) => string;
  /** When it is raised. */
  readonly threshold: string;
  /** What is done about it, with the values of which it is judged. */
  readonly remedy: string;
}

const value = (values: PairCaution['values'], name: string) => values[name] ?? Number.NaN;
const coefficient = (values: PairCaution['values'], name: string) => coefficientText(value(values, name));
const groupTest = (values: PairCaution['values']) =>
  `Q(${value(values, 'df')}) = ${formatFixed(value(values, 'q'), 2)}, ${pRelationText(value(values, 'pValue'))}`;

/** Cautions about a coefficient, in words; the thresholds are the core's. */
export const CAUTION_WORDS: Readonly<Record<PairCaution['code'], CautionWords>> = {
  shape: {
    short: 'shape',
    sentence: () =>
      'The shape of a variable is marked: r may rest on few values, and its interval can be off; the test of no association is less touched.',
    threshold: 'Skewness or excess kurtosis of either variable beyond the rule of the Shape stage; Pearson’s r only.',
    remedy: 'ρ instead of r',
  },
  curved: {
    short: 'curved',
    sentence: (f, { x, y }) => {
      const [of, on] = value(f, 'direction') === 1 ? [x, y] : [y, x];
      return `The relation is curved: ${of} as a parabola of ${on} tells ${formatFixed(100 * value(f, 'gain'), 1)} % more of the variance than the line, and |ρ| is ${aboveOrBelow(value(f, 'rankAdvantage'))} |r|. r tells only its straight part.`;
    },
    threshold:
      'A quadratic term with p < .01 that adds at least 2 % of the variance, in either direction; or |ρ| above |r| by .10, below 112 rows by 1.05/√(n − 1). Pearson’s r only.',
    remedy: 'ρ where the smooth curve runs one way; else the multiple R of the parabola, against |r|',
  },
  'fan-shaped': {
    short: 'fan-shaped',
    sentence: (f) =>
      `The points spread wider at one end (${pRelationText(value(f, 'pValue'))}): the usual interval of r can be too narrow.`,
    threshold: 'Breusch–Pagan test in Koenker’s form with p < .01, n of at least 30; Pearson’s r only.',
    remedy: 'the distribution-free interval of r, and its p',
  },
  'few-cases': {
    short: 'few cases',
    sentence: (f) => `Only ${value(f, 'n')} rows: any coefficient of so small a sample is uncertain.`,
    threshold: 'Fewer than 10 rows.',
    remedy: 'for r the p of a permutation test; ρ and τ have theirs exact already',
  },
  'many-missing': {
    short: 'many missing',
    sentence: (f) => `${value(f, 'n')} of ${value(f, 'rowsInUse')} rows in use have both values; those missing may differ.`,
    threshold: 'Fewer than 80 % of the rows in use have both values.',
    remedy: 'r by maximum likelihood, which uses rows with one of the two as well; for ranks none: it stays a note',
  },
  ties: {
    short: 'many ties',
    sentence: (f) =>
      `${formatFixed(100 * Math.max(value(f, 'tiedX'), value(f, 'tiedY')), 0)} % of the pairs of rows tie in one variable: ranks tell less there.`,
    threshold: 'More than a quarter of all pairs of rows tie in one variable; rank coefficients only.',
    remedy: 'none yet: it stays a note',
  },
  'one-point': {
    short: 'one point carries it',
    sentence: (_, __, remedy) =>
      `One row carries it${remedy?.row ? `, ${rowInWords(remedy.row, remedy.name)}` : ''}: without it the coefficient moves further than chance would move it, or changes its sign.`,
    threshold:
      'Without one row Fisher’s z moves by its standard error or more (below 35 rows .43 + 3.18/√(n − 3) of them, which 5 % of normal samples reach), or a sign that was or becomes significant flips.',
    remedy: 'the coefficient without that row; below 61 rows it must move by 6/(n − 1)',
  },
  'groups-differ': {
    short: 'groups differ',
    sentence: (f) => `The groups’ coefficients differ (${groupTest(f)}): the one over all rows is a mixture.`,
    threshold: 'Test of homogeneity of the groups’ coefficients with p < .05.',
    remedy: 'the coefficient within groups; decisive as well where two groups of opposite sign are both significant',
  },
  'groups-reverse': {
    short: 'sign reverses in groups',
    sentence: (f) => `Inside every group the sign is the other one (${groupTest(f)}): it is the groups that differ, not the cases in them.`,
    threshold: 'p < .05 over all rows, and every group that can be tested has the other sign.',
    remedy: 'the coefficient within groups; always decisive',
  },
  'groups-hide': {
    short: 'groups hide it',
    sentence: (f) => `Hardly any association over all rows, but a clear one in a group (${groupTest(f)}).`,
    threshold: 'Below .10 over all rows, .30 or more and significant after Holm in some group, and the groups differ.',
    remedy: 'the groups one by one; always decisive',
  },
  'method-disagreement': {
    short: 'methods disagree',
    sentence: (f) =>
      `The methods disagree: r ${coefficient(f, 'pearson')}, ρ ${coefficient(f, 'spearman')}, τ ${coefficient(f, 'kendall')}.`,
    threshold: 'r and ρ differ by .10, below 112 rows by 1.05/√(n − 1), or decide clearly differently.',
    remedy: 'ρ instead of r; decisive under r, a note under ρ and τ',
  },
  'shares-a-component': {
    short: 'shares a component',
    sentence: () => 'Both are computed from the same variable, so that a part of the coefficient is made by the arithmetic.',
    threshold: 'One variable enters the other, or a third enters both.',
    remedy: 'the common part held constant; where it is one of the two, what else the other is made of in its place',
  },
  'rows-not-independent': {
    short: 'rows not independent',
    sentence: (f, { identifier }) =>
      `${repeatsInWords(value(f, 'repeatedRows'), identifier)}, so that n is counted too high and p comes out too small.`,
    threshold: 'A value of the identifier that names the cases stands in more than one row in use.',
    remedy: 'the coefficient within the cases; it decides where at least half of the rows repeat',
  },
  ordinal: {
    short: 'ordinal',
    sentence: (f) => {
      const [empty, cells] = [value(f, 'emptyCells'), value(f, 'cells')];
      const half = cells === 4 && empty === 1 ? ', which counts as half a row behind the steps' : '';
      const none = empty > 0 ? ` ${empty} of ${cells} pairs of levels ${empty === 1 ? 'holds' : 'hold'} no row${half}.` : '';
      return `One variable is ordinal; r takes the steps between its values as equal.${none}`;
    },
    threshold: 'A variable of kind ordinal under Pearson’s r.',
    remedy: 'the polychoric or polyserial correlation, of normal variables behind the steps; or ρ instead of r',
  },
  'below-limit': {
    short: 'below a limit',
    sentence: (f, { x, y }) => {
      const of = (count: number, name: string) => (count === 0 ? [] : [`${count} of ${value(f, 'n')} values of ${name}`]);
      const counts = [...of(value(f, 'belowX'), x), ...of(value(f, 'belowY'), y)];
      return `${counts.join(' and ')} lie below the detection limit and stand as if they had been measured there.`;
    },
    threshold: 'A value at or below the detection limit that the codebook gives for a variable.',
    remedy: 'r by maximum likelihood, on logarithms where both variables are above zero; ρ and τ with all below the highest limit tied',
  },
};

/** "24 rows share their station with another row: rows of the same case are not independent". @param identifier the variable that names the cases */
export function repeatsInWords(rows: number, identifier: string | null | undefined): string {
  return `${rows.toLocaleString('en-GB')} rows share their ${identifier ?? 'identifier'} with another row: rows of the same case are not independent`;
}

function aboveOrBelow(advantage: number): string {
  return `${coefficientText(Math.abs(advantage))} ${advantage < 0 ? 'below' : 'above'}`;
}

/** What heeding a caution gives, with the two p-values where the decision would be another; null where nothing is computed. */
export function remedyInWords(
  { found, remedy, values }: PairCaution,
  { method, identifier }: CautionSubject,
  alpha: number,
): string | null {
  if (!remedy || remedy.coefficient === null) return null;
  const { symbol } = COEFFICIENTS[method];
  const becomes = coefficientText(remedy.coefficient);
  const interval = remedy.low !== null && remedy.high !== null ? ` ${intervalText(remedy.low, remedy.high)}` : '';
  const before = coefficientText(found.coefficient ?? Number.NaN);
  const said = {
    ranks: `By ranks ρ = ${becomes}, where ${symbol} = ${before}`,
    parabola: `The parabola’s multiple R = ${becomes}, where |${symbol}| = ${coefficientText(Math.abs(found.coefficient ?? Number.NaN))}`,
    'distribution-free': `Free of that, the interval of ${symbol} = ${before} is${interval}`,
    permutation: `By permutation p = ${pText(remedy.pValue ?? Number.NaN)}, where t has p = ${pText(found.pValue ?? Number.NaN)}`,
    'without-row': `Without it ${symbol} = ${becomes}, with it ${before}`,
    'within-groups': `Within groups ${symbol} = ${becomes}${interval}, over all rows ${before}`,
    'within-cases': `Within ${identifier ? `each ${identifier}` : 'the cases'} ${symbol} = ${becomes}${interval} (n = ${remedy.n}), over all rows ${before}`,
    'maximum-likelihood': `By maximum likelihood, which also uses rows that lack one of the two (n = ${remedy.n}), ${symbol} = ${becomes}${interval}, of complete pairs ${before}`,
    'behind-steps': `If normal variables were behind the steps ${symbol} = ${becomes}${interval}, of the steps as numbers ${before}`,
    'below-limit': `With what lies below its limit as such ${symbol} = ${becomes}${interval}${remedy.kind === 'below-limit' && values.logs === 1 && method === 'pearson' ? ', of logarithms' : ''}, as it stands ${before}`,
    'component-constant': `With the common part held constant ${symbol} = ${becomes}, as it stands ${before}`,
    'remaining-part': `The common part with what else the other is made of: ${symbol} = ${becomes}, as it stands ${before}`,
  }[remedy.kind];
  const [a, b] = [found, remedy].map((judged) => ({ coefficient: judged.coefficient ?? Number.NaN, pValue: judged.pValue ?? Number.NaN }));
  const differently = a !== undefined && b !== undefined && remedy.kind !== 'permutation' && decideDifferently(a, b, alpha);
  return `${said}${differently ? `: ${pRelationText(b.pValue, [alpha])} instead of ${pRelationText(a.pValue, [alpha])}` : ''}.`;
}
