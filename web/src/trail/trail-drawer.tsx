import type { Study, Trail } from '@ivlen/contract';
import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { DecisionLine } from './decision-line';

/** The decisions of the study in a drawer, newest first. */
export function TrailDrawer({ study, trail }: { study: Study; trail: Trail | undefined }) {
  const count = trail?.decisions.length ?? 0;
  return (
    <Dialog.Root>
      <Dialog.Trigger className="rounded px-2 py-1 text-accent hover:underline">
        Trail
        {count > 0 && <span className="max-[1160px]:hidden">{` · ${count} ${count === 1 ? 'decision' : 'decisions'}`}</span>}
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/20" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-y-0 right-0 z-50 flex w-[420px] max-w-full flex-col border-l border-rule bg-paper shadow-popover"
        >
          <header className="flex items-center border-b border-rule px-5 py-3">
            <Dialog.Title className="text-base">Trail of {study.name}</Dialog.Title>
            <Dialog.Close className="icon-button ml-auto" aria-label="Close the trail">
              <X size={17} />
            </Dialog.Close>
          </header>
          <ol className="min-h-0 flex-1 divide-y divide-rule overflow-y-auto" reversed>
            {trail?.decisions.map((decision, i) => (
              <DecisionLine
                key={`${decision.earlier} ${decision.number}`}
                study={study}
                decision={decision}
                isLast={i === 0 && trail.undo !== null}
                isShown={!decision.earlier && decision.number === study.head}
              />
            ))}
          </ol>
          <p className="border-t border-rule px-5 py-3 text-[13px] text-muted">
            Each decision is kept with its reason, also when it is taken back.
          </p>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
