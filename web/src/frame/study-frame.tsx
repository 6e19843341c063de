import type { Study } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import { Outlet, useOutletContext, useParams } from 'react-router';
import { studyQuery } from '../api/queries';
import { FailureNotice } from './failure-notice';
import { TopBar } from './top-bar';
import { useStageKeys } from './use-stage-keys';
import { VariablesPanel } from './variables-panel';

/** The frame around all stages of a study: top bar, variables panel, main area. */
export function StudyFrame() {
  const { id = '' } = useParams();
  const { data: study, error } = useQuery(studyQuery(id));
  const main = useRef<HTMLElement>(null);
  useStageKeys(main);

  if (!study) {
    return (
      <div className="flex h-screen flex-col">
        <TopBar study={null} />
        <main className="p-8">{error ? <FailureNotice error={error} /> : <p className="text-muted">Opening the study …</p>}</main>
      </div>
    );
  }
  return (
    <div className="flex h-screen min-h-0 flex-col">
      <TopBar study={study} />
      <div className="flex min-h-0 flex-1">
        <VariablesPanel study={study} />
        <main ref={main} tabIndex={-1} className="flex min-w-0 flex-1 outline-none">
          <Outlet context={study satisfies Study} />
        </main>
      </div>
    </div>
  );
}

/** The study that the frame has opened, for the stages inside it. */
export function useStudy(): Study {
  return useOutletContext<Study>();
}
