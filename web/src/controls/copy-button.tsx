import { Check, Copy } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { copyAs } from './clipboard';
import { withItalics } from './rich-text';

const SHOWN_MS = 1500;

/** Copies a text, plain and with its symbols in italics, and says so for a moment. */
export function CopyButton({ label, text, className = '' }: { label: string; text: string; className?: string }) {
  const [copied, setCopied] = useState(false);
  const copy = async () => {
    try {
      await write(text);
      setCopied(true);
      setTimeout(() => setCopied(false), SHOWN_MS);
    } catch {
      toast.error('The browser does not let this page copy. Select the text and copy it yourself.');
    }
  };
  return (
    <button type="button" className={`button-quiet ${className}`} onClick={() => void copy()}>
      {copied ? <Check size={14} aria-hidden="true" /> : <Copy size={14} aria-hidden="true" />}
      <span aria-live="polite">{copied ? 'Copied' : label}</span>
    </button>
  );
}

async function write(text: string): Promise<void> {
  // Some browsers know plain text only.
  if (typeof ClipboardItem === 'undefined') return navigator.clipboard.writeText(text);
  await copyAs({ 'text/html': withItalics(text), 'text/plain': text });
}
