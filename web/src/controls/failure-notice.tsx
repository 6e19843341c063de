import { Link } from 'react-router';
import { RequestError } from '../api/client';

/** What happened, and what to do, in place of what could not be shown. */
export function FailureNotice({ error }: { error: Error }) {
  const { where, hint } = error instanceof RequestError ? error : { where: undefined, hint: 'Reload the page.' };
  return (
    <div role="alert" className="max-w-lg border-l-4 border-caution bg-caution-soft px-4 py-3">
      <p className="font-medium">
        {error.message} {where && <span className="text-muted">({where})</span>}
      </p>
      {hint && <p className="mt-1">{hint}</p>}
      {error instanceof RequestError && error.code === 'no-such-study' && (
        <p className="mt-2">
          <Link to="/" className="text-accent underline">
            All studies
          </Link>
        </p>
      )}
    </div>
  );
}
