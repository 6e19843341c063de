import type { PredictionResult } from '@ivlen/contract';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { analysisQuery } from '../api/queries';
import { percent } from '../coefficients/cell-data';
import { FailureNotice } from '../controls/failure-notice';
import { readNumber } from '../controls/read-number';
import { asMeasured, significant } from '../figures/as-measured';
import { axisLabel, displayName } from '../study/variable-name';
import { type PairContext, pairOf } from './pair-request';

/** What the line says at a value of x that is typed: for the mean of such cases, and for a new one. */
export function LinePrediction({ context }: { context: PairContext }) {
  const { study, pair, settings } = context;
  const [text, setText] = useState('');
  const id = useId();
  const at = readNumber(text);
  const usable = at !== null && Number.isFinite(at);
  const { data, error } = useQuery({
    ...analysisQuery(study.id, study.head, { kind: 'prediction', ...pairOf(context), level: settings.level, at: usable ? at : 0 }),
    enabled: usable,
    placeholderData: keepPreviousData,
  });
  const y = displayName(pair.y);
  return (
    <div className="mt-3 border-t border-rule pt-2 text-[13px]">
      <label htmlFor={id} className="flex flex-wrap items-center gap-2">
        {y} on the line at {displayName(pair.x)} =
        <input
          id={id}
          className="field numerals w-24 py-0.5"
          inputMode="decimal"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <span className="text-muted">{pair.x.unit}</span>
      </label>
      {at !== null && !usable && (
        <p role="alert" className="mt-1 text-caution">
          “{text.trim()}” is not a number; a value of {axisLabel(pair.x)} is meant.
        </p>
      )}
      {usable && error && <FailureNotice error={error} />}
      {usable && data && data.at === at && (
        <p className="numerals mt-1" data-testid="line-prediction">
          {predictionInWords(data, y, percent(settings.level))}
          {data.outside && (
            <span className="mt-1 block text-caution">
              The rows run from {asMeasured(data.xMin)} to {asMeasured(data.xMax)}: {asMeasured(at)} lies outside, where nothing was
              measured and the line is a guess.
            </span>
          )}
        </p>
      )}
    </div>
  );
}

/** "12.3; the mean of such cases lies in [11.1, 13.5], a new case in [5.2, 19.4], both at 95 % (t, 234 df)." */
export function predictionInWords({ value, mean, newCase, df }: PredictionResult, y: string, level: string): string {
  if (value === null) return 'There is no line: too few rows, or what is across does not vary.';
  if (!mean || !newCase) return `${y} = ${significant(value)}; the points lie exactly on the line, so that nothing tells how sure that is.`;
  const limits = ({ low, high }: { low: number; high: number }) => `[${significant(low)}, ${significant(high)}]`;
  return `${y} = ${significant(value)}; the mean of such cases lies in ${limits(mean)}, a new case in ${limits(newCase)}, each at ${level} (t, ${df} df).`;
}
