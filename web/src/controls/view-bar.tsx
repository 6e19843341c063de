import type { ReactNode } from 'react';

interface ViewBarProps<V extends string> {
  /** "Parts of the Data stage". */
  readonly label: string;
  readonly views: readonly { readonly id: V; readonly name: string }[];
  readonly current: V;
  readonly onOpen: (view: V) => void;
  /** Numbers beside the names: things that want attention. */
  readonly counts?: Partial<Readonly<Record<V, number>>>;
  /** What stands at the right. */
  readonly children?: ReactNode;
}

/** The parts of a stage, one of which is open. */
export function ViewBar<V extends string>({ label, views, current, onOpen, counts = {}, children }: ViewBarProps<V>) {
  return (
    <nav aria-label={label} className="flex flex-wrap gap-x-5 border-b border-rule px-5">
      {views.map(({ id, name }) => (
        <button
          key={id}
          type="button"
          data-view={id}
          aria-current={current === id ? 'page' : undefined}
          className={`-mb-px border-b-2 py-2 whitespace-nowrap ${current === id ? 'border-accent font-semibold' : 'border-transparent text-muted hover:text-ink'}`}
          onClick={() => onOpen(id)}
        >
          {name}
          {(counts[id] ?? 0) > 0 && (
            <span className="numerals ml-1.5 rounded bg-caution-soft px-1.5 text-[12px] text-caution">{counts[id]}</span>
          )}
        </button>
      ))}
      {children && <span className="ml-auto flex flex-wrap items-center gap-x-4 whitespace-nowrap">{children}</span>}
    </nav>
  );
}
