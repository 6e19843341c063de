import type { JointResult, ShapeSettings } from '@ivlen/contract';
import { ValueTableView } from '../../../tables/value-table-view';
import { type JointLine, jointTestsTable } from './joint-tests-table';

/** The three tests of joint normality, each with what it was computed from. */
export function JointTests({ data, settings }: { data: JointResult; settings: ShapeSettings }) {
  const table = jointTestsTable(data, settings);
  const [first, ...others] = table.columns;
  const named = { ...first, name: 'test', shown: ({ name }: JointLine) => name, onScreen: NameWithRemark };
  return <ValueTableView table={{ ...table, columns: [named, ...others] }} captionShown />;
}

function NameWithRemark({ name, remark }: JointLine) {
  return (
    <>
      {name}
      {remark && <span className="block text-[12px] font-normal text-muted">{remark}</span>}
    </>
  );
}
