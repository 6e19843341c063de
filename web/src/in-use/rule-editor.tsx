import { labelOf, makesGroups, type Rule, type Study, type Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { categoriesQuery } from '../api/queries';
import { displayName } from '../study/variable-name';

const DAY_MS = 86_400_000;

interface RuleEditorProps {
  readonly study: Study;
  readonly rule: Rule;
  readonly onChange: (rule: Rule) => void;
  readonly onRemove: () => void;
}

/** One rule as a sentence of choices: what it is about, how, and which values. */
export function RuleEditor({ study, rule, onChange, onRemove }: RuleEditorProps) {
  const variable = rule.type === 'rows' ? undefined : study.state.variables.find(({ id }) => id === rule.variable);
  return (
    <li className="flex items-start gap-2 py-2">
      <div className="flex min-w-0 flex-1 flex-wrap items-start gap-2">
        <select
          className="field max-w-44 py-0.5"
          aria-label="What the rule is about"
          value={rule.type === 'rows' ? '' : rule.variable}
          onChange={(event) => onChange(newRule(study, event.target.value))}
        >
          <option value="">row numbers</option>
          {study.state.variables.map((item) => (
            <option key={item.id} value={item.id}>
              {displayName(item)}
            </option>
          ))}
        </select>
        <select
          className="field py-0.5"
          aria-label="How"
          value={manner(rule)}
          onChange={(event) => onChange(inManner(rule, event.target.value, variable))}
        >
          {mannersFor(rule, variable).map((word) => (
            <option key={word}>{word}</option>
          ))}
        </select>
        <RuleValues study={study} rule={rule} variable={variable} onChange={onChange} />
      </div>
      <button type="button" className="icon-button shrink-0" aria-label="Remove this rule" onClick={onRemove}>
        <X size={15} />
      </button>
    </li>
  );
}

/** A rule to start from, as fits the variable; row numbers for an empty id. */
export function newRule(study: Study, id: string): Rule {
  const variable = study.state.variables.find((item) => item.id === id);
  if (!variable) return { type: 'rows', from: 1, to: study.rows, not: false };
  if (variable.storage === 'code' || makesGroups(variable)) {
    return { type: 'one-of', variable: id, values: [], not: false };
  }
  return { type: 'between', variable: id, low: null, high: null, not: false };
}

const WORDS = {
  'one-of': ['is one of', 'is none of'],
  between: ['is between', 'is not between'],
  rows: ['are', 'are not'],
  missing: ['is missing', 'is not missing'],
} as const;

function manner(rule: Rule): string {
  return WORDS[rule.type][rule.not ? 1 : 0];
}

function mannersFor(rule: Rule, variable: Variable | undefined): readonly string[] {
  if (rule.type === 'rows') return WORDS.rows;
  const sized = variable?.storage !== 'code' ? WORDS.between : [];
  return [...WORDS['one-of'], ...sized, ...WORDS.missing];
}

function inManner(rule: Rule, word: string, variable: Variable | undefined): Rule {
  const not = Object.values(WORDS).some(([, negative]) => negative === word);
  if (rule.type === 'rows') return { ...rule, not };
  const id = variable?.id ?? rule.variable;
  if (WORDS['one-of'].some((item) => item === word))
    return rule.type === 'one-of' ? { ...rule, not } : { type: 'one-of', variable: id, values: [], not };
  if (WORDS.between.some((item) => item === word))
    return rule.type === 'between' ? { ...rule, not } : { type: 'between', variable: id, low: null, high: null, not };
  return { type: 'missing', variable: id, not };
}

function RuleValues({ study, rule, variable, onChange }: Omit<RuleEditorProps, 'onRemove'> & { variable: Variable | undefined }) {
  switch (rule.type) {
    case 'missing':
      return null;
    case 'rows':
      return (
        <>
          <Bound
            label="First row"
            value={rule.from}
            onChange={(value) => onChange({ ...rule, from: Math.max(1, Math.round(value ?? 1)) })}
          />
          <span className="py-0.5">to</span>
          <Bound
            label="Last row"
            value={rule.to}
            onChange={(value) => onChange({ ...rule, to: Math.max(1, Math.round(value ?? study.rows)) })}
          />
        </>
      );
    case 'between':
      return (
        <>
          <Bound label="Smallest" date={variable?.storage === 'day'} value={rule.low} onChange={(low) => onChange({ ...rule, low })} />
          <span className="py-0.5">and</span>
          <Bound label="Largest" date={variable?.storage === 'day'} value={rule.high} onChange={(high) => onChange({ ...rule, high })} />
          {variable?.unit && <span className="py-0.5 text-muted">{variable.unit}</span>}
        </>
      );
    case 'one-of':
      return <Values study={study} rule={rule} variable={variable} onChange={onChange} />;
  }
}

function Bound({
  label,
  value,
  date = false,
  onChange,
}: {
  label: string;
  value: number | null;
  date?: boolean;
  onChange: (value: number | null) => void;
}) {
  const shown = value === null ? '' : date ? new Date(value * DAY_MS).toISOString().slice(0, 10) : String(value);
  return (
    <input
      key={shown}
      type={date ? 'date' : 'text'}
      className={`field numerals py-0.5 ${date ? '' : 'w-24'}`}
      aria-label={label}
      placeholder="any"
      inputMode="decimal"
      defaultValue={shown}
      onBlur={(event) => {
        const text = event.target.value.trim().replace(',', '.').replace('−', '-');
        const number = date ? Date.parse(text) / DAY_MS : Number(text);
        onChange(text === '' || Number.isNaN(number) ? null : number);
      }}
      onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
    />
  );
}

function Values({
  study,
  rule,
  variable,
  onChange,
}: {
  study: Study;
  rule: Extract<Rule, { type: 'one-of' }>;
  variable: Variable | undefined;
  onChange: (rule: Rule) => void;
}) {
  const { data } = useQuery(categoriesQuery(study.id, study.head, rule.variable));
  if (!data) return <span className="py-0.5 text-muted">…</span>;
  if (data.categories === null) {
    return (
      <input
        className="field min-w-0 flex-1 py-0.5"
        aria-label="Values, separated by semicolons"
        placeholder="values, separated by ;"
        defaultValue={rule.values.join('; ')}
        onBlur={(event) =>
          onChange({
            ...rule,
            values: event.target.value
              .split(';')
              .map((text) => text.trim())
              .filter(Boolean),
          })
        }
      />
    );
  }
  const toggle = (text: string, on: boolean) =>
    onChange({ ...rule, values: on ? [...rule.values, text] : rule.values.filter((value) => value !== text) });
  return (
    <ul
      className="flex max-h-40 w-full flex-wrap gap-x-4 gap-y-0.5 overflow-y-auto"
      aria-label={`Values of ${variable ? displayName(variable) : ''}`}
    >
      {data.categories.map(({ text, rows }) => (
        <li key={text}>
          <label className="flex items-center gap-1.5">
            <input
              type="checkbox"
              className="size-4 accent-accent"
              checked={rule.values.includes(text)}
              onChange={(event) => toggle(text, event.target.checked)}
            />
            {labelOf(variable?.valueLabels ?? {}, text) ?? text} <span className="numerals text-[13px] text-muted">{rows}</span>
          </label>
        </li>
      ))}
    </ul>
  );
}
