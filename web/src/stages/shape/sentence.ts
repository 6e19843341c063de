import type { ShapeSettings } from '@ivlen/contract';
import { countOfVariables, type InUseChoice, rowsWords, variablesWords } from '../../in-use/in-use-words';
import type { SentencePart } from '../../methods-line/methods-parts';
import { levelText } from '../../numbers/number-text';
import { ruleInWords } from '../../settings/shape-rule-in-words';
import type { Grouping } from '../../settings/use-grouping';
import { displayName } from '../../study/variable-name';
import { JOINT_TESTS, TESTS } from './test-words';

export type ShapeChoice = InUseChoice | 'groups' | 'rule' | 'test' | 'level' | 'joint-test';
type Parts = SentencePart<ShapeChoice>[];

export interface ShapeFacts {
  readonly variables: number;
  /** Which rows: "all 248 rows", "236 of 248 rows". */
  readonly rows: string;
  readonly grouping: Grouping | undefined;
}

/** What the strips and the table of descriptives show. */
export function sentence(settings: ShapeSettings, facts: ShapeFacts): Parts {
  return [
    'Shape of ',
    variablesWords(countOfVariables(facts.variables)),
    ' in ',
    rowsWords(facts.rows),
    ', ',
    groups(settings, facts),
    '; marked beyond ',
    rule(settings),
    '; ',
    ...test(settings),
    '.',
  ];
}

/** What several variables on other scales show, which are judged over all rows. */
export function scalesSentence(settings: ShapeSettings, { variables, rows }: ShapeFacts): Parts {
  return [
    variablesWords(countOfVariables(variables)),
    ' on other scales in ',
    rowsWords(rows),
    ', all rows together; marked beyond ',
    rule(settings),
    '; ',
    ...test(settings),
    '.',
  ];
}

export interface JointFacts {
  readonly variables: number;
  readonly rowsInUse: number;
  /** Known once the tests are there. */
  readonly complete: number | undefined;
}

/** What the joint view shows. */
export function jointSentence(settings: ShapeSettings, { variables, rowsInUse, complete }: JointFacts): Parts {
  const all = rowsInUse.toLocaleString('en-GB');
  const used =
    complete === undefined || complete === rowsInUse
      ? `${all} rows`
      : `${complete.toLocaleString('en-GB')} of ${all} rows, those complete for all of them`;
  return [
    'Joint normality of ',
    variablesWords(countOfVariables(variables)),
    ' in ',
    rowsWords(used),
    '; ',
    { choice: 'joint-test', text: JOINT_TESTS[settings.jointTest].name, label: 'the test of joint normality' },
    ...level(settings),
    '.',
  ];
}

function groups({ perGroup }: ShapeSettings, { grouping }: ShapeFacts): SentencePart<ShapeChoice> {
  if (!grouping || grouping.candidates.length === 0) return 'all rows together';
  return {
    choice: 'groups',
    text: perGroup && grouping.by ? `per ${displayName(grouping.by)}` : 'all rows together',
    label: 'whether groups are shown apart',
  };
}

function rule(settings: ShapeSettings): SentencePart<ShapeChoice> {
  return { choice: 'rule', text: ruleInWords(settings.rule), label: 'the rule that marks a variable' };
}

function test(settings: ShapeSettings): Parts {
  const name = settings.test ? TESTS[settings.test].name : 'no test';
  return [{ choice: 'test', text: name, label: 'the test of normality' }, ...(settings.test ? level(settings) : [])];
}

function level(settings: ShapeSettings): Parts {
  return [' at ', { choice: 'level', text: levelText(settings.level), label: 'the level of the test' }];
}
