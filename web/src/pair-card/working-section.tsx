import type { PairResult } from '@ivlen/contract';
import { COEFFICIENTS, formatCoefficient, formatFixed, formatFullP } from '@ivlen/core';
import { useMemo } from 'react';
import { CopyButton } from '../controls/copy-button';
import { coefficientText, fineCoefficientText } from '../numbers/number-text';
import { PinButton } from '../pins/pin-button';
import { NamedValues } from '../tables/named-values';
import { type PairContext, pairWords, pinnedSection } from './pair-request';
import { workingFacts } from './working-facts';
import { workingAsText } from './working-text';

/** Of the smallest coefficient that would be found, by the alternative. */
const SIGN = { 'two-sided': '±', greater: '', less: '−' } as const;

/** How p and interval came about, with the numbers in them, and what this n could have found. */
export function WorkingSection({ context, result }: { context: PairContext; result: PairResult }) {
  const { method, settings, pair } = context;
  const facts = useMemo(() => workingFacts(pair, method, settings, result), [pair, method, settings, result]);
  const { test, alternative, held: k, df, steps, detectable, alpha } = facts;
  const { coefficient, pValue, log10P, pMethod, statistic, n, interval } = test;
  const r = coefficient ?? Number.NaN;
  const symbol = COEFFICIENTS[method].symbol;
  return (
    <div data-testid="working">
      {result.without[method] && (
        <p className="mb-2 text-[13px] text-muted">Of {symbol} with each row for itself, without what was decided for the pair.</p>
      )}
      {pMethod === 't' && statistic ? (
        <>
          <p className="numerals font-serif text-[15px]">
            t = {symbol} · √(n − 2{k > 0 ? ` − ${k}` : ''}) / √(1 − {symbol}²) = {formatCoefficient(r, 4)} · √{df} / √(1 −{' '}
            {formatCoefficient(r * r, 4)}) = {formatFixed(statistic.value, 3)}
          </p>
          <p className="mt-1 text-[13px] text-muted">t tests whether the coefficient is zero; it compares no means.</p>
        </>
      ) : (
        <p>
          {pMethod === 'exact'
            ? `p is exact: the share of all ${n}! orders of one variable, given the ties, whose ${symbol} is at least as extreme.`
            : pMethod === 'normal'
              ? `p is from the normal distribution of the number of concordant less discordant pairs, its variance corrected for ties${statistic ? `: z = ${formatFixed(statistic.value, 3)}` : ''}.`
              : `No test: ${symbol} is not defined, or exactly ±1.`}
        </p>
      )}
      <NamedValues
        label="Working"
        rows={[
          [symbol, formatCoefficient(r, 6), coefficient],
          ['n', n],
          ...(statistic ? [[statistic.name, formatFixed(statistic.value, 4), statistic.value] as const] : []),
          ...(pMethod === 't' && statistic ? [['degrees of freedom', df] as const] : []),
          [
            `p, ${alternative === 'two-sided' ? 'two-sided' : 'one-sided'}`,
            pValue === null ? '–' : formatFullP(pValue, log10P ?? Number.NEGATIVE_INFINITY),
            pValue,
          ],
          ...steps.map(({ words, shown, exact }) => [words, shown, exact] as const),
        ]}
      />
      {interval && steps.length === 0 && (
        <p className="mt-1 text-[13px] text-muted">The interval is from samples of the rows drawn again: no formula leads to it by hand.</p>
      )}
      {COEFFICIENTS[method].squareIsShared && !Number.isNaN(r) && (
        <p className="mt-2 text-[13px]">
          r² = {fineCoefficientText(r * r)}: the variables share {Math.round(1000 * r * r) / 10} % of their variance. r itself is not a
          percentage.
        </p>
      )}
      {Number.isFinite(detectable) && (
        <p className="mt-2 text-[13px]">
          With n = {n}, a population correlation of {SIGN[alternative]}
          {coefficientText(detectable)} or {alternative === 'less' ? 'less' : 'more'} would be found at {String(alpha).replace(/^0/, '')}{' '}
          with a power of .80{COEFFICIENTS[method].ofRanks ? ' (computed for r)' : ''}.
        </p>
      )}
      <p className="mt-2 flex gap-4 text-[13px]">
        <CopyButton label="Copy the working" text={workingAsText(facts)} />
        <PinButton study={context.study} pinned={pinnedSection(context, 'working', `Working of ${pairWords(context)}`)} />
      </p>
    </div>
  );
}
