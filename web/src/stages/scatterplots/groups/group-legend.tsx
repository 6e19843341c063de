import { groupShape, groupToken } from '../../../figures/group-styles';
import { Marker } from '../../../figures/marks/marker';
import type { TakingGroup } from '../../../settings/use-grouping';

interface GroupLegendProps {
  /** What makes the groups, as people read it. */
  readonly by: string;
  /** Those that take part. */
  readonly groups: readonly Pick<TakingGroup, 'value' | 'label' | 'style'>[];
  /** Stored values of the groups that are not drawn. */
  readonly hidden: readonly number[];
  readonly onChange: (hidden: number[]) => void;
}

/** The groups by shape and colour; each can be hidden, or shown alone. */
export function GroupLegend({ by, groups, hidden, onChange }: GroupLegendProps) {
  const all = groups.map(({ value }) => value);
  const shown = groups.filter(({ value }) => !hidden.includes(value));
  const toggle = (value: number) => onChange(hidden.includes(value) ? hidden.filter((item) => item !== value) : [...hidden, value]);
  return (
    <div
      role="group"
      aria-label={`Groups of ${by}`}
      className="flex max-h-15 flex-wrap items-center gap-x-3 gap-y-0.5 overflow-y-auto text-[13px]"
    >
      <span className="text-muted">{by}:</span>
      {groups.map(({ value, label, style }) => {
        const isShown = !hidden.includes(value);
        return (
          <span key={value} className="group inline-flex items-center">
            <button
              type="button"
              aria-pressed={isShown}
              className={`inline-flex items-center gap-1 rounded px-1 hover:bg-accent-soft ${isShown ? '' : 'text-muted line-through'}`}
              title={isShown ? 'Hide this group' : 'Show this group'}
              onClick={() => toggle(value)}
            >
              <Marker shape={groupShape(style)} colour={isShown ? `var(${groupToken(style)})` : 'var(--edge)'} />
              {label}
            </button>
            {groups.length > 2 && !(shown.length === 1 && isShown) && (
              <button
                type="button"
                className="button-quiet text-[12px] opacity-0 group-hover:opacity-100 focus-visible:opacity-100"
                aria-label={`Only ${label}`}
                onClick={() => onChange(all.filter((item) => item !== value))}
              >
                only
              </button>
            )}
          </span>
        );
      })}
      {hidden.length > 0 && (
        <>
          <button type="button" className="button-quiet" onClick={() => onChange([])}>
            show all
          </button>
          <span className="text-muted">Hidden groups still count in the coefficients over all rows.</span>
        </>
      )}
    </div>
  );
}
