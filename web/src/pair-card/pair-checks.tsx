import type { CautionsResult } from '@ivlen/contract';
import { Check, Minus } from 'lucide-react';
import { CHECK_WORDS, type CheckSubject, checksCounted, checksInSentences } from '../coefficients/check-words';
import { CopyButton } from '../controls/copy-button';
import { keepTogether } from '../controls/rich-text';

/** What was looked at and held, each on a line with its value, and what could not be judged; all of it copied as sentences. */
export function PairChecks({ checks, subject }: { checks: CautionsResult['pairs'][number]['checks']; subject: CheckSubject }) {
  const shown = [...checks.filter(({ held }) => held), ...checks.filter(({ held }) => held === null)];
  return (
    <section aria-label="Checks" className="mt-3 text-[13px]" data-testid="pair-checks">
      <p className="flex items-baseline justify-between gap-3 text-muted">
        {checksCounted(checks)}
        <CopyButton label="Copy the checks" text={checksInSentences(checks, subject)} />
      </p>
      <ul className="numerals mt-1 space-y-0.5">
        {shown.map((check) => {
          const { name, value } = CHECK_WORDS[check.code];
          return (
            <li key={check.code} className="flex gap-1.5" data-check={check.code}>
              {check.held ? (
                <Check size={14} className="mt-0.5 shrink-0 text-muted" aria-label="held" />
              ) : (
                <Minus size={14} className="mt-0.5 shrink-0 text-muted" aria-label="not judged" />
              )}
              <span className="min-w-0">
                {name(subject)}: <span className="text-muted">{keepTogether(value(check, subject))}</span>
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
