import type { Variable } from '@ivlen/contract';
import { FORMULA_FUNCTIONS, formulaName } from '@ivlen/core';
import { type KeyboardEvent, useId, useRef, useState } from 'react';
import { TAKES_ESCAPE } from '../../../controls/modal';

const MOST_OFFERED = 8;
const WORD_BEFORE = /(?:\[[^\]]*|[\p{L}_][\p{L}\p{N}_]*)$/u;

interface FormulaFieldProps {
  readonly value: string;
  readonly variables: readonly Variable[];
  readonly onChange: (text: string) => void;
}

/** A formula, with names of variables and functions offered while one is typed. */
export function FormulaField({ value, variables, onChange }: FormulaFieldProps) {
  const id = useId();
  const field = useRef<HTMLInputElement>(null);
  const [caret, setCaret] = useState<number | null>(null);
  const [marked, setMarked] = useState(0);
  const offers = caret === null ? [] : completions(value.slice(0, caret), variables);
  const insert = (offer: Completion | undefined) => {
    if (!offer || caret === null) return;
    const start = caret - offer.replaces;
    onChange(value.slice(0, start) + offer.text + value.slice(caret));
    const end = start + offer.text.length;
    setCaret(null);
    requestAnimationFrame(() => {
      field.current?.focus();
      field.current?.setSelectionRange(end, end);
    });
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (offers.length === 0) return;
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      setMarked((marked + (event.key === 'ArrowDown' ? 1 : offers.length - 1)) % offers.length);
    } else if (event.key === 'Enter' || event.key === 'Tab') {
      event.preventDefault();
      insert(offers[marked]);
    } else if (event.key === 'Escape') {
      setCaret(null);
    }
  };
  return (
    <div className="relative">
      <input
        ref={field}
        className="field w-full font-medium"
        role="combobox"
        aria-label="Formula"
        aria-expanded={offers.length > 0}
        aria-controls={`${id}-offers`}
        aria-activedescendant={offers.length > 0 ? `${id}-${marked}` : undefined}
        placeholder={example(variables)}
        autoComplete="off"
        spellCheck={false}
        value={value}
        onChange={(event) => {
          onChange(event.target.value);
          setCaret(event.target.selectionStart);
          setMarked(0);
        }}
        onKeyDown={onKeyDown}
        onBlur={() => setCaret(null)}
      />
      {offers.length > 0 && (
        <div id={`${id}-offers`} {...TAKES_ESCAPE} role="listbox" aria-label="Names" className="menu absolute top-full left-0 mt-1">
          {offers.map((offer, i) => (
            <div
              key={offer.text}
              id={`${id}-${i}`}
              role="option"
              tabIndex={-1}
              aria-selected={i === marked}
              className={`menu-item ${i === marked ? 'bg-accent-soft' : ''}`}
              onMouseDown={(event) => {
                event.preventDefault();
                insert(offer);
              }}
            >
              {offer.text}
              <span className="ml-auto pl-4 text-[12px] text-muted">{offer.about}</span>
            </div>
          ))}
        </div>
      )}
    </div>
  );
}

/** A formula of the study's own variables, as an example. */
function example(variables: readonly Variable[]): string {
  const [first, second] = variables
    .filter(({ storage, kind }) => storage === 'number' && kind !== 'identifier')
    .map(({ name }) => formulaName(name));
  return first && second ? `${first} / ${second}` : '';
}

interface Completion {
  readonly text: string;
  readonly about: string;
  /** Characters before the caret that it takes the place of. */
  readonly replaces: number;
}

/** Names that the word before the caret could become. */
export function completions(before: string, variables: readonly Variable[]): Completion[] {
  const word = WORD_BEFORE.exec(before)?.[0];
  if (!word) return [];
  const wanted = word.replace('[', '').toLowerCase();
  const names = variables
    .filter(({ storage }) => storage === 'number')
    .filter(({ name, label }) => [name, name.replaceAll('_', ' '), label ?? ''].some((text) => text.toLowerCase().includes(wanted)))
    .map(({ name, unit, kind }) => ({ text: formulaName(name), about: unit ?? kind }));
  const functions = word.startsWith('[')
    ? []
    : FORMULA_FUNCTIONS.filter((name) => name.startsWith(wanted)).map((name) => ({ text: `${name}(`, about: 'function' }));
  const offers = [...names, ...functions].filter(({ text }) => text !== word);
  return offers.slice(0, MOST_OFFERED).map((offer) => ({ ...offer, replaces: word.length }));
}
