import { useQuery } from '@tanstack/react-query';
import { type MouseEvent, type ReactNode, useEffect, useState } from 'react';
import { Link, useNavigate } from 'react-router';
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
  // Pressed before the demo is found, it leads there once it is.
  const [wanted, setWanted] = useState(false);
  const navigate = useNavigate();
  useEffect(() => {
    if (!wanted || !address) return;
    setWanted(false);
    before?.();
    void navigate(address);
  }, [wanted, address, before, navigate]);
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
  const onClick = (event: MouseEvent) => {
    if (address) before?.();
    else {
      event.preventDefault();
      setWanted(true);
    }
  };
  return (
    <Link to={address ?? '/'} onClick={onClick} className="text-accent underline">
      {children}
    </Link>
  );
}
