import { useSortable } from '@dnd-kit/sortable';
import type { ReportPart, RichText } from '@ivlen/contract';
import { useQueryClient } from '@tanstack/react-query';
import { GripVertical } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { settingsQuery } from '../../../api/queries';
import { FailureNotice } from '../../../controls/failure-notice';
import { Skeleton } from '../../../controls/skeleton';
import { useReadOnly } from '../../../study/read-only';
import { RichView, type ValueOnPage } from '../text/rich-view';
import { shownParts } from '../written-report';
import { BlockHeading } from './block-heading';
import { BlockMenu } from './block-menu';
import { BlockNotes } from './block-notes';
import type { BlockProps } from './block-props';
import { FigureView } from './figure-view';
import { pairAddress } from './pair-address';
import { ReportTable } from './report-table';

const RichEditor = lazy(async () => ({ default: (await import('../text/rich-editor')).RichEditor }));

/** A block of the report: what it says, shows and draws, and beside it what moves, changes and removes it. */
export function BlockView(props: BlockProps) {
  const { study, written, report, actions } = props;
  const { block, heading, text, tables, figures, state } = written;
  const readOnly = useReadOnly();
  // Which groups take part is not part of a pin.
  const grouping = useQueryClient().getQueryData(settingsQuery(study.id, 'grouping').queryKey)?.settings;
  const [editing, setEditing] = useState(false);
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: block.id,
    disabled: readOnly,
  });
  const name = heading || tables[0]?.caption || figures[0]?.caption || 'text';
  const isEmpty = text !== null && text.content.length === 0;
  const save = (next: RichText) => actions.change.mutate({ id: block.id, text: next });
  const onPage = ({ block: of, key, shown }: { block: string; key: string; shown: string }): ValueOnPage => {
    const known = report.values.get(of);
    const now = known?.get(key);
    const isOwn = block.text !== null;
    return {
      shown: now?.shown ?? shown,
      state: !isOwn || !known?.size || now?.shown === shown ? 'same' : now ? 'changed' : 'gone',
      to: pairAddress(study, report, of, key),
    };
  };
  const parts: readonly ReportPart[] = state?.pin ? shownParts(block, state.pin.told) : ['text'];
  return (
    <section
      ref={setNodeRef}
      aria-label={name}
      data-testid="report-block"
      data-kind={block.content.kind === 'pin' ? block.content.pin.stage : block.content.of}
      className={`group/block relative ${isDragging ? 'z-10 bg-paper opacity-80' : ''}`}
      style={{ transform: transform ? `translate(0, ${Math.round(transform.y)}px)` : undefined, transition }}
    >
      {!readOnly && (
        <span className="absolute top-0 -left-9 flex flex-col font-sans opacity-50 group-hover/block:opacity-100 focus-within:opacity-100 print:hidden">
          <button
            ref={setActivatorNodeRef}
            type="button"
            className="icon-button cursor-grab"
            {...attributes}
            {...listeners}
            aria-label={`Move: ${name}`}
          >
            <GripVertical size={16} />
          </button>
          <BlockMenu {...props} name={name} parts={parts} onEdit={() => setEditing(true)} />
        </span>
      )}
      {text !== null && heading !== '' && (
        <BlockHeading heading={heading} isOwn={block.title !== null} onChange={(title) => actions.change.mutate({ id: block.id, title })} />
      )}
      <BlockNotes {...props} />
      {state?.error && <FailureNotice error={state.error} />}
      {state && !state.pin && !state.error && <Skeleton label="Computing what is pinned" className="my-3 h-24" />}
      {text !== null &&
        (editing ? (
          <Suspense fallback={<RichView text={text} onPage={onPage} />}>
            <RichEditor
              text={text}
              label={`Text: ${name}`}
              shownNow={(of, key) => report.values.get(of)?.get(key)?.shown ?? null}
              onChange={save}
              onDone={() => setEditing(false)}
            />
          </Suspense>
        ) : (
          // biome-ignore lint/a11y/useKeyWithClickEvents: the same is in the menu, which the keyboard reaches.
          <div
            className={`report-text ${readOnly ? '' : 'cursor-text'}`}
            data-testid="report-text"
            onClick={() => {
              // A text that is being selected is not being edited.
              if (!readOnly && (window.getSelection()?.isCollapsed ?? true)) setEditing(true);
            }}
          >
            <RichView text={text} onPage={onPage} />
            {isEmpty && !readOnly && block.content.kind === 'paragraph' && block.content.of === 'own' && (
              <p className="text-muted print:hidden">Write here.</p>
            )}
          </div>
        ))}
      {tables.map((table) => (
        <ReportTable key={`${table.number}.${table.part}`} table={table} />
      ))}
      {figures.map((figure, i) => (
        <FigureView key={figure.number} figure={figure} of={[study.id, state?.pin?.at, block.content, i, figure.caption, grouping]} />
      ))}
    </section>
  );
}
