import { type JointResult, type JointTestName, jointTestNameSchema, type ShapeSettings, type Study, type Variable } from '@ivlen/contract';
import { formatFullP, formatP } from '@ivlen/core';
import { useQueries } from '@tanstack/react-query';
import { analysisQuery } from '../../../api/queries';
import { displayName } from '../../../study/variable-name';
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
  const lines = variables.map((variable, i) => ({ variable, joint: without[i], shape: shapes[i], leads: i === leading }));
  const pOf = (joint: JointResult | undefined) => (joint ? jointP(joint, settings.jointTest).log10P : Number.NEGATIVE_INFINITY);
  lines.sort((a, b) => pOf(b.joint) - pOf(a.joint));
  const missing = without.filter((result) => !result).length;
  return (
    <table className="figures mt-6 w-full">
      <caption className="pb-1 text-left text-[13px] text-muted">
        p without each variable, on the same rows; the larger, the more of the failure it brings
        {missing > 0 && <span role="status">; {missing} to come</span>}
      </caption>
      <thead>
        <tr className="border-b border-edge text-[13px] text-muted">
          <th scope="col" className="py-1 text-left font-normal">
            left out
          </th>
          {jointTestNameSchema.options.map((test) => (
            <th key={test} scope="col" className="pl-3 text-right font-normal">
              {JOINT_TESTS[test].name}
            </th>
          ))}
          <th scope="col" className="pl-3 text-right font-normal">
            its own {settings.test ? TESTS[settings.test].name : 'test'}
          </th>
        </tr>
      </thead>
      <tbody>
        {lines.map(({ variable, joint, shape, leads }) => (
          <tr key={variable.id} className="border-b border-rule">
            <th scope="row" className={`py-1 text-left ${leads ? 'font-semibold text-caution' : 'font-normal'}`}>
              {leads && <span aria-hidden="true">▲ </span>}
              {displayName(variable)}
              <span className="block text-[12px] font-normal text-muted">{shape ? verdictOf(shape, settings).words : ' '}</span>
            </th>
            {jointTestNameSchema.options.map((test) => (
              <PCell key={test} joint={joint} test={test} chosen={test === settings.jointTest} level={settings.level} />
            ))}
            <td className="pl-3 text-right whitespace-nowrap">
              {shape && settings.test && shape.tests[settings.test].pValue !== null
                ? formatP(shape.tests[settings.test].pValue ?? Number.NaN, [settings.level])
                : '–'}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
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
    <td className={`pl-3 text-right whitespace-nowrap ${chosen ? 'font-semibold' : ''} ${p <= level ? '' : 'text-muted'}`}>
      {joint ? (Number.isNaN(p) ? '–' : formatP(p, [level])) : '…'}
      {chosen && p < 0.001 && <span className="block text-[12px] font-normal text-muted">{formatFullP(p, log10P)}</span>}
    </td>
  );
}
