import type { CorrelationSettings, PairResult, PairTest } from '@ivlen/contract';
import { COEFFICIENTS, formatCoefficient, formatFixed, formatFullP, formatInterval, formatP, levelInWords, type Method } from '@ivlen/core';
import type { ReactNode } from 'react';
import { percent } from '../coefficients/cell-data';
import { adjustmentInWords } from '../coefficients/correlation-parts';
import { Hint } from '../controls/tooltip';

interface PairFiguresProps {
  readonly result: PairResult;
  readonly method: Method;
  readonly settings: CorrelationSettings;
  /** p adjusted for the pairs on screen; null where it is not. */
  readonly adjustedP: number | null;
}

const P_METHODS: Readonly<Record<PairTest['pMethod'], string>> = {
  t: 'from t',
  normal: 'from the normal distribution',
  exact: 'exact',
  permutation: 'by permutation',
};

/** The numbers of the pair by its method, each with its name. */
export function PairFigures({ result: { n, tests }, method, settings, adjustedP }: PairFiguresProps) {
  const { levels, alternative, level, control } = settings;
  const { coefficient, pValue, log10P, pMethod, statistic, interval, degenerate, undefinedBecause } = tests[method];
  const { name, symbol } = COEFFICIENTS[method];
  const r = coefficient ?? Number.NaN;
  const p = pValue ?? Number.NaN;
  const full = degenerate && pMethod === 't' ? 'exactly 0: the points lie on a line' : formatFullP(p, log10P ?? Number.NEGATIVE_INFINITY);
  const noInterval =
    undefinedBecause === 'one-control-only'
      ? '–'
      : degenerate
        ? `none: ${symbol} is exactly ±1`
        : `none: needs ${COEFFICIENTS[method].fewestForInterval} rows`;
  return (
    <table className="mt-3 w-full border-t border-rule" data-testid="pair-figures">
      <tbody>
        <Row name={control.length > 0 ? `${name}, partial` : name} strong>
          {formatCoefficient(r, 3)}
        </Row>
        <Row name={`${interval ? levelInWords(interval, n) : percent(level)} confidence interval`}>
          {interval ? formatInterval(interval.low, interval.high, 3) : noInterval}
        </Row>
        {interval?.unsure && <Row name="interval">no promise: under five rows differ from the commonest value</Row>}
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
        {adjustedP !== null && <Row name={`p, ${adjustmentInWords(settings.adjust)}`}>{formatP(adjustedP, levels)}</Row>}
        <Row name="n, rows used">{n}</Row>
        {pMethod === 't' ? (
          <>
            <Row name="t">{statistic ? formatFixed(statistic.value, 3) : degenerate ? '±∞' : '–'}</Row>
            <Row name="degrees of freedom">{Number.isNaN(p) ? '–' : (statistic?.df ?? n - 2)}</Row>
          </>
        ) : (
          !Number.isNaN(p) && <Row name="how p was got">{P_METHODS[pMethod]}</Row>
        )}
        {COEFFICIENTS[method].squareIsShared && control.length === 0 && (
          <Row name="r², variance shared">{Number.isNaN(r) ? '–' : formatCoefficient(r * r, 3)}</Row>
        )}
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
