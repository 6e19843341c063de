import { ChevronRight } from 'lucide-react';
import type { ReactNode } from 'react';
import { useRemembered } from './use-remembered';

/** A part of the card that opens in place, and stays as it was left. */
export function Section({ id, title, children }: { id: string; title: string; children: () => ReactNode }) {
  const [open, setOpen] = useRemembered<boolean>(`card.${id}`, false);
  return (
    <section className="border-t border-rule" aria-label={title}>
      <h3 className="text-[14px] font-normal">
        <button
          type="button"
          aria-expanded={open}
          className="flex w-full items-center gap-1.5 py-2 text-left"
          onClick={() => setOpen(!open)}
        >
          <ChevronRight size={15} aria-hidden="true" className={open ? 'rotate-90' : ''} />
          {title}
        </button>
      </h3>
      {open && <div className="pb-3">{children()}</div>}
    </section>
  );
}
