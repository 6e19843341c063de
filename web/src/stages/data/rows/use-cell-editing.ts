import type { Row, Study } from '@ivlen/contract';
import { type ClipboardEvent, useState } from 'react';
import { toast } from 'sonner';
import { useLatest } from '../../../controls/use-latest';
import { useReadOnly } from '../../../study/read-only';
import { useStudyChanges } from '../../../study/use-study-changes';
import { cellInput, pastedCells } from '../cell-text';
import type { Place } from './grid-cursor';

interface CellEditingOptions {
  readonly study: Study;
  readonly cursor: Place;
  readonly rowAt: (position: number) => Row | undefined;
  readonly onMove: (place: Place) => void;
}

/** Typing into cells and pasting blocks; each is one change of the study. */
export function useCellEditing({ study, cursor, rowAt, onMove }: CellEditingOptions) {
  const readOnly = useReadOnly();
  const { change } = useStudyChanges(study);
  const { variables } = study.state;
  const [draft, setDraft] = useState<string | null>(null);

  const start = (text?: string) => {
    const variable = variables[cursor.column];
    if (readOnly || !variable) return;
    if (variable.derivation) return void toast(`${variable.name} is computed; correct what it is computed from, or how.`);
    setDraft(text ?? cellInput(rowAt(cursor.position)?.cells[cursor.column] ?? null));
  };
  const onEdit = useLatest(() => start());
  const onEdited = useLatest((row: Row, column: number, text: string | undefined, step: { down: number; right: number } | null) => {
    setDraft(null);
    const variable = variables[column];
    if (variable && text !== undefined && text.trim() !== cellInput(row.cells[column] ?? null)) {
      change.mutate({ change: { type: 'edit-cells', variables: [variable.id], rows: [row.number], cells: [[text]] } });
    }
    if (!step) return;
    onMove({
      position: Math.max(0, Math.min(study.rows - 1, cursor.position + step.down)),
      column: Math.max(0, Math.min(variables.length - 1, column + step.right)),
    });
  });
  const onPaste = (event: ClipboardEvent<HTMLDivElement>) => {
    if (draft !== null || readOnly) return;
    event.preventDefault();
    const cells = pastedCells(event.clipboardData.getData('text/plain'));
    const width = cells[0]?.length ?? 0;
    const ids = variables.slice(cursor.column, cursor.column + width).map(({ id }) => id);
    const rows = cells.map((_, i) => rowAt(cursor.position + i)?.number);
    if (ids.length < width || rows.some((row) => row === undefined)) {
      const beyond = ids.length < width ? 'to the right of the last column' : 'below the last row in view';
      return void toast.error(`The ${cells.length} × ${width} cells would reach ${beyond}. Nothing was pasted; choose another first cell.`);
    }
    change.mutate({
      change: { type: 'edit-cells', variables: ids, rows: rows.flatMap((row) => (row === undefined ? [] : [row])), cells },
    });
  };
  const onCopy = (event: ClipboardEvent<HTMLDivElement>) => {
    if (draft !== null) return;
    event.preventDefault();
    event.clipboardData.setData('text/plain', cellInput(rowAt(cursor.position)?.cells[cursor.column] ?? null));
  };
  return { draft, start, onEdit, onEdited, onPaste, onCopy };
}
