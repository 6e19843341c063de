import type { Study } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { Fragment, useRef } from 'react';
import { Outlet, useOutletContext, useParams } from 'react-router';
import { studyAtQuery, studyQuery, trailQuery } from '../api/queries';
import { FailureNotice } from '../controls/failure-notice';
import { FirstSteps } from '../first-steps/first-steps';
import { useDecimals } from '../numbers/use-decimals';
import { EarlierStateBand, ReadOnly } from '../study/read-only';
import { TopBar } from './top-bar';
import { useStageKeys } from './use-stage-keys';
import { VariablesPanel } from './variables-panel';

/** The frame around all stages of a study: top bar, variables panel, main area; of today's state or an earlier one. */
export function StudyFrame() {
  const { id = '', revision } = useParams();
  const { data: today, error } = useQuery(studyQuery(id));
  const earlier = useQuery({ ...studyAtQuery(id, Number(revision)), enabled: revision !== undefined });
  const { data: trail } = useQuery({ ...trailQuery(id, today?.head ?? 0), enabled: revision !== undefined && today !== undefined });
  const main = useRef<HTMLElement>(null);
  useStageKeys(main);
  const { decimals } = useDecimals(id);

  const study = revision === undefined ? today : earlier.data;
  const failure = error ?? earlier.error;
  if (!today || !study) {
    return (
      <div className="flex h-screen flex-col">
        <TopBar study={today ?? null} />
        <main className="p-8">{failure ? <FailureNotice error={failure} /> : <p className="text-muted">Opening the study …</p>}</main>
      </div>
    );
  }
  return (
    <ReadOnly value={revision !== undefined}>
      <div className="relative flex h-screen min-h-0 flex-col overflow-clip">
        <TopBar study={today} />
        {revision === undefined && <FirstSteps study={today} />}
        {revision !== undefined && (
          <EarlierStateBand study={study} summary={trail?.decisions.find(({ number }) => number === study.head)?.summary} />
        )}
        <div className="flex min-h-0 flex-1">
          <VariablesPanel study={study} />
          <main ref={main} tabIndex={-1} className="relative flex min-w-0 flex-1 outline-none">
            {/* Written with other decimals, everything is drawn anew. */}
            <Fragment key={`${decimals.coefficients}.${decimals.p}`}>
              <Outlet context={study satisfies Study} />
            </Fragment>
          </main>
        </div>
      </div>
    </ReadOnly>
  );
}

/** The study that the frame has opened, for the stages inside it. */
export function useStudy(): Study {
  return useOutletContext<Study>();
}
