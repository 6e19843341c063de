import type { ReactNode } from 'react';
import { CopyButton } from '../controls/copy-button';
import { PopoverEditor } from '../controls/popover-editor';
import { type MethodsPart, sentenceOf } from './methods-parts';

/** The sentence on top of a stage: real text, whose underlined parts are the controls. */
export function MethodsLine({
  parts,
  taken = true,
  children,
}: {
  parts: readonly MethodsPart[];
  /** Whether the sentence is one to be taken along. */
  taken?: boolean;
  /** What stands beside “Copy sentence”. */
  children?: ReactNode;
}) {
  return (
    <div className="flex items-start gap-6 border-b border-rule px-5 py-3">
      <p className="max-w-4xl font-serif text-[17px] leading-[1.55]" data-testid="methods-line">
        {parts.map((part) => (part.type === 'text' ? part.text : <ChoicePart key={part.label} part={part} />))}
      </p>
      <span className="mt-1 ml-auto flex shrink-0 gap-4 text-[13px]">
        {taken && <CopyButton label="Copy sentence" text={sentenceOf(parts)} />}
        {children}
      </span>
    </div>
  );
}

function ChoicePart({ part }: { part: Extract<MethodsPart, { type: 'choice' }> }) {
  return (
    <PopoverEditor
      label={part.label}
      trigger={part.text}
      {...(part.wide ? { width: 'w-[640px]' } : {})}
      triggerLabel={`${part.text}; change ${part.label}`}
      triggerClass={`inline rounded-none border-b leading-tight select-text hover:bg-accent-soft data-[state=open]:bg-accent-soft ${part.usual ? 'border-edge text-muted' : 'border-accent'}`}
    >
      {part.content}
    </PopoverEditor>
  );
}
