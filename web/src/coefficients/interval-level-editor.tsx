import { type FormEvent, useId, useState } from 'react';

const USUAL = [0.9, 0.95, 0.99] as const;

/** Confidence level of the intervals: a usual one, or an own one. */
export function IntervalLevel({ level, onChoose }: { level: number; onChoose: (level: number) => void }) {
  const [own, setOwn] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const field = useId();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const read = Number(own.replace(',', '.').replace('%', '')) / 100;
    if (read > 0 && read < 1) {
      setProblem(null);
      onChoose(read);
    } else setProblem('A level lies between 0 and 100 %, such as 95.');
  };
  return (
    <form onSubmit={submit} className="mt-2 border-t border-rule px-2 pt-2">
      <div className="flex flex-wrap items-center gap-1.5">
        {USUAL.map((usual) => (
          <button
            key={usual}
            type="button"
            aria-pressed={level === usual}
            className={`button px-2 py-0.5 ${level === usual ? 'bg-accent-soft' : ''}`}
            onClick={() => onChoose(usual)}
          >
            {Math.round(usual * 100)} %
          </button>
        ))}
        <label htmlFor={field} className="ml-auto text-[13px] text-muted">
          or
        </label>
        <input
          id={field}
          aria-label="Another level, in per cent"
          className="field w-16"
          value={own}
          onChange={(event) => setOwn(event.target.value)}
        />
        <button type="submit" className="button px-2 py-0.5">
          Use
        </button>
      </div>
      {problem && (
        <p role="alert" className="mt-1.5 text-[13px] text-caution">
          {problem}
        </p>
      )}
    </form>
  );
}
