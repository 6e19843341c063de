import { useState } from 'react';
import { NavLink, useNavigate, useSearchParams } from 'react-router';
import { useHelpAddress } from '../help-texts/from';
import { PAGES } from '../help-texts/texts';
import { StartFirstSteps } from './start-first-steps';

/** The list of the pages of help, and the field that searches them. */
export function HelpContents({ current }: { current: string | null }) {
  const address = useHelpAddress();
  const groups = [...new Set(PAGES.map(({ group }) => group))];
  return (
    <aside className="order-first w-56 shrink-0 max-[800px]:order-none max-[800px]:w-full print:hidden">
      <SearchField key={current} />
      <nav aria-label="Pages of help" className="mt-4 max-[800px]:columns-2">
        {groups.map((group) => (
          <section key={group} aria-label={group} className="mb-4 break-inside-avoid">
            <h2 className="mb-1 text-[13px] font-normal text-muted">{group}</h2>
            <ul>
              {PAGES.filter((page) => page.group === group).map(({ id, name }) => (
                <li key={id}>
                  <NavLink
                    to={address(id)}
                    className={({ isActive }) =>
                      `block rounded px-2 py-1 leading-4 hover:bg-sunken ${isActive ? 'bg-accent-soft font-semibold text-accent' : 'text-ink'}`
                    }
                  >
                    {name}
                  </NavLink>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </nav>
      <StartFirstSteps />
    </aside>
  );
}

function SearchField() {
  const [params] = useSearchParams();
  const [typed, setTyped] = useState(params.get('search') ?? '');
  const navigate = useNavigate();
  const search = (text: string) => {
    setTyped(text);
    const next = new URLSearchParams(params);
    if (text.trim() === '') next.delete('search');
    else next.set('search', text);
    void navigate({ search: `?${next}` }, { replace: true });
  };
  return (
    <input
      type="search"
      aria-label="Search help"
      placeholder="Search help"
      className="field w-full"
      value={typed}
      onChange={(event) => search(event.target.value)}
    />
  );
}
