import { Tooltip } from 'radix-ui';
import type { ReactElement, ReactNode } from 'react';

const DELAY_MS = 300;

export function Tooltips({ children }: { children: ReactNode }) {
  return <Tooltip.Provider delayDuration={DELAY_MS}>{children}</Tooltip.Provider>;
}

/** Words that appear beside something on hover and focus. */
export function Hint({ text, children }: { text: ReactNode; children: ReactElement }) {
  return (
    <Tooltip.Root>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content
          className="z-50 max-w-72 rounded border border-rule bg-surface px-2.5 py-1.5 text-[13px] text-ink shadow-popover"
          sideOffset={6}
          collisionPadding={8}
        >
          {text}
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  );
}
