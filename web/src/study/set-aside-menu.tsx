import { Popover } from 'radix-ui';
import { useState } from 'react';
import { ReasonChoice } from './reason-choice';

const REASONS = ['misread', 'entered twice', 'other population', 'not independent'] as const;

interface SetAsideMenuProps {
  readonly label: string;
  readonly disabled?: boolean;
  /** Of the button, where the label alone does not say which rows. */
  readonly name?: string;
  readonly className?: string;
  /** Held by whoever opens it by other means too. */
  readonly open?: boolean;
  readonly onOpen?: (open: boolean) => void;
  readonly onChoose: (because: string, words: string) => void;
}

/** Asks why: one of the usual reasons or another, and words if there are any. A reason is always the researcher’s own. */
export function SetAsideMenu({
  label,
  disabled = false,
  name,
  className = 'button py-0.5',
  open: heldOpen,
  onOpen,
  onChoose,
}: SetAsideMenuProps) {
  const [ownOpen, setOwnOpen] = useState(false);
  const open = heldOpen ?? ownOpen;
  const setOpen = onOpen ?? setOwnOpen;
  const [words, setWords] = useState('');
  const choose = (because: string) => {
    setOpen(false);
    onChoose(because, words.trim());
  };
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className={className} disabled={disabled} aria-label={name}>
        {label}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="popover z-50 w-80" side="top" align="start" sideOffset={6} aria-label="Why set aside">
          <p className="mb-2 text-[13px] text-muted">They stay in the table, and are left out of all computing. Why?</p>
          <ReasonChoice usual={REASONS} action="Set aside" onChoose={choose} />
          <label className="mt-2.5 block">
            <span className="block text-[13px] text-muted">More words for the trail; can follow later</span>
            <textarea className="field h-14 w-full" maxLength={1000} value={words} onChange={(event) => setWords(event.target.value)} />
          </label>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
