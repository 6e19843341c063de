import type { Variable } from '@ivlen/contract';
import { type FormEvent, useState } from 'react';
import { PopoverEditor } from '../../../controls/popover-editor';
import { axisLabel, displayName } from '../../../study/variable-name';
import type { PlotData } from '../plotting/plot-data';
import type { Selection } from './use-brush';

interface SelectByValuesProps {
  readonly variables: readonly Variable[];
  readonly data: PlotData | undefined;
  readonly onSelect: (selection: Selection) => void;
}

interface Range {
  readonly variable: string;
  readonly low: string;
  readonly high: string;
}

/** Lights rows by their values in two variables: what the brush does, without a pointer. */
export function SelectByValues({ variables, data, onSelect }: SelectByValuesProps) {
  const [ranges, setRanges] = useState<readonly Range[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const shown = ranges ?? variables.slice(0, 2).map(({ id }) => ({ variable: id, low: '', high: '' }));
  const set = (at: number, part: Partial<Range>) => setRanges(shown.map((range, i) => (i === at ? { ...range, ...part } : range)));
  const submit = (event: FormEvent, close: () => void) => {
    event.preventDefault();
    const limits = shown.map(({ variable, low, high }) => ({ variable, low: limit(low, -Infinity), high: limit(high, Infinity) }));
    if (limits.some(({ low, high }) => Number.isNaN(low) || Number.isNaN(high)))
      return setProblem('Write numbers, such as 7.4; an empty field is no limit.');
    if (limits.some(({ low, high }) => low > high)) return setProblem('“From” has to be below “to”.');
    if (!data) return;
    setProblem(null);
    const mask = new Uint8Array(data.rows.length).map((_, place) =>
      limits.every(({ variable, low, high }) => {
        const value = data.columns.get(variable)?.[place] ?? Number.NaN;
        return value >= low && value <= high;
      })
        ? 1
        : 0,
    );
    const [x, y] = shown.map(({ variable }) => variable);
    onSelect({ mask, count: mask.reduce((sum, byte) => sum + byte, 0), x: x ?? '', y: y ?? '' });
    close();
  };
  return (
    <PopoverEditor label="Select rows by values" trigger={<>Select by values …</>} width="w-96">
      {(close) => (
        <>
          <form onSubmit={(event) => submit(event, close)} className="flex flex-col gap-3">
            <p className="text-[13px] text-muted">Rows whose values lie in both ranges are selected; an empty field is no limit.</p>
            {shown.map((range, at) => {
              const variable = variables.find(({ id }) => id === range.variable);
              return (
                <fieldset key={at} className="flex items-center gap-2" aria-label={at === 0 ? 'First range' : 'Second range'}>
                  <select
                    aria-label="Variable"
                    className="field min-w-0 flex-1 py-0.5"
                    value={range.variable}
                    onChange={(event) => set(at, { variable: event.target.value })}
                  >
                    {variables.map((item) => (
                      <option key={item.id} value={item.id}>
                        {axisLabel(item)}
                      </option>
                    ))}
                  </select>
                  {(['low', 'high'] as const).map((end) => (
                    <label key={end} className="flex items-center gap-1 text-[13px]">
                      {end === 'low' ? 'from' : 'to'}
                      <input
                        className="field w-18 py-0.5"
                        inputMode="decimal"
                        aria-label={`${displayName(variable ?? { name: '' })} ${end === 'low' ? 'from' : 'to'}`}
                        value={range[end]}
                        onChange={(event) => set(at, { [end]: event.target.value })}
                      />
                    </label>
                  ))}
                </fieldset>
              );
            })}
            {problem && (
              <p role="alert" className="text-caution">
                {problem}
              </p>
            )}
            <button type="submit" className="button-primary self-start">
              Select them
            </button>
          </form>
        </>
      )}
    </PopoverEditor>
  );
}

function limit(text: string, none: number): number {
  const written = text.trim().replace('−', '-').replace(',', '.');
  return written === '' ? none : Number(written);
}
