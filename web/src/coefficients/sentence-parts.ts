import type { CorrelationSettings, Variable } from '@ivlen/contract';
import type { ChoiceWords, SentencePart } from '../methods-line/methods-parts';
import { displayName } from '../study/variable-name';
import { percent } from './cell-data';
import { coefficientNames, joined } from './coefficient-names';
import { levelsInWords } from './levels';

/** The choices about coefficients that more than one stage has in its sentence. */
export type CoefficientChoice = 'methods' | 'adjust' | 'interval' | 'control' | 'missing' | 'levels';
type Words = ChoiceWords<CoefficientChoice>;

/** Which coefficients, the first of which decides. */
export function methodsWords({ methods, control }: CorrelationSettings): Words {
  const names = coefficientNames(methods);
  return { choice: 'methods', text: control.length > 0 ? `Partial correlations by ${names}` : names, label: 'the method' };
}

export const ADJUSTMENTS: readonly { value: CorrelationSettings['adjust']; name: string; inWords: string; words: string }[] = [
  { value: 'none', name: 'Unadjusted', inWords: 'unadjusted', words: 'Each p by itself: among many pairs some are small by chance.' },
  {
    value: 'holm',
    name: 'Holm',
    inWords: 'adjusted after Holm',
    words: 'Keeps the chance of any false mark below the level; never worse than Bonferroni.',
  },
  { value: 'bonferroni', name: 'Bonferroni', inWords: 'adjusted after Bonferroni', words: 'Each p times the number of pairs.' },
  {
    value: 'hochberg',
    name: 'Hochberg',
    inWords: 'adjusted after Hochberg',
    words: 'A little stronger than Holm where tests are independent.',
  },
  {
    value: 'benjamini-hochberg',
    name: 'Benjamini and Hochberg',
    inWords: 'adjusted after Benjamini and Hochberg',
    words: 'Keeps the expected share of false ones among the marked below the level.',
  },
  {
    value: 'benjamini-yekutieli',
    name: 'Benjamini and Yekutieli',
    inWords: 'adjusted after Benjamini and Yekutieli',
    words: 'The same under any dependence among the tests.',
  },
];

/** How p-values are adjusted for their number, in words. */
export function adjustmentInWords(adjust: CorrelationSettings['adjust']): string {
  return ADJUSTMENTS.find(({ value }) => value === adjust)?.inWords ?? 'unadjusted';
}

/** @param onePair of which p is no family: that it is not adjusted says nothing */
export function adjustmentWords({ adjust }: CorrelationSettings, onePair = false): Words {
  const usual = adjust === 'none';
  return {
    choice: 'adjust',
    text: adjustmentInWords(adjust),
    label: 'the adjustment for many tests',
    usual,
    ...(onePair && usual ? { idle: true } : {}),
  };
}

export const INTERVALS: readonly { value: CorrelationSettings['interval']; name: string; inWords: string; words: string }[] = [
  {
    value: 'default',
    name: 'The usual one of each coefficient',
    inWords: 'intervals',
    words: 'Fisher’s z for r, Bonett and Wright’s for ρ, Brown and Benedetti’s for τ, which counts ties (Fieller’s below n = 10).',
  },
  {
    value: 'adf',
    name: 'Whatever the shape, for r',
    inWords: 'distribution-free intervals',
    words: 'Asymptotically distribution-free; better than Fisher’s where a shape is marked and n is not small.',
  },
  {
    value: 'fisher',
    name: 'Fisher’s z also for ρ',
    inWords: 'intervals by Fisher’s z',
    words: 'Variance 1/(n − 3): too narrow for a large ρ.',
  },
  {
    value: 'fieller',
    name: 'Fieller’s for ρ and τ',
    inWords: 'intervals after Fieller',
    words: 'Variance 1.06/(n − 3) for ρ and .437/(n − 4) for τ, whatever the ties.',
  },
  {
    value: 'bootstrap',
    name: 'Bootstrap',
    inWords: 'bootstrap intervals',
    words: 'BCa from 2,000 samples of the rows, seed 1; takes a moment where there are many pairs.',
  },
];

/** Level and kind of the intervals. */
export function intervalWords({ level, interval, control }: CorrelationSettings): Words {
  const kind = INTERVALS.find(({ value }) => value === interval)?.inWords ?? 'intervals';
  return {
    choice: 'interval',
    text: `${percent(level)} ${control.length > 0 ? 'intervals' : kind}`,
    label: 'the intervals',
    usual: interval === 'default' && level === 0.95,
  };
}

/** What is held constant: said first where something is. */
export function controlWords(
  { control }: CorrelationSettings,
  candidates: readonly Variable[],
  onePair = false,
): SentencePart<CoefficientChoice>[] {
  const held = candidates.filter(({ id }) => control.includes(id)).map(displayName);
  const words = held.length === 0 ? 'holding nothing constant' : `holding ${joined(held)} constant`;
  const usual = held.length === 0;
  return [', ', { choice: 'control', text: words, label: 'what is held constant', usual, ...(onePair && usual ? { idle: true } : {}) }];
}

const MISSING: Readonly<Record<CorrelationSettings['missing'], string>> = {
  pairwise: 'every complete pair',
  listwise: 'only rows complete for all of them',
};

/** Which rows a pair rests on. */
export function missingWords({ missing }: CorrelationSettings): Words {
  return { choice: 'missing', text: MISSING[missing], label: 'which rows are used', usual: missing === 'pairwise' };
}

/** ", one-sided" beside an interval that is open to one side; nothing where it is not. */
export function sidedness({ alternative }: Pick<CorrelationSettings, 'alternative'>): string {
  return alternative === 'two-sided' ? '' : ', one-sided';
}

/** The levels of marks and decisions. */
export function levelsWords({ levels }: CorrelationSettings): Words {
  const text = levelsInWords(levels);
  return { choice: 'levels', text, label: 'the significance levels', usual: text === '.05, .01 and .001' };
}
