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

/** Rows of a name and its figure. */
export function Figures({ rows, label }: { rows: readonly (readonly [name: string, value: ReactNode])[]; label: string }) {
  return (
    <table className="figures w-full" aria-label={label}>
      <tbody>
        {rows.map(([name, value]) => (
          <tr key={name} className="border-b border-rule last:border-b-0">
            <th scope="row" className="py-1 pr-3 text-left font-normal">
              {name}
            </th>
            <td className="py-1 text-right whitespace-nowrap">{value}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
