import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { studiesQuery, studyQuery } from '../api/queries';
import { addressInDemo, DEMO_NAME } from './address-in-demo';

interface DemoLinkProps {
  /** Under the study's address; variables stand in it by their names. */
  readonly to: string;
  /** Done before it is gone to. */
  readonly before?: () => void;
  readonly children: ReactNode;
}

/** Leads to a place of the demo study. */
export function DemoLink({ to, before, children }: DemoLinkProps) {
  const { data: studies } = useQuery(studiesQuery());
  const demo = studies?.find(({ name }) => name === DEMO_NAME) ?? studies?.find(({ name }) => name.startsWith(DEMO_NAME));
  const { data: study } = useQuery({ ...studyQuery(demo?.id ?? ''), enabled: demo !== undefined });
  const address = study ? addressInDemo(study, to) : null;
  const problem =
    studies && !demo
      ? `there is no study called “${DEMO_NAME}” any more; bring samples/aldermere-streams.csv in, and it is there again`
      : study && address === null
        ? 'the demo has not all of these variables any more'
        : null;
  if (problem) {
    return (
      <>
        {children} <span className="text-muted">({problem})</span>
      </>
    );
  }
  return (
    <Link to={address ?? '/'} onClick={before} className="text-accent underline">
      {children}
    </Link>
  );
}
