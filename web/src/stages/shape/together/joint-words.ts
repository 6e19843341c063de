import { type AnalysisInput, type JointResult, jointTestNameSchema, type ShapeSettings, type Variable } from '@ivlen/contract';
import { type JointVerdict, jointVerdict } from '@ivlen/core';
import { JOINT_TESTS } from '../test-words';
import { jointP } from './joint-p';

/** What the tests say together. @param without the tests without each variable; undefined while they come */
export function jointWords(
  data: JointResult,
  without: readonly (JointResult | undefined)[],
  names: readonly string[],
  { jointTest, level }: Pick<ShapeSettings, 'jointTest' | 'level'>,
): JointVerdict {
  return jointVerdict(
    { ...jointP(data, jointTest), n: data.n },
    without.map((result) => result && jointP(result, jointTest)),
    {
      names,
      level,
      test: JOINT_TESTS[jointTest].name,
      others: jointTestNameSchema.options
        .filter((name) => name !== jointTest)
        .map((name) => ({ name: JOINT_TESTS[name].name, ...jointP(data, name) })),
    },
  );
}

/** @param set the variables that rows have to be complete for */
export function jointRequest(variables: readonly Variable[], set: readonly Variable[], distances: boolean) {
  const ids = (items: readonly Variable[]) => items.map(({ id }) => id);
  return {
    kind: 'joint',
    variables: ids(variables),
    rows: { completeFor: ids(set), group: null },
    distances,
  } as const satisfies AnalysisInput;
}

/** Why joint normality cannot be tested. */
export const WHY_NO_JOINT_TEST: Readonly<Record<NonNullable<JointResult['undefinedBecause']>, (n: number, p: number) => string>> = {
  'too-few-cases': (n, p) =>
    `${n === 1 ? 'Only one row is' : `Only ${n.toLocaleString('en-GB')} rows are`} complete for these ${p} variables; joint normality needs more rows than variables. Untick those with many missing values.`,
  'too-many-cases': (n) => `${n.toLocaleString('en-GB')} rows are too many for this test.`,
  constant: () => 'One of the variables has the same value in every complete row; untick it.',
  singular: () => 'One of the variables follows from the others exactly; untick it, then the rest can be tested.',
};
