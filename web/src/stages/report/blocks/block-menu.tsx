import { arrayMove } from '@dnd-kit/sortable';
import type { ReportPart } from '@ivlen/contract';
import { EllipsisVertical } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useRef, useState } from 'react';
import { copyBlocks } from '../copy-blocks';
import type { BlockProps } from './block-props';
import { RenameCaption } from './rename-caption';

const PART_WORDS: Readonly<Record<ReportPart, string>> = { text: 'the text', tables: 'the table', figures: 'the figure' };

interface BlockMenuProps extends BlockProps {
  readonly name: string;
  readonly parts: readonly ReportPart[];
  readonly onEdit: () => void;
}

/** What can be done with a block. */
export function BlockMenu({ study, written, report, actions, name, parts, onEdit }: BlockMenuProps) {
  const { block, text, state } = written;
  const [renaming, setRenaming] = useState(false);
  const opensEditor = useRef(false);
  const { content } = block;
  const isOwn = content.kind === 'paragraph' && content.of === 'own';
  const told = state?.pin?.told;
  const has: Readonly<Record<ReportPart, boolean>> = {
    text: (told?.paragraphs.length ?? 0) > 0,
    tables: (told?.tables.length ?? 0) > 0,
    figures: (told?.figures.length ?? 0) > 0,
  };
  const available = (['text', 'tables', 'figures'] as const).filter((part) => has[part]);
  const toggle = (part: ReportPart) => {
    const shows = available.filter((item) => (item === part ? !parts.includes(item) : parts.includes(item)));
    if (shows.length > 0) actions.change.mutate({ id: block.id, shows });
  };
  const ids = report.blocks.map((item) => item.block.id);
  const place = ids.indexOf(block.id);
  const move = (by: 1 | -1) => actions.order.mutate(arrayMove(ids, place, place + by));
  const hold = (revision: number | null) =>
    content.kind === 'pin' && actions.change.mutate({ id: block.id, pin: { ...content.pin, revision } });
  return (
    <>
      <DropdownMenu.Root
        modal={false}
        onOpenChange={(open) => {
          if (open) opensEditor.current = false;
        }}
      >
        <DropdownMenu.Trigger className="icon-button" aria-label={`Menu: ${name}`}>
          <EllipsisVertical size={16} />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            className="menu font-sans"
            align="start"
            onCloseAutoFocus={(event) => {
              // An editor that opens keeps the cursor, however often the menu says that it has closed.
              if (opensEditor.current) event.preventDefault();
            }}
          >
            {text !== null && (
              <Item
                onSelect={() => {
                  opensEditor.current = true;
                  onEdit();
                }}
              >
                Edit the text
              </Item>
            )}
            {text !== null && block.text !== null && !isOwn && (
              <Item onSelect={() => actions.change.mutate({ id: block.id, text: null })}>Write it from the data again</Item>
            )}
            {text === null && <Item onSelect={() => setRenaming(true)}>Change the caption …</Item>}
            <Item onSelect={() => void copyBlocks([written], report)}>Copy</Item>
            {available.length > 1 && <DropdownMenu.Separator className="my-1 border-t border-rule" />}
            {available.length > 1 &&
              available.map((part) => (
                <DropdownMenu.CheckboxItem key={part} className="menu-item" checked={parts.includes(part)} onSelect={() => toggle(part)}>
                  <span className="w-4">
                    <DropdownMenu.ItemIndicator>✓</DropdownMenu.ItemIndicator>
                  </span>
                  Show {PART_WORDS[part]}
                </DropdownMenu.CheckboxItem>
              ))}
            <DropdownMenu.Separator className="my-1 border-t border-rule" />
            {content.kind === 'pin' &&
              (content.pin.revision === null ? (
                <Item onSelect={() => hold(study.head)}>Hold at this state (decision {study.head})</Item>
              ) : (
                <Item onSelect={() => hold(null)}>Follow the data</Item>
              ))}
            {place > 0 && <Item onSelect={() => move(-1)}>Move up</Item>}
            {place < ids.length - 1 && <Item onSelect={() => move(1)}>Move down</Item>}
            <Item onSelect={() => actions.add.mutate({ blocks: [{ content: { kind: 'paragraph', of: 'own' } }], after: block.id })}>
              Add a text below
            </Item>
            <Item onSelect={() => actions.remove.mutate(block)}>Remove</Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {renaming && (
        <RenameCaption
          caption={block.title ?? written.tables[0]?.caption ?? written.figures[0]?.caption ?? ''}
          onSave={(title) => actions.change.mutate({ id: block.id, title: title === '' ? null : title })}
          onClose={() => setRenaming(false)}
        />
      )}
    </>
  );
}

function Item({ children, onSelect }: { children: React.ReactNode; onSelect: () => void }) {
  return (
    <DropdownMenu.Item className="menu-item" onSelect={onSelect}>
      {children}
    </DropdownMenu.Item>
  );
}
