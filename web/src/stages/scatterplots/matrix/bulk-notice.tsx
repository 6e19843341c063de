import type { Variable } from '@ivlen/contract';
import { PopoverEditor } from '../../../controls/popover-editor';
import { asMeasured } from '../../../figures/as-measured';
import { displayName } from '../../../study/variable-name';
import type { Axis } from '../plotting/axes-of';

interface BulkNoticeProps {
  readonly variables: readonly Variable[];
  readonly axes: ReadonlyMap<string, Axis> | undefined;
  readonly bulk: readonly string[];
  readonly onChange: (bulk: string[]) => void;
}

/** Offers to end an axis where the bulk of the values does, where a few squeeze all others. */
export function BulkNotice({ variables, axes, bulk, onChange }: BulkNoticeProps) {
  const squeezed = variables.flatMap((variable) => {
    const found = axes?.get(variable.id)?.bulk;
    return found ? [{ variable, beyond: found.beyond }] : [];
  });
  if (squeezed.length === 0) return null;
  const zoomed = squeezed.filter(({ variable }) => bulk.includes(variable.id));
  const words = [
    squeezed.length > zoomed.length ? `${axesInWords(squeezed.length - zoomed.length)} squeezed by outlying values` : '',
    zoomed.length > 0 ? `${axesInWords(zoomed.length)} zoomed to the bulk` : '',
  ];
  return (
    <PopoverEditor label="Axes squeezed by outlying values" trigger={<>{words.filter(Boolean).join(', ')} …</>} width="w-96">
      {() => (
        <>
          <p className="mb-2 text-[13px] text-muted">
            Zoomed to the bulk, an axis ends before these values; their points are marked at the edge.
          </p>
          <ul>
            {squeezed.map(({ variable, beyond }) => (
              <li key={variable.id}>
                <label className="flex items-baseline gap-2 rounded px-2 py-1 hover:bg-accent-soft">
                  <input
                    type="checkbox"
                    className="size-4 translate-y-0.5 accent-accent"
                    aria-label={`Zoom ${displayName(variable)} to the bulk`}
                    checked={bulk.includes(variable.id)}
                    onChange={(event) =>
                      onChange(event.target.checked ? [...bulk, variable.id] : bulk.filter((item) => item !== variable.id))
                    }
                  />
                  {displayName(variable)}
                  <span className="numerals ml-auto text-[13px] text-muted">{valuesInWords(beyond, variable.unit)}</span>
                </label>
              </li>
            ))}
          </ul>
          {squeezed.length > 1 && (
            <p className="mt-1 flex gap-4 px-2">
              <button type="button" className="button-quiet" onClick={() => onChange(squeezed.map(({ variable }) => variable.id))}>
                Zoom all to the bulk
              </button>
              <button type="button" className="button-quiet" disabled={zoomed.length === 0} onClick={() => onChange([])}>
                Whole axes
              </button>
            </p>
          )}
        </>
      )}
    </PopoverEditor>
  );
}

function axesInWords(count: number): string {
  return count === 1 ? '1 axis' : `${count} axes`;
}

const MOST_NAMED = 3;

function valuesInWords(values: readonly number[], unit: string | null): string {
  const named = values.slice(0, MOST_NAMED).map(asMeasured);
  const more = values.length > MOST_NAMED ? ` and ${values.length - MOST_NAMED} more` : '';
  return `${named.join(', ')}${more}${unit ? ` ${unit}` : ''}`;
}
