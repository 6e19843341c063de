import { type JointResult, rowsInUse, type Study, type Variable } from '@ivlen/contract';
import { useQueries, useQuery } from '@tanstack/react-query';
import { analysisQuery } from '../../../api/queries';
import { FailureNotice } from '../../../controls/failure-notice';
import { Skeleton } from '../../../controls/skeleton';
import { MethodsLine } from '../../../methods-line/methods-line';
import { sentenceOf, withEditors } from '../../../methods-line/methods-parts';
import { PinButton } from '../../../pins/pin-button';
import { displayName } from '../../../study/variable-name';
import { pinnedShape } from '../pinned-shape';
import { jointSentence } from '../sentence';
import { shapeEditors } from '../shape-editors';
import type { ShapeViewProps } from '../shape-view';
import { DistanceFigure } from './distance-figure';
import { FurthestRows } from './furthest-rows';
import { JointTests } from './joint-tests';
import { jointRequest, jointWords, WHY_NO_JOINT_TEST } from './joint-words';
import { LeftOut } from './left-out';

const FEWEST = 2;
const MOST = 60;

/** Joint normality of the working set: the tests, which variable brings a failure, and the rows furthest out. */
export function TogetherView(props: ShapeViewProps) {
  const { study, workingSet, settings } = props;
  const { variables } = workingSet;
  const enough = variables.length >= FEWEST && variables.length <= MOST;
  const { data, error } = useQuery({ ...analysisQuery(study.id, study.head, jointRequest(variables, variables, true)), enabled: enough });
  const parts = jointSentence(settings, { variables: variables.length, rowsInUse: rowsInUse(study), complete: data?.n });
  return (
    <>
      <MethodsLine parts={withEditors(parts, shapeEditors(props))}>
        <PinButton
          study={study}
          pinned={{
            ...pinnedShape(variables, settings, 'together', sentenceOf(parts)),
            request: jointRequest(variables, variables, true),
          }}
        />
      </MethodsLine>
      <div className="min-h-0 flex-1 overflow-auto px-5 pb-8">
        {!enough && (
          <p className="mt-6 font-serif text-[17px]">
            {variables.length < FEWEST
              ? 'One variable is ticked. Tick another on the left to see whether they are jointly normal.'
              : `${variables.length} variables are ticked; joint normality is tested for up to ${MOST}. Untick some on the left.`}
          </p>
        )}
        {error && !data && <FailureNotice error={error} />}
        {enough && !data && !error && <Skeleton label="Computing joint normality" className="mt-5 h-72" />}
        {enough && data && <Result study={study} variables={variables} data={data} settings={settings} />}
      </div>
    </>
  );
}

type ResultProps = Pick<ShapeViewProps, 'study' | 'settings'> & {
  readonly variables: readonly Variable[];
  readonly data: JointResult;
};

function Result({ study, variables, data, settings }: ResultProps) {
  const without = useWithoutEach(study, variables, data);
  const names = variables.map(displayName);
  if (data.undefinedBecause) {
    return <p className="mt-6 max-w-3xl font-serif text-[17px]">{WHY_NO_JOINT_TEST[data.undefinedBecause](data.n, variables.length)}</p>;
  }
  const verdict = jointWords(data, without, names, settings);
  return (
    <>
      <p className="mt-5 max-w-4xl font-serif text-[18px] leading-snug" data-testid="joint-verdict">
        {verdict.words}
      </p>
      {data.incomplete > 0 && (
        <p className="mt-1 text-[13px] text-muted">
          {data.incomplete.toLocaleString('en-GB')} rows in use lack a value of the set and are left out here.
        </p>
      )}
      <div className="mt-4 grid grid-cols-[minmax(0,1fr)_minmax(380px,430px)] gap-10">
        <div>
          <JointTests data={data} settings={settings} />
          {variables.length > FEWEST && (
            <LeftOut study={study} variables={variables} without={without} leading={verdict.leading} settings={settings} />
          )}
        </div>
        <div>
          {data.distances && <DistanceFigure distances={data.distances} width={400} height={300} />}
          <FurthestRows study={study} data={data} variables={variables} />
        </div>
      </div>
    </>
  );
}

/** The tests again without each variable, on the same rows; they come one after the other. */
function useWithoutEach(study: Study, variables: readonly Variable[], { undefinedBecause }: JointResult) {
  return useQueries({
    queries: variables.map((variable) => ({
      ...analysisQuery(
        study.id,
        study.head,
        jointRequest(
          variables.filter((item) => item !== variable),
          variables,
          false,
        ),
      ),
      enabled: variables.length > FEWEST && undefinedBecause === null,
    })),
    combine: (results) => results.map(({ data }) => data),
  });
}
