import type { PairTest } from '@ivlen/contract';
import { COEFFICIENTS, formatCoefficient, formatFixed, type IntervalKind, type Method } from '@ivlen/core';

type Interval = NonNullable<PairTest['interval']>;

/** How the standard error of z comes about, by the kind of interval. @param less "− k" for k variables held constant */
const STANDARD_ERRORS: Readonly<Record<Exclude<IntervalKind, 'default'>, (method: Method, less: string) => string>> = {
  fisher: (_, less) => `1/√(n − 3${less})`,
  'bonett-wright': () => '√((1 + ρ²/2)/(n − 3))',
  fieller: (method, less) => (method === 'kendall' ? '√(.437/(n − 4))' : `√(1.06/(n − 3${less}))`),
  adf: () => 'from the fourth moments of the rows (Hawkins 1989)',
  'brown-benedetti': () => 'the larger of two that count ties: by the concordances of each row, and as for p',
};

/** One step of an interval: what is done, as it is read, and with all digits. */
export interface IntervalStep {
  readonly words: string;
  readonly shown: string;
  readonly exact: number;
}

/** How an interval came about on the scale of Fisher's z, step by step; none where it was got otherwise. @param held how many variables are held constant */
export function intervalSteps(method: Method, interval: Interval, alternative: PairOfAlternative, held = 0): IntervalStep[] {
  const { steps, low, high } = interval;
  if (!steps) return [];
  const { symbol } = COEFFICIENTS[method];
  const formula = standardErrorOf(interval.method)?.(method, held > 0 ? ` − ${held}` : '') ?? '';
  const reach = steps.quantile * steps.se;
  const limit = (words: string, sign: '−' | '+', back: number): IntervalStep[] => {
    const z = sign === '−' ? steps.z - reach : steps.z + reach;
    return [
      { words: `${words}, as z: z ${sign} q · SE`, shown: formatFixed(z, 4), exact: z },
      { words: `${words}, back: tanh of it`, shown: formatCoefficient(back, 4), exact: back },
    ];
  };
  return [
    { words: `z = artanh ${symbol} = ½ ln((1 + ${symbol})/(1 − ${symbol}))`, shown: formatFixed(steps.z, 4), exact: steps.z },
    { words: `SE of z${formula ? `: ${formula}` : ''}`, shown: formatFixed(steps.se, 4), exact: steps.se },
    {
      words: `q, ${steps.df === undefined ? 'normal' : `Student’s, ${steps.df} df`}, for ${Math.round(1000 * interval.level) / 10} %${alternative === 'two-sided' ? '' : ', one-sided'}`,
      shown: formatFixed(steps.quantile, 4),
      exact: steps.quantile,
    },
    ...(alternative === 'less' ? [] : limit('lower limit', '−', low)),
    ...(alternative === 'greater' ? [] : limit('upper limit', '+', high)),
  ];
}

type PairOfAlternative = 'two-sided' | 'greater' | 'less';

function standardErrorOf(kind: string) {
  return Object.entries(STANDARD_ERRORS).find(([name]) => name === kind)?.[1];
}
