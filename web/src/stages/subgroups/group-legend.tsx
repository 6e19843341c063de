import { groupShape, groupToken } from '../../figures/group-styles';
import { Marker } from '../../figures/marks/marker';
import type { ShownGroup } from '../../groups/compared-pairs';

/** Each group’s colour, shape and rows, and what the other marks of a lane are. */
export function GroupLegend({ groups }: { readonly groups: readonly ShownGroup[] }) {
  return (
    <p className="numerals flex max-h-16 flex-wrap items-center gap-x-4 gap-y-0.5 overflow-y-auto text-[13px]" data-testid="group-legend">
      {groups.map(({ label, style, rows }) => (
        <span key={label} className="inline-flex items-center gap-1.5">
          <Marker shape={groupShape(style)} colour={`var(${groupToken(style)})`} />
          {label} <span className="text-muted">n {rows.toLocaleString('en-GB')}</span>
        </span>
      ))}
      <span className="inline-flex items-center gap-1.5">
        <svg width={8} height={14} aria-hidden="true">
          <path d="M4 0V14" stroke="var(--ink)" strokeWidth={2} />
        </svg>
        all of them
      </span>
      <span className="inline-flex items-center gap-1.5">
        <svg width={8} height={14} aria-hidden="true">
          <path d="M4 0V14" stroke="var(--ink)" strokeWidth={2} strokeDasharray="2 2" />
        </svg>
        within groups
      </span>
    </p>
  );
}
