import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { studiesQuery } from '../api/queries';
import { FailureNotice } from '../controls/failure-notice';
import { TopBar } from '../frame/top-bar';
import { SourceChooser } from '../new-study/source-chooser';
import { SpaceLine } from './space-line';
import { StudyCard } from './study-card';

/** All studies, and the ways to bring a new one in. */
export function HomePage() {
  const { data: studies, error } = useQuery(studiesQuery());
  useEffect(() => {
    document.title = 'Ivlen';
  }, []);
  return (
    <div className="flex min-h-screen flex-col">
      <TopBar study={null} />
      <main className="mx-auto w-full max-w-5xl px-6 pt-10 pb-16">
        <h1 className="font-serif text-[28px] leading-tight font-medium">Which of your variables go together?</h1>
        <p className="mt-1.5 mb-7 max-w-3xl font-serif text-balance text-[17px] text-muted">
          Bring in a table, see every correlation with its test, and read what each number can and cannot say.
        </p>
        <section aria-labelledby="new-study" className="mb-10">
          <h2 id="new-study" className="mb-2 text-[15px]">
            New study
          </h2>
          <SourceChooser />
          <p className="mt-3 text-muted">
            No data at hand? p, intervals, comparisons and sample sizes{' '}
            <Link to="/figures" className="text-accent underline">
              from reported figures
            </Link>
            .
          </p>
        </section>
        <section aria-labelledby="studies">
          <h2 id="studies" className="mb-2 text-[15px]">
            Studies
          </h2>
          {error && !studies && <FailureNotice error={error} />}
          {!studies && !error && <Skeletons />}
          {studies?.length === 0 && <p className="text-muted">There is no study yet. Bring a table in above.</p>}
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(300px,1fr))] gap-4">
            {studies?.map((study) => (
              <StudyCard key={study.id} study={study} />
            ))}
          </ul>
          <SpaceLine />
        </section>
      </main>
    </div>
  );
}

function Skeletons() {
  return (
    <div role="status" aria-label="Loading the studies" className="grid grid-cols-3 gap-4">
      <div className="h-28 rounded bg-rule/60" />
      <div className="h-28 rounded bg-rule/60" />
    </div>
  );
}
