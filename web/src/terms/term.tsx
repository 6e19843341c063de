import { Popover } from 'radix-ui';
import { type KeyboardEvent, lazy, type ReactNode, Suspense } from 'react';
import { TERMS, type TermId } from './terms';

const TermWords = lazy(async () => ({ default: (await import('../help-texts/term-words')).TermWords }));

interface TermProps {
  readonly of: TermId;
  /** The word as it stands. */
  readonly children: ReactNode;
  /** What is read out where the word alone does not say it. */
  readonly label?: string;
}

/** A word that explains itself where it stands. */
export function Term({ of, children, label }: TermProps) {
  const { entry } = TERMS[of];
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        {/* A button would be a box of its own, and be read out apart from its sentence: "p , two-sided". */}
        <span role="button" tabIndex={0} className="term" onKeyDown={pressedByKey} {...(label ? { 'aria-label': label } : {})}>
          {children}
        </span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={`What ${entry} means`}
          className="popover z-50 w-84 text-left font-sans text-[14px] font-normal whitespace-normal text-ink"
          sideOffset={5}
          collisionPadding={12}
        >
          <Suspense fallback={<p className="h-24 text-muted">Opening the words …</p>}>
            <TermWords entry={entry} />
          </Suspense>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** Enter and the space bar press it, as they press a button. */
function pressedByKey(event: KeyboardEvent<HTMLElement>): void {
  if (event.key !== 'Enter' && event.key !== ' ') return;
  event.preventDefault();
  event.stopPropagation();
  event.currentTarget.click();
}
