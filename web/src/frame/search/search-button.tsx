import type { Study } from '@ivlen/contract';
import { Search } from 'lucide-react';
import { lazy, Suspense, useEffect, useState } from 'react';
import { Hint } from '../../controls/tooltip';

const load = async () => ({ default: (await import('./search-dialog')).SearchDialog });
const SearchDialog = lazy(load);

/** The search of the bar, on a button and on Ctrl K. */
export function SearchButton({ study }: { study: Study }) {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      // What is typed right after must not come before the field.
      if (event.key === 'Control' || event.key === 'Meta') void load();
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'k') return;
      // The browser has a use of its own for it.
      event.preventDefault();
      setOpen(true);
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);
  return (
    <>
      <Hint text="Search (Ctrl K)">
        <button type="button" className="icon-button" aria-label="Search" aria-haspopup="dialog" onClick={() => setOpen(true)}>
          <Search size={17} />
        </button>
      </Hint>
      {open && (
        <Suspense fallback={null}>
          <SearchDialog study={study} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
