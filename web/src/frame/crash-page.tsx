import { isRouteErrorResponse, Link, useRouteError } from 'react-router';

/** What is shown where a page cannot be: an address that leads nowhere, or a defect. */
export function CrashPage() {
  const error = useRouteError();
  const missing = isRouteErrorResponse(error) && error.status === 404;
  return (
    <main className="mx-auto max-w-xl px-6 py-20">
      <h1 className="mb-3 font-serif text-2xl">{missing ? 'There is no page at this address' : 'This page could not be shown'}</h1>
      <p className="mb-6 text-muted">
        {missing
          ? 'The link may be mistyped, or what it led to may have been deleted.'
          : `What was stored is kept. Reload the page; if it comes again, this is what happened: ${error instanceof Error ? error.message : 'unknown'}`}
      </p>
      <Link to="/" className="button-primary">
        All studies
      </Link>
    </main>
  );
}
