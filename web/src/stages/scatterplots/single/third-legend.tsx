import { groupShape, groupToken } from '../../../figures/group-styles';
import { Marker } from '../../../figures/marks/marker';
import { SCREEN } from '../../../figures/palette';
import type { Group } from '../../../settings/use-grouping';
import { axisLabel, displayName } from '../../../study/variable-name';
import { endInWords, pointStyles, type Third } from './third-scale';

const RADIUS = 3;

/** What colour, shape or size of the points tell. */
export function ThirdLegend({ third, groups }: { readonly third: Third; readonly groups: readonly Group[] }) {
  if (third.type === 'none') return null;
  if (third.type === 'groups') {
    return (
      <ul aria-label={`Groups of ${displayName(third.variable)}`} className="flex max-h-15 flex-wrap gap-x-4 overflow-y-auto text-[13px]">
        {groups.map(({ value, label }, group) => (
          <li key={value} className="flex items-center gap-1">
            <Marker shape={groupShape(group)} colour={`var(${groupToken(group)})`} /> {label}
          </li>
        ))}
      </ul>
    );
  }
  const [low, high] = third.domain;
  const ends = [low, (low + high) / 2, high];
  if (third.type === 'size') {
    const values = Float64Array.from(ends);
    const style = pointStyles({ ...third, values }, null, SCREEN, RADIUS);
    return (
      <p className="numerals flex items-center gap-3 text-[13px]">
        <span className="text-muted">{axisLabel(third.variable)}:</span>
        {ends.map((value, place) => (
          <span key={value} className="flex items-center gap-1">
            <svg width={18} height={18} aria-hidden="true">
              <circle cx={9} cy={9} r={style(place).radius} fill="var(--ink)" fillOpacity={0.6} />
            </svg>
            {endInWords(value)}
          </span>
        ))}
      </p>
    );
  }
  return (
    <p className="numerals flex items-center gap-2 text-[13px]">
      <span className="text-muted">{axisLabel(third.variable)}:</span> {endInWords(low)}
      <span
        aria-hidden="true"
        className="inline-block h-3 w-32 rounded"
        style={{ background: `linear-gradient(in lab to right, ${SCREEN.bar}, ${SCREEN.group(3)})` }}
      />
      {endInWords(high)}
    </p>
  );
}
