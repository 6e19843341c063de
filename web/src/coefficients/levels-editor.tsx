import { type FormEvent, useId, useState } from 'react';
import { OptionList } from '../methods-line/option-list';
import { levelsInWords, readLevels } from './levels';

const USUAL: readonly (readonly number[])[] = [[0.05, 0.01, 0.001], [0.05, 0.01], [0.05], [0.1, 0.05, 0.01], [0.01, 0.001]];

/** Significance levels of the marks: one of the usual sets, or own ones. */
export function LevelsEditor({ levels, onChoose }: { levels: readonly number[]; onChoose: (levels: number[]) => void }) {
  const [own, setOwn] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const field = useId();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const read = readLevels(own);
    if (typeof read === 'string') setProblem(read);
    else onChoose(read);
  };
  return (
    <>
      <OptionList
        label="Significance levels"
        value={levels.join(' ')}
        options={USUAL.map((set) => ({ value: set.join(' '), name: levelsInWords(set) }))}
        onChoose={(chosen) => onChoose(chosen.split(' ').map(Number))}
      />
      <form onSubmit={submit} className="mt-2 border-t border-rule px-2 pt-2">
        <label htmlFor={field} className="mb-1 block text-[13px] text-muted">
          Others, from one to three
        </label>
        <div className="flex gap-2">
          <input
            id={field}
            className="field min-w-0 flex-1"
            value={own}
            placeholder=".1 .05"
            onChange={(event) => setOwn(event.target.value)}
          />
          <button type="submit" className="button">
            Use
          </button>
        </div>
        {problem && (
          <p role="alert" className="mt-1.5 text-[13px] text-caution">
            {problem}
          </p>
        )}
      </form>
    </>
  );
}
