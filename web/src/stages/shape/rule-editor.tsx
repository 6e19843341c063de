import type { ShapeSettings } from '@ivlen/contract';
import { OwnValueForm } from '../../controls/own-value-form';
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
  return (
    <>
      <OptionList
        label="Rule"
        value={ruleInWords(rule)}
        options={USUAL.map((item) => ({ value: ruleInWords(item.rule), name: ruleInWords(item.rule), words: item.words }))}
        onChoose={(chosen) => onChoose(USUAL.find((item) => ruleInWords(item.rule) === chosen)?.rule ?? rule)}
      />
      <OwnValueForm<Rule>
        label="Own limits: absolute skewness, and absolute excess kurtosis"
        fields={[
          { label: 'Limit of skewness', placeholder: '2' },
          { label: 'Limit of excess kurtosis', placeholder: '9' },
        ]}
        read={(texts) => {
          const [skewness = 0, excessKurtosis = 0] = texts.map((text) => Number(text.replace(',', '.')));
          return skewness > 0 && excessKurtosis > 0
            ? { value: { kind: 'limits', skewness, excessKurtosis } }
            : { problem: 'Write two numbers above 0, such as 2 and 9.' };
        }}
        onUse={onChoose}
      />
    </>
  );
}
