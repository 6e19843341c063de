import { Check, Copy } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';

const SHOWN_MS = 1500;

/** Copies a text and says so for a moment. */
export function CopyButton({ label, text, className = '' }: { label: string; text: string; className?: string }) {
  const [copied, setCopied] = useState(false);
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(text);
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
