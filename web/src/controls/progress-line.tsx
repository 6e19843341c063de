import type { Progress } from '../api/client';

interface ProgressLineProps {
  /** What is being done: "Reading “survey.csv”". */
  readonly label: string;
  readonly progress: Progress | null;
  readonly onStop: () => void;
}

/** A long piece of work: how far it is, and the way to stop it. */
export function ProgressLine({ label, progress, onStop }: ProgressLineProps) {
  const known = progress !== null && progress.total > 0;
  return (
    <div role="status" className="flex items-center gap-4">
      <progress className="progress w-48" aria-label={label} {...(known ? { value: progress.done, max: progress.total } : {})} />
      <span className="numerals">
        {label}
        {known && `: ${progressInWords(progress)}`} …
      </span>
      <button type="button" className="button" onClick={onStop}>
        Stop
      </button>
    </div>
  );
}

const MEGABYTE = 1024 * 1024;

export function progressInWords({ what, done, total }: Progress): string {
  const count = (amount: number) => (what === 'bytes read' ? `${(amount / MEGABYTE).toFixed(0)} MB` : amount.toLocaleString('en-GB'));
  return what === 'bytes read' ? `${count(done)} of ${count(total)} read` : `${count(done)} of ${count(total)} ${what}`;
}
