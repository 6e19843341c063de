import type { CorrelationSettings, PairResult } from '@ivlen/contract';
import { formatCoefficient, formatFixed, formatFullP, formatInterval, formatP } from '@ivlen/core';
import type { ReactNode } from 'react';
import { Hint } from '../frame/tooltip';

interface PairFiguresProps {
  readonly result: PairResult;
  readonly levels: readonly number[];
  readonly alternative: CorrelationSettings['alternative'];
}

/** The numbers of the pair, each with its name. */
export function PairFigures({ result, levels, alternative }: PairFiguresProps) {
  const { coefficient, pValue, log10P, t, df, n, interval, degenerate } = result;
  const r = coefficient ?? Number.NaN;
  const p = pValue ?? Number.NaN;
  const full = degenerate ? 'exactly 0: the points lie on a line' : formatFullP(p, log10P ?? Number.NEGATIVE_INFINITY);
  return (
    <table className="mt-3 w-full border-t border-rule" data-testid="pair-figures">
      <tbody>
        <Row name="Pearson’s r" strong>
          {formatCoefficient(r, 3)}
        </Row>
        <Row name="95 % confidence interval">
          {interval ? formatInterval(interval.low, interval.high, 3) : degenerate ? 'none: r is exactly ±1' : 'none: needs 4 rows'}
        </Row>
        <Row name={alternative === 'two-sided' ? 'p, two-sided' : `p, one-sided (${alternative === 'greater' ? 'positive' : 'negative'})`}>
          {Number.isNaN(p) ? (
            '–'
          ) : (
            <Hint text={`p = ${full}`}>
              <span className="inline-block" role="note" aria-label={`${formatP(p, levels)}, in full ${full}`}>
                {formatP(p, levels)}
                {p < 0.001 && <span className="ml-2 text-muted">{full}</span>}
              </span>
            </Hint>
          )}
        </Row>
        <Row name="n, rows used">{n}</Row>
        <Row name="t">{t === null ? (degenerate ? '±∞' : '–') : formatFixed(t, 3)}</Row>
        <Row name="degrees of freedom">{df ?? '–'}</Row>
        <Row name="r², variance shared">{Number.isNaN(r) ? '–' : formatCoefficient(r * r, 3)}</Row>
      </tbody>
    </table>
  );
}

function Row({ name, strong = false, children }: { name: string; strong?: boolean; children: ReactNode }) {
  return (
    <tr className={`border-b border-rule ${strong ? 'font-semibold' : ''}`}>
      <th scope="row" className="py-1 pr-3 text-left font-normal">
        {name}
      </th>
      <td className="py-1 text-right whitespace-nowrap">{children}</td>
    </tr>
  );
}
