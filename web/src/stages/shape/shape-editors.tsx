import { jointTestNameSchema, normalityTestNameSchema } from '@ivlen/contract';
import { inUseEditors } from '../../in-use/in-use-editors';
import type { Editors } from '../../methods-line/methods-parts';
import { OptionList } from '../../methods-line/option-list';
import { TogetherOrGroups } from '../../methods-line/together-or-groups';
import { levelText } from '../../numbers/number-text';
import { RuleEditor } from './rule-editor';
import type { ShapeChoice } from './sentence';
import type { ShapeViewProps } from './shape-view';
import { JOINT_TESTS, TESTS } from './test-words';

const NO_TEST = 'none';
const LEVELS = [0.1, 0.05, 0.01, 0.001] as const;

/** What changes the choices of the stage's sentences. */
export function shapeEditors({ study, workingSet, settings, grouping, patch: change }: ShapeViewProps): Editors<ShapeChoice> {
  const { rule, test, level, jointTest } = settings;
  return {
    ...inUseEditors(study, workingSet),
    groups: (close) =>
      grouping && (
        <TogetherOrGroups
          by={settings.perGroup ? grouping.by : null}
          candidates={grouping.candidates}
          inWords={(name) => `Per ${name}`}
          remark="Groups that differ in their means make two humps of one, though each may be normal."
          onChoose={(by) => {
            if (by) grouping.choose(by);
            change({ perGroup: by !== null });
            close();
          }}
        />
      ),
    rule: (close) => (
      <RuleEditor
        rule={rule}
        onChoose={(chosen) => {
          change({ rule: chosen });
          close();
        }}
      />
    ),
    test: (close) => (
      <OptionList
        label="Test of normality"
        value={test ?? NO_TEST}
        options={[
          ...normalityTestNameSchema.options.map((value) => ({ value, name: TESTS[value].name, words: TESTS[value].words })),
          { value: NO_TEST, name: 'No test', words: 'The rule alone marks.' },
        ]}
        onChoose={(chosen) => {
          change({ test: chosen === NO_TEST ? null : normalityTestNameSchema.parse(chosen) });
          close();
        }}
        remark="In large samples every test rejects trifles, in small ones it sees nothing: look at the plots as well."
      />
    ),
    level: (close) => (
      <OptionList
        label="Level of the test"
        value={String(level)}
        options={LEVELS.map((item) => ({ value: String(item), name: levelText(item) }))}
        onChoose={(chosen) => {
          change({ level: Number(chosen) });
          close();
        }}
      />
    ),
    'joint-test': (close) => (
      <OptionList
        label="Test of joint normality"
        value={jointTest}
        options={jointTestNameSchema.options.map((value) => ({ value, ...JOINT_TESTS[value] }))}
        onChoose={(chosen) => {
          change({ jointTest: chosen });
          close();
        }}
        remark="The words and the marks follow this one; all three are shown."
      />
    ),
  };
}
