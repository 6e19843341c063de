import { Dialog } from 'radix-ui';
import { type ReactNode, useState } from 'react';

interface ModalProps {
  readonly title: ReactNode;
  /** A sentence under the title. */
  readonly description?: ReactNode;
  /** Its width, and what else differs from one column of parts. */
  readonly className?: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** Marks what Escape closes before the dialog that it stands in: a list of completions. */
export const TAKES_ESCAPE = { 'data-takes-escape': '' } as const;

/** A dialog over the page; what had the focus before has it again afterwards. */
export function Modal({ title, description, className = 'w-96', onClose, children }: ModalProps) {
  const [before] = useState(() => document.activeElement);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/20" />
        <Dialog.Content
          className={`popover fixed top-[6%] left-1/2 flex max-h-[88vh] max-w-[94vw] -translate-x-1/2 flex-col overflow-y-auto p-5 ${className}`}
          {...(description ? {} : { 'aria-describedby': undefined })}
          onEscapeKeyDown={(event) => {
            if (document.querySelector('[data-takes-escape]')) event.preventDefault();
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            if (before instanceof HTMLElement) before.focus();
          }}
        >
          <Dialog.Title className={description ? 'text-base' : 'mb-3 text-base'}>{title}</Dialog.Title>
          {description && <Dialog.Description className="mt-1 mb-3 text-muted">{description}</Dialog.Description>}
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** Closes the dialog it stands in. */
export function CloseButton({ children }: { children: ReactNode }) {
  return <Dialog.Close className="button">{children}</Dialog.Close>;
}
