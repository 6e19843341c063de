import type { ShapeSettings } from '@ivlen/contract';
import { type FormEvent, useState } from 'react';
import { OptionList } from '../../methods-line/option-list';
import { ruleInWords } from '../../settings/shape-rule-in-words';

type Rule = ShapeSettings['rule'];

const USUAL: readonly { readonly rule: Rule; readonly words: string }[] = [
  { rule: { kind: 'limits', skewness: 2, excessKurtosis: 7 }, words: 'West, Finch & Curran (1995): beyond, estimates suffer.' },
  { rule: { kind: 'limits', skewness: 2, excessKurtosis: 2 }, words: 'Common practice.' },
  { rule: { kind: 'limits', skewness: 1, excessKurtosis: 1 }, words: 'Strict; common practice.' },
  { rule: { kind: 'standard-errors', limit: 1.96 }, words: 'A normal test of each at .05; strict where n is large.' },
];

/** The rule that marks a variable's shape: one of the usual ones, or own numbers. */
export function RuleEditor({ rule, onChoose }: { rule: Rule; onChoose: (rule: Rule) => void }) {
  const [problem, setProblem] = useState<string | null>(null);
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const [skewness, excessKurtosis] = ['skewness', 'kurtosis'].map((name) => Number(String(form.get(name) ?? '').replace(',', '.')));
    if (!skewness || !excessKurtosis || skewness < 0 || excessKurtosis < 0)
      return setProblem('Write two numbers above 0, such as 2 and 9.');
    onChoose({ kind: 'limits', skewness, excessKurtosis });
  };
  return (
    <>
      <OptionList
        label="Rule"
        value={ruleInWords(rule)}
        options={USUAL.map((item) => ({ value: ruleInWords(item.rule), name: ruleInWords(item.rule), words: item.words }))}
        onChoose={(chosen) => onChoose(USUAL.find((item) => ruleInWords(item.rule) === chosen)?.rule ?? rule)}
      />
      <form onSubmit={submit} className="mt-2 border-t border-rule px-2 pt-2">
        <p className="mb-1 text-[13px] text-muted">Own limits: absolute skewness, and absolute excess kurtosis</p>
        <div className="flex gap-2">
          <input name="skewness" className="field w-20" aria-label="Limit of skewness" placeholder="2" inputMode="decimal" />
          <input name="kurtosis" className="field w-20" aria-label="Limit of excess kurtosis" placeholder="9" inputMode="decimal" />
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
