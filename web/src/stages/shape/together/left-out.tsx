import {
  type JointResult,
  type JointTestName,
  jointTestNameSchema,
  type ShapeResult,
  type ShapeSettings,
  type Study,
  type Variable,
} from '@ivlen/contract';
import { formatFullP } from '@ivlen/core';
import { useQueries } from '@tanstack/react-query';
import { analysisQuery } from '../../../api/queries';
import { pText } from '../../../numbers/number-text';
import { displayName } from '../../../study/variable-name';
import type { TableColumn, ValueTable } from '../../../tables/columns';
import { ValueTableView } from '../../../tables/value-table-view';
import { verdictOf } from '../strips/shape-columns';
import { JOINT_TESTS, TESTS } from '../test-words';
import { jointP } from './joint-p';

interface LeftOutProps {
  readonly study: Study;
  readonly variables: readonly Variable[];
  /** The tests without each variable; undefined while they are computed. */
  readonly without: readonly (JointResult | undefined)[];
  readonly leading: number | null;
  readonly settings: ShapeSettings;
}

/** The joint tests without each variable beside its own test: which one brings the failure. */
export function LeftOut({ study, variables, without, leading, settings }: LeftOutProps) {
  const shapes = useQueries({
    queries: variables.map(({ id }) => analysisQuery(study.id, study.head, { kind: 'shape', variable: id })),
    combine: (results) => results.map(({ data }) => data),
  });
  const lines = variables.map((variable, i): LeftOutLine => ({ variable, joint: without[i], shape: shapes[i], leads: i === leading }));
  const pOf = (joint: JointResult | undefined) => (joint ? jointP(joint, settings.jointTest).log10P : Number.NEGATIVE_INFINITY);
  lines.sort((a, b) => pOf(b.joint) - pOf(a.joint));
  const missing = without.filter((result) => !result).length;
  const ownTest = settings.test ? TESTS[settings.test].name : 'test';
  const ownP = ({ shape }: LeftOutLine) => (shape && settings.test ? shape.tests[settings.test].pValue : null);
  const table: ValueTable<LeftOutLine> = {
    caption: `p without each variable, on the same rows; the larger, the more it brings${missing > 0 ? ` (${missing} to come)` : ''}`,
    columns: [
      {
        name: 'left out',
        shown: ({ variable }) => displayName(variable),
        onScreen: ({ variable, leads, shape }) => (
          <span className={leads ? 'font-semibold text-caution' : ''}>
            {leads && <span aria-hidden="true">▲ </span>}
            {displayName(variable)}
            <span className="block text-[12px] font-normal text-muted">{shape ? verdictOf(shape, settings).words : ' '}</span>
          </span>
        ),
      },
      ...jointTestNameSchema.options.map(
        (test): TableColumn<LeftOutLine> => ({
          name: JOINT_TESTS[test].name,
          shown: ({ joint }) => jointPInWords(joint, test, settings.level),
          exact: ({ joint }) => (joint ? jointP(joint, test).pValue : null),
          onScreen: ({ joint }) => <PCell joint={joint} test={test} chosen={test === settings.jointTest} level={settings.level} />,
        }),
      ),
      {
        name: `its own ${ownTest}`,
        shown: (line) => {
          const p = ownP(line);
          return p === null ? '–' : pText(p, [settings.level]);
        },
        exact: ownP,
      },
    ],
    rows: lines,
  };
  return (
    <div className="mt-6">
      <span role="status" className="sr-only">
        {missing > 0 ? `${missing} variables to come` : ''}
      </span>
      <ValueTableView table={table} captionShown fileName="Joint normality without each variable" />
    </div>
  );
}

interface LeftOutLine {
  readonly variable: Variable;
  readonly joint: JointResult | undefined;
  readonly shape: ShapeResult | undefined;
  readonly leads: boolean;
}

function jointPInWords(joint: JointResult | undefined, test: JointTestName, level: number): string {
  if (!joint) return '…';
  const { pValue } = jointP(joint, test);
  return Number.isNaN(pValue) ? '–' : pText(pValue, [level]);
}

interface PCellProps {
  readonly joint: JointResult | undefined;
  readonly test: JointTestName;
  readonly chosen: boolean;
  readonly level: number;
}

function PCell({ joint, test, chosen, level }: PCellProps) {
  const { pValue: p, log10P } = joint ? jointP(joint, test) : { pValue: Number.NaN, log10P: Number.NaN };
  return (
    <span className={`${chosen ? 'font-semibold' : ''} ${p <= level ? '' : 'text-muted'}`}>
      {jointPInWords(joint, test, level)}
      {chosen && p < 0.001 && <span className="block text-[12px] font-normal text-muted">{formatFullP(p, log10P)}</span>}
    </span>
  );
}
