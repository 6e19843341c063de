import { Link, useParams } from 'react-router';
import { TopBar } from '../frame/top-bar';
import { CautionsHelp } from './cautions-help';

const TOPICS = { cautions: { title: 'Cautions about a coefficient', content: CautionsHelp } } as const;

/** One topic of what stands behind the screens. */
export function HelpPage() {
  const { topic } = useParams();
  const found = topic === 'cautions' ? TOPICS.cautions : null;
  return (
    <>
      <TopBar study={null} />
      <main className="mx-auto max-w-3xl px-6 py-10">
        <p className="mb-4">
          <Link to="/" className="text-accent underline">
            Home
          </Link>
        </p>
        {found ? (
          <>
            <h1 className="mb-4 text-[24px]">{found.title}</h1>
            <found.content />
          </>
        ) : (
          <p>
            There is no help about this. There is about{' '}
            <Link to="/help/cautions" className="text-accent underline">
              cautions
            </Link>
            .
          </p>
        )}
      </main>
    </>
  );
}
