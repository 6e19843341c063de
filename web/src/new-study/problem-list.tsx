import type { ImportProblem, ImportSettingsPatch } from '@ivlen/contract';
import { CircleAlert, CircleCheck, CircleX } from 'lucide-react';
import { useState } from 'react';

const LISTED = 5;
const SEVERITY = {
  stops: { icon: CircleX, word: 'Stops the import', tone: 'text-negative' },
  check: { icon: CircleAlert, word: 'Please check', tone: 'text-caution' },
  note: { icon: CircleCheck, word: 'Done', tone: 'text-muted' },
} as const;

interface ProblemListProps {
  readonly problems: readonly ImportProblem[];
  readonly busy: boolean;
  readonly onMend: (patch: ImportSettingsPatch) => void;
}

/** What was found in the file, the worst first, with mends that take one click. */
export function ProblemList({ problems, busy, onMend }: ProblemListProps) {
  const [all, setAll] = useState(false);
  if (problems.length === 0) {
    return (
      <p className="mb-4 flex items-center gap-2 text-muted">
        <CircleCheck size={16} aria-hidden="true" /> How the file is read needs no second look. Its values are looked at once the study is
        made: Data, To check.
      </p>
    );
  }
  const toCheck = problems.filter(({ severity }) => severity !== 'note').length;
  const shown = all ? problems : problems.slice(0, LISTED);
  return (
    <section aria-labelledby="problems" className="mb-5">
      <h2 id="problems" className="mb-1.5">
        {toCheck === 0 ? 'Found and put right' : `${toCheck} ${toCheck === 1 ? 'thing' : 'things'} to check`}
      </h2>
      <ul className="divide-y divide-rule rounded border border-rule bg-surface">
        {shown.map((problem) => (
          <ProblemLine key={`${problem.code} ${problem.message}`} problem={problem} busy={busy} onMend={onMend} />
        ))}
      </ul>
      <a href="/help/bringing-in" target="_blank" rel="noreferrer" className="mt-1.5 mr-4 inline-block text-[13px] text-accent underline">
        What a table may look like
      </a>
      {problems.length > LISTED && (
        <button type="button" className="button-quiet mt-1.5" onClick={() => setAll(!all)}>
          {all ? 'Show fewer' : `Show ${problems.length - LISTED} more`}
        </button>
      )}
    </section>
  );
}

function ProblemLine({
  problem: { severity, message, hint, mends },
  busy,
  onMend,
}: { problem: ImportProblem } & Omit<ProblemListProps, 'problems'>) {
  const { icon: Icon, word, tone } = SEVERITY[severity];
  return (
    <li className="flex items-start gap-2.5 px-3 py-2">
      <Icon size={16} className={`mt-0.5 shrink-0 ${tone}`} role="img" aria-label={word} />
      <p className="min-w-0 flex-1">
        {message} {hint && <span className="text-muted">{hint}</span>}
      </p>
      {mends.map(({ label, patch }) => (
        <button key={label} type="button" className="button shrink-0 py-0.5 text-[13px]" disabled={busy} onClick={() => onMend(patch)}>
          {label}
        </button>
      ))}
    </li>
  );
}
