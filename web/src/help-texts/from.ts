import { useLocation, useSearchParams } from 'react-router';

const NAME = 'from';

/** Where in a study help was asked for; null where it was not asked from one. */
export function useFrom(): string | null {
  const [params] = useSearchParams();
  const from = params.get(NAME);
  // Only places of this application: an address can be written by anybody.
  return from && /^\/studies\/[\w-]+\/[\w/-]+(\?[^#]*)?$/.test(from) ? from : null;
}

/** The address of a page of help that knows the way back to where it was asked for. */
export function useHelpAddress(): (page: string, anchor?: string | null) => string {
  const { pathname, search } = useLocation();
  const given = useFrom();
  const from = pathname.startsWith('/studies/') ? `${pathname}${search}` : given;
  return (page, anchor = null) =>
    `/help${page === '' ? '' : `/${page}`}${from ? `?${new URLSearchParams({ [NAME]: from })}` : ''}${anchor ? `#${anchor}` : ''}`;
}
