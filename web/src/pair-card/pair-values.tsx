import type { CorrelationSettings, PairResult, PairTest } from '@ivlen/contract';
import { COEFFICIENTS, formatFixed, formatFullP, levelInWords, type Method } from '@ivlen/core';
import type { ReactNode } from 'react';
import { percent } from '../coefficients/cell-data';
import { adjustmentInWords, sidedness } from '../coefficients/sentence-parts';
import { Hint } from '../controls/tooltip';
import { fineCoefficientText, fineIntervalText, pText } from '../numbers/number-text';
import type { ValueTable } from '../tables/columns';
import type { Cell } from '../tables/csv';
import { ValueTableView } from '../tables/value-table-view';

interface PairValuesProps {
  /** The two variables. */
  readonly title: string;
  readonly result: PairResult;
  readonly method: Method;
  readonly settings: CorrelationSettings;
  /** How the coefficient is got where a remedy was decided on and carried out; null where none was. */
  readonly taken: string | null;
  /** p adjusted for the pairs on screen; null where it is not. */
  readonly adjustedP: number | null;
}

const P_METHODS: Readonly<Record<PairTest['pMethod'], string>> = {
  t: 'from t',
  't-of-z': 'from Student’s t, of Fisher’s z',
  normal: 'from the normal distribution',
  exact: 'exact',
  permutation: 'by permutation',
};

/** The numbers of the pair by its method, each with its name. */
export function PairValues({ title, result: { tests, without }, method, settings, taken, adjustedP }: PairValuesProps) {
  const { levels, alternative, level, control } = settings;
  const { n, coefficient, pValue, log10P, pMethod, statistic, interval, degenerate, undefinedBecause } = tests[method];
  const { name, symbol } = COEFFICIENTS[method];
  const before = taken === null ? undefined : without[method];
  const r = coefficient ?? Number.NaN;
  const p = pValue ?? Number.NaN;
  const full = degenerate && pMethod === 't' ? 'exactly 0: the points lie on a line' : formatFullP(p, log10P ?? Number.NEGATIVE_INFINITY);
  const noInterval =
    undefinedBecause === 'one-control-only'
      ? '–'
      : degenerate
        ? `none: ${symbol} is exactly ±1`
        : taken
          ? 'none: too few rows or cases for one'
          : `none: needs ${COEFFICIENTS[method].fewestForInterval} rows`;
  const number = (name: string, value: number | null, shown: string): PairLine => ({ name, shown, exact: value });
  const lines: readonly (PairLine | false | null | undefined)[] = [
    {
      ...number(control.length > 0 ? `${name}, partial` : taken ? `${name} ${taken}` : name, coefficient, fineCoefficientText(r)),
      isStrong: true,
    },
    before && number(`${name} without that`, before.coefficient, fineCoefficientText(before.coefficient ?? Number.NaN)),
    {
      name: `${interval ? levelInWords(interval, n) : percent(level)} confidence interval${sidedness(settings)}`,
      shown: interval ? fineIntervalText(interval.low, interval.high) : noInterval,
      exact: interval && `${interval.low} to ${interval.high}`,
    },
    interval?.unsure && number('interval', null, 'no promise: under five rows differ from the commonest value'),
    {
      ...number(
        alternative === 'two-sided' ? 'p, two-sided' : `p, one-sided (${alternative === 'greater' ? 'positive' : 'negative'})`,
        pValue,
        Number.isNaN(p) ? '–' : pText(p, levels),
      ),
      ...(Number.isNaN(p) ? {} : { onScreen: <FullP p={p} full={full} levels={levels} /> }),
    },
    adjustedP !== null && number(`p, ${adjustmentInWords(settings.adjust)}`, adjustedP, pText(adjustedP, levels)),
    number('n, rows used', n, String(n)),
    pMethod === 't' && number('t', statistic?.value ?? null, statistic ? formatFixed(statistic.value, 3) : degenerate ? '±∞' : '–'),
    pMethod === 't' && number('degrees of freedom', statistic?.df ?? null, Number.isNaN(p) ? '–' : String(statistic?.df ?? n - 2)),
    pMethod !== 't' && !Number.isNaN(p) && { name: 'how p was got', shown: P_METHODS[pMethod], exact: P_METHODS[pMethod] },
    COEFFICIENTS[method].squareIsShared &&
      control.length === 0 &&
      taken === null &&
      number('r², variance shared', r * r, Number.isNaN(r) ? '–' : fineCoefficientText(r * r)),
  ];
  const table: ValueTable<PairLine> = {
    caption: title,
    columns: [
      { name: 'statistic', shown: (line) => line.name },
      { name: 'value', shown: (line) => line.shown, exact: (line) => line.exact, onScreen: (line) => line.onScreen },
    ],
    rows: lines.filter((line) => line !== false && line !== null && line !== undefined),
    isStrong: (line) => line.isStrong === true,
  };
  return <ValueTableView table={table} className="mt-3 w-full" headShown={false} testId="pair-values" />;
}

interface PairLine {
  readonly name: string;
  readonly shown: string;
  readonly exact: Cell;
  readonly onScreen?: ReactNode;
  readonly isStrong?: boolean;
}

function FullP({ p, full, levels }: { readonly p: number; readonly full: string; readonly levels: readonly number[] }) {
  return (
    <Hint text={`p = ${full}`}>
      <span className="inline-block" role="note" aria-label={`${pText(p, levels)}, in full ${full}`}>
        {pText(p, levels)}
        {p < 0.001 && <span className="ml-2 text-muted">{full}</span>}
      </span>
    </Hint>
  );
}
