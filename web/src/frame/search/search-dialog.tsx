import type { Study } from '@ivlen/contract';
import { Command } from 'cmdk';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useHelpAddress } from '../../help-texts/from';
import { useStudyPath } from '../../study/read-only';
import { useStageLinks } from '../stage-links';
import { findItems, GROUPS } from './find-items';
import { helpItems } from './help-items';

/** Goes to a variable, a pair, a stage, a question or a page of help by a part of its name. */
export function SearchDialog({ study, onClose }: { study: Study; onClose: () => void }) {
  const [typed, setTyped] = useState('');
  const navigate = useNavigate();
  const path = useStudyPath();
  const address = useHelpAddress();
  const found = [...findItems(study, useStageLinks(), typed), ...helpItems(typed, address)];
  const go = (to: string) => {
    onClose();
    void navigate(to.startsWith('/') ? to : `${path}/${to}`);
  };
  return (
    <Command.Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      label="Search this study"
      shouldFilter={false}
      loop
      className="flex min-h-0 flex-1 flex-col"
      overlayClassName="fixed inset-0 z-40 bg-ink/20"
      contentClassName="popover fixed top-[10%] left-1/2 z-50 flex max-h-[70vh] w-[560px] max-w-[94vw] -translate-x-1/2 flex-col p-0"
    >
      <Command.Input
        value={typed}
        onValueChange={setTyped}
        placeholder="A variable, two for a pair, a stage, a question, help"
        className="w-full border-b border-rule bg-transparent px-4 py-3 text-[16px] outline-none"
      />
      <Command.List className="min-h-0 flex-1 overflow-y-auto p-2" label="What was found">
        <Command.Empty className="px-2 py-3 text-muted">Nothing in this study or in help is called “{typed}”.</Command.Empty>
        {GROUPS.map((group) => {
          const items = found.filter((item) => item.group === group);
          if (items.length === 0) return null;
          return (
            <Command.Group
              key={group}
              heading={group}
              className="[&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:pb-1 [&_[cmdk-group-heading]]:text-[13px] [&_[cmdk-group-heading]]:text-muted"
            >
              {items.map(({ id, name, remark, to }) => (
                <Command.Item
                  key={id}
                  value={id}
                  onSelect={() => go(to)}
                  className="flex cursor-pointer items-baseline justify-between gap-4 rounded px-2 py-1.5 data-[selected=true]:bg-accent-soft"
                >
                  <span className="shrink-0">{name}</span>
                  {remark && <span className="truncate text-[13px] text-muted">{remark}</span>}
                </Command.Item>
              ))}
            </Command.Group>
          );
        })}
      </Command.List>
    </Command.Dialog>
  );
}
