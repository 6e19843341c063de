import { canBeCorrelated, type Expectation, type Hypothesis, type Question, type StatedHypothesis, type Study } from '@ivlen/contract';
import { adviseMethod, COEFFICIENTS, METHOD_NAMES, type Method } from '@ivlen/core';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useMemo, useState } from 'react';
import { analysisQuery } from '../../../api/queries';
import { readNumber } from '../../../controls/read-number';
import { least } from '../../../numbers/ends';
import { useAdvisedVariables } from '../../../pair-card/use-pair-advice';
import { useShapeMarks } from '../../../settings/use-shape-marks';
import { useStudyChanges } from '../../../study/use-study-changes';
import { displayName } from '../../../study/variable-name';
import { EXPECTATIONS, expectationInWords, hypothesesInWords } from './expectation-words';

interface HypothesisFormProps {
  readonly study: Study;
  readonly question: Question;
  readonly before: StatedHypothesis | null;
  readonly onDone: () => void;
}

/** A hypothesis in the making: the pair, what is expected of it, and the method with its reason. */
export function HypothesisForm({ study, question, before, onDone }: HypothesisFormProps) {
  const variables = study.state.variables.filter(canBeCorrelated);
  const predictor = variables.find(({ role }) => role === 'predictor') ?? variables[0];
  const outcome =
    variables.find(({ role, id }) => role === 'outcome' && id !== predictor?.id) ?? variables.find((item) => item !== predictor);
  const [x, setX] = useState(before?.x ?? predictor?.id ?? '');
  const [y, setY] = useState(before?.y ?? outcome?.id ?? '');
  const [expectation, setExpectation] = useState<Expectation>(before?.expectation ?? 'either');
  const [chosen, setMethod] = useState<Method | null>(before?.method ?? null);
  const [reason, setReason] = useState<string | null>(before?.because ?? null);
  const [bound, setBound] = useState(before?.bound == null ? '' : String(before.bound).replace(/^0/, ''));
  const [problem, setProblem] = useState<string | null>(null);
  const { change } = useStudyChanges(study);
  const pair = useMemo(() => variables.filter(({ id }) => id === x || id === y), [variables, x, y]);
  const { marked } = useShapeMarks(study, pair);
  const { data: summary } = useQuery(analysisQuery(study.id, study.head, { kind: 'summary' }));
  const fewest = least(pair.map(({ id }) => summary?.variables.find((item) => item.id === id)?.n ?? Number.POSITIVE_INFINITY));
  // Whether r and ρ differ is a result: what is stated before one is seen cannot rest on it.
  const [a, b] = useAdvisedVariables(study, pair, fewest, marked);
  const advice = a && b ? adviseMethod(a, b, { n: fewest }) : null;
  const method = chosen ?? advice?.method ?? 'pearson';
  const because = reason ?? (chosen === null || chosen === advice?.method ? (advice?.because ?? '') : '');
  const [first, second] = [x, y].map((id) => variables.find((variable) => variable.id === id));
  const words = first && second && hypothesesInWords(expectation, displayName(first), displayName(second));

  const submit = (event: FormEvent) => {
    event.preventDefault();
    const smallest = readNumber(bound);
    if (x === y) return setProblem('A hypothesis is about two different variables.');
    if (smallest !== null && !(smallest > 0 && smallest < 1))
      return setProblem('The smallest coefficient of interest lies between 0 and 1, such as .1.');
    const statement: Hypothesis = { x, y, expectation, method, because: because.trim(), bound: smallest };
    setProblem(null);
    change.mutate(
      { change: { type: 'state-hypothesis', question: question.id, hypothesis: before?.id ?? null, statement } },
      { onSuccess: onDone },
    );
  };
  const select = 'rounded border border-edge bg-surface px-1.5 py-1';
  return (
    <form
      onSubmit={submit}
      aria-label={before ? 'Change the hypothesis' : 'New hypothesis'}
      className="space-y-3 border-t border-rule pt-3"
    >
      <p className="flex flex-wrap items-center gap-2">
        <select aria-label="First variable" className={select} value={x} onChange={(event) => setX(event.target.value)}>
          {variables.map((variable) => (
            <option key={variable.id} value={variable.id}>
              {displayName(variable)}
            </option>
          ))}
        </select>
        and
        <select aria-label="Second variable" className={select} value={y} onChange={(event) => setY(event.target.value)}>
          {variables.map((variable) => (
            <option key={variable.id} value={variable.id}>
              {displayName(variable)}
            </option>
          ))}
        </select>
      </p>
      <fieldset className="space-y-1">
        <legend className="text-[13px] text-muted">What is expected</legend>
        {EXPECTATIONS.map((item) => (
          <label key={item} className="flex items-center gap-2">
            <input
              type="radio"
              name="expectation"
              className="accent-accent"
              checked={expectation === item}
              onChange={() => setExpectation(item)}
            />
            {first && second && expectationInWords(item, first, second)}
          </label>
        ))}
      </fieldset>
      <p className="text-[13px] text-muted">
        {words && `${words.nothing}. ${words.something}.`}
        {expectation !== 'either' && ' A direction has to be decided on before the result is seen.'}
      </p>
      <p className="flex flex-wrap items-center gap-2">
        <label className="flex items-center gap-2">
          by
          <select
            aria-label="Method of the hypothesis"
            className={select}
            value={method}
            onChange={(event) => setMethod(METHOD_NAMES.find((item) => item === event.target.value) ?? 'pearson')}
          >
            {METHOD_NAMES.map((item) => (
              <option key={item} value={item}>
                {COEFFICIENTS[item].name}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-1 items-center gap-2">
          because
          <input className="field min-w-48 flex-1" maxLength={1000} value={because} onChange={(event) => setReason(event.target.value)} />
        </label>
      </p>
      <label className="flex items-center gap-2 text-[13px] text-muted">
        smallest coefficient of interest, to test that there is no more than that (may stay empty)
        <input className="field w-20" value={bound} placeholder=".1" onChange={(event) => setBound(event.target.value)} />
      </label>
      {before?.shown && (
        <p className="text-caution">Its result was shown already: the trail will say that the hypothesis was changed after that.</p>
      )}
      {problem && (
        <p role="alert" className="text-caution">
          {problem}
        </p>
      )}
      <p className="flex gap-3">
        <button type="submit" className="button" disabled={change.isPending}>
          {before ? 'Change it' : 'State it'}
        </button>
        <button type="button" className="button-quiet" onClick={onDone}>
          Cancel
        </button>
      </p>
    </form>
  );
}
