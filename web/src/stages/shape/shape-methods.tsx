import { jointTestNameSchema, normalityTestNameSchema, type ShapeSettings } from '@ivlen/contract';
import type { MethodsPart } from '../../methods-line/methods-parts';
import { OptionList } from '../../methods-line/option-list';
import { ruleInWords } from '../../settings/shape-rule-in-words';
import type { Grouping } from '../../settings/use-grouping';
import { displayName } from '../../study/variable-name';
import { RuleEditor } from './rule-editor';
import { JOINT_TESTS, TESTS } from './test-words';

const NO_TEST = 'none';
const TOGETHER = 'together';
const LEVELS = [0.1, 0.05, 0.01, 0.001] as const;

export interface ShapeFacts {
  readonly variables: number;
  /** Which rows: "all 248 rows", "236 of 248 rows". */
  readonly rows: string;
  readonly grouping: Grouping | undefined;
}

type Patch = (patch: Partial<ShapeSettings>) => void;
const text = (words: string): MethodsPart => ({ type: 'text', text: words });
const countOf = (variables: number) => `${variables} ${variables === 1 ? 'variable' : 'variables'}`;

/** The methods line over the strips and over the table of descriptives. */
export function shapeMethods(settings: ShapeSettings, facts: ShapeFacts, change: Patch): MethodsPart[] {
  return [
    text(`Shape of ${countOf(facts.variables)} in ${facts.rows}, `),
    ...groupsPart(settings, facts, change),
    text('; marked beyond '),
    rulePart(settings, change),
    text('; '),
    ...testParts(settings, change),
    text('.'),
  ];
}

/** The methods line over several variables on other scales, which are judged over all rows. */
export function scalesMethods(settings: ShapeSettings, { variables, rows }: ShapeFacts, change: Patch): MethodsPart[] {
  return [
    text(`${countOf(variables)} on other scales in ${rows}, all rows together; marked beyond `),
    rulePart(settings, change),
    text('; '),
    ...testParts(settings, change),
    text('.'),
  ];
}

/** The methods line over the joint view; `complete` is known once the tests are there. */
export function jointMethods(
  settings: ShapeSettings,
  { variables, rowsInUse }: { variables: number; rowsInUse: number },
  complete: number | undefined,
  change: Patch,
): MethodsPart[] {
  const all = rowsInUse.toLocaleString('en-GB');
  const used =
    complete === undefined || complete === rowsInUse
      ? `${all} rows`
      : `${complete.toLocaleString('en-GB')} of ${all} rows, those complete for all of them`;
  return [
    text(`Joint normality of ${countOf(variables)} in ${used}; `),
    {
      type: 'choice',
      text: JOINT_TESTS[settings.jointTest].name,
      label: 'the test of joint normality',
      content: (close) => (
        <OptionList
          label="Test of joint normality"
          value={settings.jointTest}
          options={jointTestNameSchema.options.map((value) => ({ value, ...JOINT_TESTS[value] }))}
          onChoose={(jointTest) => {
            change({ jointTest });
            close();
          }}
          remark="The words and the marks follow this one; all three are shown."
        />
      ),
    },
    ...levelPart(settings, change),
    text('.'),
  ];
}

function groupsPart({ perGroup }: ShapeSettings, { grouping }: ShapeFacts, change: Patch): MethodsPart[] {
  if (!grouping || grouping.candidates.length === 0) return [text('all rows together')];
  const { by, candidates } = grouping;
  return [
    {
      type: 'choice',
      text: perGroup && by ? `per ${displayName(by)}` : 'all rows together',
      label: 'whether groups are shown apart',
      content: (close) => (
        <OptionList
          label="Rows together or in groups"
          value={perGroup && by ? by.id : TOGETHER}
          options={[
            { value: TOGETHER, name: 'All rows together' },
            ...candidates.map((variable) => ({ value: variable.id, name: `Per ${displayName(variable)}` })),
          ]}
          onChoose={(chosen) => {
            if (chosen !== TOGETHER) grouping.choose(chosen);
            change({ perGroup: chosen !== TOGETHER });
            close();
          }}
          remark="Groups that differ in their means make two humps of one, though each may be normal."
        />
      ),
    },
  ];
}

function rulePart({ rule }: ShapeSettings, change: Patch): MethodsPart {
  return {
    type: 'choice',
    text: ruleInWords(rule),
    label: 'the rule that marks a variable',
    content: (close) => (
      <RuleEditor
        rule={rule}
        onChoose={(chosen) => {
          change({ rule: chosen });
          close();
        }}
      />
    ),
  };
}

function testParts(settings: ShapeSettings, change: Patch): MethodsPart[] {
  const test: MethodsPart = {
    type: 'choice',
    text: settings.test ? TESTS[settings.test].name : 'no test',
    label: 'the test of normality',
    content: (close) => (
      <OptionList
        label="Test of normality"
        value={settings.test ?? NO_TEST}
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
  };
  return settings.test ? [test, ...levelPart(settings, change)] : [test];
}

function levelPart({ level }: ShapeSettings, change: Patch): MethodsPart[] {
  return [
    text(' at '),
    {
      type: 'choice',
      text: levelText(level),
      label: 'the level of the test',
      content: (close) => (
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
    },
  ];
}

function levelText(level: number): string {
  return String(level).replace(/^0/, '');
}
