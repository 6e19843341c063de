import { Link } from 'react-router';
import { findHelp } from '../help-texts/find-help';
import { useHelpAddress } from '../help-texts/from';

/** Parts of help that hold what is looked for. */
export function FoundInHelp({ typed }: { typed: string }) {
  const address = useHelpAddress();
  const found = findHelp(typed);
  return (
    <>
      <h1 className="mb-4 font-sans text-[24px]">Found in help</h1>
      <p className="mb-4 font-sans text-[14px] text-muted" role="status">
        {found.length === 0
          ? `Nothing holds “${typed}”. Try one word of it, or its beginning.`
          : `${found.length} ${found.length === 1 ? 'place holds' : 'places hold'} “${typed}”.`}
      </p>
      <ul className="space-y-4">
        {found.map(({ section: { page, pageName, heading, anchor }, excerpt }) => (
          <li key={`${page}#${anchor}`}>
            <Link to={address(page, anchor)} className="font-sans text-[15px] text-accent underline">
              {anchor === null || heading === pageName ? pageName : `${pageName}: ${heading}`}
            </Link>
            <p className="text-muted">{excerpt}</p>
          </li>
        ))}
      </ul>
    </>
  );
}
