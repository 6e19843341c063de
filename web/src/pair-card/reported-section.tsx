import { COEFFICIENTS } from '@ivlen/core';
import { useId, useState } from 'react';
import { coefficientProblem, readNumber, sizeProblem } from '../controls/read-number';
import { PinButton } from '../pins/pin-button';
import { type PairContext, pairWords, pinnedSection } from './pair-request';
import { againstReported } from './reported-words';

interface ReportedSectionProps {
  readonly context: PairContext;
  readonly coefficient: number;
  readonly n: number;
}

/** The coefficient against one that another study reported. */
export function ReportedSection({ context, coefficient, n }: ReportedSectionProps) {
  const { method, settings } = context;
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
        reported !== null && (
          <div className="mt-2 text-[13px]">
            <p>
              {againstReported({ method, settings, coefficient, n, reported, reportedN })}
              {reportedN === null && ' Give its n to allow for its own uncertainty.'}
            </p>
            <PinButton
              study={context.study}
              pinned={pinnedSection(context, 'reported', `${symbol} of ${pairWords(context)} against a reported value`, null, {
                reported,
                reportedN,
              })}
            />
          </div>
        )
      )}
    </div>
  );
}
