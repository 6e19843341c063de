import type { CorrelationSettings, Variable } from '@ivlen/contract';
import { COEFFICIENTS, METHOD_NAMES } from '@ivlen/core';
import { CheckList } from '../methods-line/check-list';
import type { MethodsPart } from '../methods-line/methods-parts';
import { OptionList } from '../methods-line/option-list';
import { displayName } from '../study/variable-name';
import { percent } from './cell-data';
import { coefficientNames, joined } from './coefficient-names';
import { IntervalLevel } from './interval-level-editor';

export type SettingsChange = (patch: Partial<CorrelationSettings>) => void;

/** Which coefficients, the first of which decides. */
export function methodsPart({ methods, control }: CorrelationSettings, change: SettingsChange): MethodsPart {
  const names = coefficientNames(methods);
  const first = methods[0] ?? 'pearson';
  return {
    type: 'choice',
    text: control.length > 0 ? `Partial correlations by ${names}` : names,
    label: 'the method',
    content: () => (
      <>
        <OptionList
          label="Method"
          value={first}
          options={METHOD_NAMES.map((method) => ({ value: method, name: COEFFICIENTS[method].name, words: COEFFICIENTS[method].when }))}
          onChoose={(method) => change({ methods: [method, ...methods.filter((item) => item !== method && item !== first)] })}
        />
        <p className="mt-2 border-t border-rule px-2 pt-2 text-[13px] text-muted">Marks and decisions are by this one. Show besides it:</p>
        <CheckList
          label="Further coefficients"
          options={METHOD_NAMES.filter((method) => method !== first).map((method) => ({ value: method, name: COEFFICIENTS[method].name }))}
          chosen={methods.slice(1)}
          onChange={(further) => change({ methods: [first, ...further] })}
        />
      </>
    ),
  };
}

const ADJUSTMENTS: readonly { value: CorrelationSettings['adjust']; name: string; inWords: string; words: string }[] = [
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

export function adjustmentPart({ adjust }: CorrelationSettings, change: SettingsChange): MethodsPart {
  return {
    type: 'choice',
    text: adjustmentInWords(adjust),
    label: 'the adjustment for many tests',
    usual: adjust === 'none',
    content: (close) => (
      <OptionList
        label="Adjustment for many tests"
        value={adjust}
        options={ADJUSTMENTS}
        onChoose={(chosen) => {
          change({ adjust: chosen });
          close();
        }}
        remark="The family is the distinct pairs on screen that have a p. Intervals stay unadjusted."
      />
    ),
  };
}

const INTERVALS: readonly { value: CorrelationSettings['interval']; name: string; inWords: string; words: string }[] = [
  {
    value: 'default',
    name: 'The usual one of each coefficient',
    inWords: 'intervals',
    words: 'Fisher’s z for r, Bonett and Wright’s for ρ, Fieller’s for τ.',
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
  { value: 'fieller', name: 'Fieller’s also for ρ', inWords: 'intervals after Fieller', words: 'Variance 1.06/(n − 3).' },
  {
    value: 'bootstrap',
    name: 'Bootstrap',
    inWords: 'bootstrap intervals',
    words: 'BCa from 2,000 samples of the rows, seed 1; takes a moment where there are many pairs.',
  },
];

/** Level and kind of the intervals. */
export function intervalPart({ level, interval, control }: CorrelationSettings, change: SettingsChange): MethodsPart {
  const kind = INTERVALS.find(({ value }) => value === interval)?.inWords ?? 'intervals';
  const usual = interval === 'default' && level === 0.95;
  return {
    type: 'choice',
    text: `${percent(level)} ${control.length > 0 ? 'intervals' : kind}`,
    label: 'the intervals',
    usual,
    content: () => (
      <>
        <OptionList label="Kind of interval" value={interval} options={INTERVALS} onChoose={(chosen) => change({ interval: chosen })} />
        <IntervalLevel level={level} onChoose={(chosen) => change({ level: chosen })} />
      </>
    ),
  };
}

/** What is held constant: said first where something is. */
export function controlPart({ control }: CorrelationSettings, candidates: readonly Variable[], change: SettingsChange): MethodsPart[] {
  const held = candidates.filter(({ id }) => control.includes(id)).map(displayName);
  const words = held.length === 0 ? 'holding nothing constant' : `holding ${joined(held)} constant`;
  return [
    { type: 'text', text: ', ' },
    {
      type: 'choice',
      text: words,
      label: 'what is held constant',
      usual: held.length === 0,
      content: () => (
        <CheckList
          label="Variables held constant"
          options={candidates.map((variable) => ({ value: variable.id, name: displayName(variable) }))}
          chosen={control}
          onChange={(chosen) => change({ control: chosen })}
          remark="Partial correlations: what two variables share beyond what these tell of each, over rows complete for all of them. Kendall’s τ can hold one constant."
        />
      ),
    },
  ];
}
