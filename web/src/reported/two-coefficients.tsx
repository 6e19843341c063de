import { compareIndependent, formatFixed, formatInterval, formatP } from '@ivlen/core';
import { useState } from 'react';
import { coefficientProblem, readNumber, sizeProblem } from '../controls/read-number';
import { NamedValues } from '../tables/named-values';
import { Calculator, NumberField, Problem } from './number-fields';

/** Whether two r's of different samples differ. */
export function TwoCoefficients() {
  const [fields, setFields] = useState({ r1: '.49', n1: '145', r2: '.36', n2: '87' });
  const set = (name: keyof typeof fields) => (value: string) => setFields({ ...fields, [name]: value });
  const [r1, n1, r2, n2] = [fields.r1, fields.n1, fields.r2, fields.n2].map(readNumber);
  const problem = [coefficientProblem(r1 ?? null), coefficientProblem(r2 ?? null), sizeProblem(n1 ?? null), sizeProblem(n2 ?? null)].find(
    Boolean,
  );
  const complete = r1 != null && n1 != null && r2 != null && n2 != null;
  return (
    <Calculator
      title="Do two r’s differ?"
      fields={
        <>
          <NumberField label="first r" value={fields.r1} onChange={set('r1')} />
          <NumberField label="its n" value={fields.n1} onChange={set('n1')} />
          <NumberField label="second r" value={fields.r2} onChange={set('r2')} />
          <NumberField label="its n" value={fields.n2} onChange={set('n2')} />
        </>
      }
    >
      {problem ? (
        <Problem>{problem}</Problem>
      ) : (
        complete && <Answer first={{ coefficient: r1, n: n1 }} second={{ coefficient: r2, n: n2 }} />
      )}
    </Calculator>
  );
}

interface Reported {
  readonly coefficient: number;
  readonly n: number;
}

function Answer({ first, second }: { first: Reported; second: Reported }) {
  const { z, pValue, cohensQ, interval } = compareIndependent([first, second], { method: 'pearson' });
  return (
    <div data-testid="reported-two">
      <NamedValues
        label="What follows"
        rows={[
          ['z', formatFixed(z, 3)],
          ['p, two-sided', formatP(pValue)],
          ['difference', formatFixed(first.coefficient - second.coefficient, 2)],
          ['its 95 % interval (Zou)', interval ? formatInterval(interval.low, interval.high, 3) : '–'],
          ['Cohen’s q', formatFixed(cohensQ, 3)],
        ]}
      />
      <p className="mt-2 text-[13px] text-muted">
        The two samples must be of different cases; two r’s of the same cases are compared in a pair’s card.
      </p>
    </div>
  );
}
