import type { CorrelationSettings, Variable } from '@ivlen/contract';
import { COEFFICIENTS, METHOD_NAMES } from '@ivlen/core';
import { CheckList } from '../methods-line/check-list';
import type { Editors } from '../methods-line/methods-parts';
import { OptionList } from '../methods-line/option-list';
import { displayName } from '../study/variable-name';
import { IntervalLevel } from './interval-level-editor';
import { LevelsEditor } from './levels-editor';
import { ADJUSTMENTS, type CoefficientChoice, INTERVALS } from './sentence-parts';

/** Which rows count where values are missing, and what each supposes. */
export const DELETIONS = [
  {
    value: 'pairwise',
    name: 'Every complete pair',
    words:
      'Pairwise deletion: each coefficient uses all rows that have both values, so that n can differ. Supposes values missing completely at random.',
  },
  {
    value: 'listwise',
    name: 'Only rows complete for all',
    words: 'Listwise deletion: a row that misses any of the ticked variables is left out of every coefficient. Supposes the same.',
  },
] as const;

export type SettingsChange = (patch: Partial<CorrelationSettings>) => void;

/** What changes the choices about coefficients. */
export function coefficientEditors(
  { methods, adjust, interval, level, control, missing, levels }: CorrelationSettings,
  candidates: readonly Variable[],
  change: SettingsChange,
): Editors<CoefficientChoice> {
  const first = methods[0] ?? 'pearson';
  return {
    methods: () => (
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
    adjust: (close) => (
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
    interval: () => (
      <>
        <OptionList label="Kind of interval" value={interval} options={INTERVALS} onChoose={(chosen) => change({ interval: chosen })} />
        <IntervalLevel level={level} onChoose={(chosen) => change({ level: chosen })} />
      </>
    ),
    control: () => (
      <CheckList
        label="Variables held constant"
        options={candidates.map((variable) => ({ value: variable.id, name: displayName(variable) }))}
        chosen={control}
        onChange={(chosen) => change({ control: chosen })}
        remark="Partial correlations: what two variables share beyond what these tell of each, over rows complete for all of them. Kendall’s τ can hold one constant."
      />
    ),
    missing: (close) => (
      <OptionList
        label="Rows with missing values"
        value={missing}
        onChoose={(chosen) => {
          change({ missing: chosen });
          close();
        }}
        options={DELETIONS}
      />
    ),
    levels: (close) => (
      <LevelsEditor
        levels={levels}
        onChoose={(chosen) => {
          change({ levels: chosen });
          close();
        }}
      />
    ),
  };
}
