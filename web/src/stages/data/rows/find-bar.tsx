import type { FoundCells, RowOrder, Study } from '@ivlen/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { type FormEvent, useEffect, useState } from 'react';
import { toast } from 'sonner';
import { findQuery, positionQuery } from '../../../api/queries';
import type { Place } from './grid-cursor';

interface FindBarProps {
  readonly study: Study;
  readonly order: RowOrder;
  readonly text: string;
  readonly onText: (text: string) => void;
  readonly found: FoundCells | undefined;
  readonly onGo: (place: Place) => void;
}

/** Finds a value, a text or an identifier, and jumps to a row by its number. */
export function FindBar({ study, order, text, onText, found, onGo }: FindBarProps) {
  const client = useQueryClient();
  const [typed, setTyped] = useState(text);
  const [at, setAt] = useState(0);
  const columnOf = (variable: string) => study.state.variables.findIndex(({ id }) => id === variable);
  const go = (index: number) => {
    const cell = found?.cells[index];
    if (!cell) return;
    setAt(index);
    onGo({ position: cell.position, column: columnOf(cell.variable) });
  };
  const goFirst = () => go(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: only what was found anew moves the cursor.
  useEffect(goFirst, [found]);
  const step = (by: number) => go((at + by + (found?.cells.length ?? 0)) % Math.max(1, found?.cells.length ?? 1));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (typed.trim() === text && found) step(1);
    else onText(typed.trim());
  };
  const jump = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const row = Number(new FormData(event.currentTarget).get('row'));
    if (!Number.isInteger(row) || row < 1 || row > study.rows) {
      toast.error(`Rows go from 1 to ${study.rows.toLocaleString('en-GB')}. To find a row by its identifier, type that into Find.`);
      return;
    }
    const { position } = await client.fetchQuery(positionQuery(study.id, study.head, order, row));
    onGo({ position, column: 0 });
  };
  return (
    <>
      <form onSubmit={submit} className="flex items-center gap-1">
        <input
          type="search"
          className="field w-52 py-0.5"
          placeholder="Find a value or identifier"
          aria-label="Find a value or identifier"
          value={typed}
          onChange={(event) => {
            setTyped(event.target.value);
            if (event.target.value === '') onText('');
          }}
        />
        {text !== '' && found && (
          <span className="numerals flex items-center text-[13px] text-muted" role="status">
            {found.total === 0 ? 'nothing found' : `${at + 1} of ${found.total.toLocaleString('en-GB')}`}
            {found.total > 1 && (
              <>
                <button type="button" className="icon-button" aria-label="Previous place" onClick={() => step(-1)}>
                  <ChevronUp size={15} />
                </button>
                <button type="button" className="icon-button" aria-label="Next place" onClick={() => step(1)}>
                  <ChevronDown size={15} />
                </button>
              </>
            )}
          </span>
        )}
      </form>
      <form onSubmit={(event) => void jump(event)}>
        <input name="row" className="field numerals w-20 py-0.5" placeholder="Row no." aria-label="Go to row number" inputMode="numeric" />
      </form>
    </>
  );
}

/** What was looked for; nothing for an empty text. */
export function useFound(study: Study, order: RowOrder, text: string): FoundCells | undefined {
  return useQuery({ ...findQuery(study.id, study.head, order, text), enabled: text !== '' }).data;
}
