import type { ComponentType } from 'react';
import { Link, useParams } from 'react-router';
import { HELP_TOPICS } from '../frame/search/find-items';
import { TopBar } from '../frame/top-bar';
import { BringingInHelp } from './bringing-in-help';
import { CautionsHelp } from './cautions-help';
import { CollinearityHelp } from './collinearity-help';

const CONTENTS: Readonly<Record<string, ComponentType>> = {
  cautions: CautionsHelp,
  'bringing-in': BringingInHelp,
  collinearity: CollinearityHelp,
};

/** One topic of what stands behind the screens, or the list of them. */
export function HelpPage() {
  const { topic } = useParams();
  const found = HELP_TOPICS.find(({ id }) => id === topic);
  const Content = found && CONTENTS[found.id];
  return (
    <>
      <TopBar study={null} />
      <main className="mx-auto max-w-3xl px-6 py-10">
        <p className="mb-4 flex gap-4">
          <Link to="/" className="text-accent underline">
            Home
          </Link>
          {topic && (
            <Link to="/help" className="text-accent underline">
              All help
            </Link>
          )}
        </p>
        {found && Content ? (
          <>
            <h1 className="mb-4 text-[24px]">{found.name}</h1>
            <Content />
          </>
        ) : (
          <>
            <h1 className="mb-4 text-[24px]">Help</h1>
            {topic && <p className="mb-4">There is no help about this; there is about:</p>}
            <ul className="space-y-3">
              {HELP_TOPICS.map(({ id, name, remark }) => (
                <li key={id}>
                  <Link to={`/help/${id}`} className="text-accent underline">
                    {name}
                  </Link>
                  <span className="text-muted">: {remark}</span>
                </li>
              ))}
            </ul>
          </>
        )}
      </main>
    </>
  );
}
