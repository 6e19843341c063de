import { COEFFICIENTS, compareIndependent, formatFixed, testAgainst } from '@ivlen/core';
import { useId, useState } from 'react';
import { percent } from '../coefficients/cell-data';
import { coefficientProblem, readNumber, sizeProblem } from '../controls/read-number';
import { coefficientText, intervalText, pRelationText } from '../numbers/number-text';
import type { PairContext } from './pair-request';

interface ReportedSectionProps {
  readonly context: PairContext;
  readonly coefficient: number;
  readonly n: number;
}

/** The coefficient against one that another study reported. */
export function ReportedSection({ context: { method, settings }, coefficient, n }: ReportedSectionProps) {
  const [value, setValue] = useState('');
  const [size, setSize] = useState('');
  const ids = [useId(), useId()] as const;
  const reported = readNumber(value);
  const reportedN = size.trim() === '' ? null : readNumber(size);
  const symbol = COEFFICIENTS[method].symbol;
  const problem = coefficientProblem(reported) ?? sizeProblem(reportedN);
  return (
    <div data-testid="against-reported">
      <div className="flex flex-wrap items-end gap-3 text-[13px]">
        <label htmlFor={ids[0]} className="text-muted">
          reported {symbol}
          <input
            id={ids[0]}
            className="field mt-0.5 block w-24"
            value={value}
            placeholder="−.45"
            onChange={(event) => setValue(event.target.value)}
          />
        </label>
        <label htmlFor={ids[1]} className="text-muted">
          its n, if known
          <input
            id={ids[1]}
            className="field mt-0.5 block w-24"
            value={size}
            placeholder="120"
            onChange={(event) => setSize(event.target.value)}
          />
        </label>
      </div>
      {problem ? (
        <p role="alert" className="mt-2 text-[13px] text-caution">
          {problem}
        </p>
      ) : (
        reported !== null && <Comparison {...{ method, settings, coefficient, n, reported, reportedN }} />
      )}
    </div>
  );
}

type ComparisonProps = Pick<PairContext, 'method' | 'settings'> & {
  readonly coefficient: number;
  readonly n: number;
  readonly reported: number;
  readonly reportedN: number | null;
};

function Comparison({ method, settings: { level, levels }, coefficient, n, reported, reportedN }: ComparisonProps) {
  const symbol = COEFFICIENTS[method].symbol;
  if (reportedN === null) {
    const { z, pValue } = testAgainst({ coefficient, n }, reported, { method, level });
    return (
      <p className="mt-2 text-[13px]">
        Whether the population’s {symbol} is {coefficientText(reported)}, taken as a known value: z = {formatFixed(z, 3)},{' '}
        {pRelationText(pValue, levels)}, two-sided. Give its n to allow for its own uncertainty.
      </p>
    );
  }
  const { z, pValue, interval, cohensQ } = compareIndependent(
    [
      { coefficient, n },
      { coefficient: reported, n: reportedN },
    ],
    { method, level },
  );
  if (Number.isNaN(z))
    return <p className="mt-2 text-[13px]">One of the samples is too small to be compared, or a coefficient is exactly ±1.</p>;
  return (
    <p className="mt-2 text-[13px]">
      {coefficientText(coefficient)} (n = {n}) against {coefficientText(reported)} (n = {reportedN}): z = {formatFixed(z, 3)},{' '}
      {pRelationText(pValue, levels)}, two-sided
      {interval &&
        `; difference ${formatFixed(coefficient - reported, 2)}, ${percent(level)} interval ${intervalText(interval.low, interval.high)}`}
      ; Cohen’s q = {formatFixed(cohensQ, 2)}. The samples are taken as independent.
    </p>
  );
}
