import { COEFFICIENTS, formatFixed, METHOD_NAMES, type Method, sampleSizeForDifference, sampleSizeForWidth } from '@ivlen/core';
import { useId, useState } from 'react';
import { coefficientProblem, readNumber } from '../controls/read-number';
import { NamedValues } from '../tables/named-values';
import { Calculator, NumberField, Problem } from './number-fields';

/** How many cases make an interval as narrow as is wished. */
export function SampleSizeForWidth() {
  const [fields, setFields] = useState({ coefficient: '.5', width: '.2', level: '.95' });
  const [method, setMethod] = useState<Method>('pearson');
  const id = useId();
  const set = (name: keyof typeof fields) => (value: string) => setFields({ ...fields, [name]: value });
  const [coefficient, width, level] = [fields.coefficient, fields.width, fields.level].map((text) => readNumber(text));
  const problem =
    coefficientProblem(coefficient ?? null) ??
    (width != null && !(width >= 0.002 && width < 2) ? 'The width lies between .002 and 2, such as .2.' : null) ??
    (level != null && !(level >= 0.5 && level < 1) ? 'The confidence level lies between .5 and 1, such as .95.' : null);
  const answer =
    problem === null && coefficient != null && width != null && level != null
      ? sampleSizeForWidth({ method, coefficient, width, level })
      : null;
  return (
    <Calculator
      title="Sample size for an interval"
      fields={
        <>
          <div className="text-[13px] text-muted">
            <label htmlFor={id}>coefficient</label>
            <select
              id={id}
              className="field mt-0.5 block text-ink"
              value={method}
              onChange={(event) => setMethod(METHOD_NAMES.find((name) => name === event.target.value) ?? 'pearson')}
            >
              {METHOD_NAMES.map((name) => (
                <option key={name} value={name}>
                  {COEFFICIENTS[name].name}
                </option>
              ))}
            </select>
          </div>
          <NumberField label="expected" value={fields.coefficient} onChange={set('coefficient')} />
          <NumberField label="width" value={fields.width} onChange={set('width')} />
          <NumberField label="confidence" value={fields.level} onChange={set('level')} />
        </>
      }
    >
      {problem && <Problem>{problem}</Problem>}
      {answer && (
        <div data-testid="reported-width">
          <NamedValues
            label="What follows"
            rows={[
              ['cases needed', answer.n.toLocaleString('en-GB')],
              ['width with them', formatFixed(answer.width, 3)],
            ]}
          />
          <p className="mt-2 text-[13px] text-muted">
            Bonett and Wright’s formulas, at the coefficient expected: one nearer to 0 has a wider interval
            {method === 'kendall' ? ', and ties widen that of τ' : ''}.
          </p>
        </div>
      )}
    </Calculator>
  );
}

/** How many cases tell two correlations of separate groups apart. */
export function SampleSizeForDifference() {
  const [fields, setFields] = useState({ r1: '.5', r2: '.3', power: '.80', alpha: '.05' });
  const set = (name: keyof typeof fields) => (value: string) => setFields({ ...fields, [name]: value });
  const [r1, r2, power, alpha] = [fields.r1, fields.r2, fields.power, fields.alpha].map((text) => readNumber(text));
  const problem =
    coefficientProblem(r1 ?? null) ??
    coefficientProblem(r2 ?? null) ??
    (r1 != null && r2 != null && Math.abs(r1 - r2) < 0.002
      ? 'No number of cases tells equal correlations apart: choose two that differ.'
      : null) ??
    (alpha != null && !(alpha > 0 && alpha < 0.5) ? 'The level lies between 0 and .5, such as .05.' : null) ??
    (power != null && !(power > (alpha ?? 0) && power < 1) ? 'The power lies between the level and 1, such as .80.' : null);
  const answer =
    problem === null && r1 != null && r2 != null && power != null && alpha != null
      ? sampleSizeForDifference({ r1, r2, power, alpha })
      : null;
  return (
    <Calculator
      title="Sample size for a difference"
      fields={
        <>
          <NumberField label="r in one group" value={fields.r1} onChange={set('r1')} />
          <NumberField label="r in the other" value={fields.r2} onChange={set('r2')} />
          <NumberField label="power" value={fields.power} onChange={set('power')} />
          <NumberField label="level" value={fields.alpha} onChange={set('alpha')} />
        </>
      }
    >
      {problem && <Problem>{problem}</Problem>}
      {answer && (
        <div data-testid="reported-difference">
          <NamedValues
            label="What follows"
            rows={[
              ['cases needed in each group', answer.n.toLocaleString('en-GB')],
              ['Cohen’s q', formatFixed(answer.q, 3)],
            ]}
          />
          <p className="mt-2 text-[13px] text-muted">
            By Fisher’s z, two-sided. Telling two correlations apart takes far more cases than finding either.
          </p>
        </div>
      )}
    </Calculator>
  );
}
