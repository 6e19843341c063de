import { Popover } from 'radix-ui';
import { type ReactNode, useState } from 'react';

interface PopoverEditorProps {
  /** What it is about, for those who listen. */
  readonly label: string;
  /** What it is opened by. */
  readonly trigger: ReactNode;
  readonly triggerClass?: string;
  /** Of the trigger, where its words do not say it. */
  readonly triggerLabel?: string;
  readonly disabled?: boolean;
  readonly width?: string;
  readonly side?: 'top' | 'bottom';
  readonly align?: 'start' | 'end';
  readonly children: (close: () => void) => ReactNode;
}

/** Words or a button with what changes them in a popover. */
export function PopoverEditor({
  label,
  trigger,
  triggerClass = 'button-quiet text-[13px]',
  triggerLabel,
  disabled = false,
  width = 'w-80',
  side = 'bottom',
  align = 'start',
  children,
}: PopoverEditorProps) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className={triggerClass} disabled={disabled} {...(triggerLabel ? { 'aria-label': triggerLabel } : {})}>
        {trigger}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={label}
          className={`popover z-50 ${width}`}
          side={side}
          align={align}
          sideOffset={6}
          collisionPadding={12}
        >
          {children(() => setOpen(false))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
