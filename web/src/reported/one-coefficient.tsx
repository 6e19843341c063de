import { formatCoefficient, formatFixed, formatFullP, formatInterval, formatP, testReported } from '@ivlen/core';
import { useState } from 'react';
import { coefficientProblem, readNumber, sizeProblem } from '../controls/read-number';
import { NamedValues } from '../tables/named-values';
import { Calculator, NumberField, Problem } from './number-fields';

/** p and interval of r from r and n, with the working. */
export function OneCoefficient() {
  const [r, setR] = useState('.42');
  const [n, setN] = useState('50');
  const [coefficient, size] = [readNumber(r), readNumber(n)];
  const problem = coefficientProblem(coefficient) ?? sizeProblem(size, 3);
  return (
    <Calculator
      title="p and interval of r"
      fields={
        <>
          <NumberField label="Pearson’s r" value={r} onChange={setR} placeholder="−.45" />
          <NumberField label="n" value={n} onChange={setN} placeholder="120" />
        </>
      }
    >
      {problem ? <Problem>{problem}</Problem> : coefficient !== null && size !== null && <Answer r={coefficient} n={size} />}
    </Calculator>
  );
}

function Answer({ r, n }: { r: number; n: number }) {
  const { pValue, log10P, statistic, interval } = testReported({ coefficient: r, n });
  const df = n - 2;
  return (
    <div data-testid="reported-one">
      <p className="numerals mb-2 font-serif text-[16px]">
        t = r · √(n − 2) / √(1 − r²) = {formatCoefficient(r)} · √{df} / √(1 − {formatCoefficient(r * r, 4)}) ={' '}
        {formatFixed(statistic?.value ?? Number.NaN, 3)}
      </p>
      <NamedValues
        label="What follows"
        rows={[
          ['p, two-sided', `${formatP(pValue)}${pValue < 0.001 ? ` (${formatFullP(pValue, log10P)})` : ''}`],
          ['95 % confidence interval', interval ? formatInterval(interval.low, interval.high, 3) : 'none: needs 4 rows'],
          ['t', formatFixed(statistic?.value ?? Number.NaN, 3)],
          ['degrees of freedom', df],
          ['r², variance shared', formatCoefficient(r * r, 3)],
        ]}
      />
      <p className="mt-2 text-[13px] text-muted">Supposes that r is Pearson’s and that the shape of the data lets its test stand.</p>
    </div>
  );
}
