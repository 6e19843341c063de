import type { CorrelationSettings, LineResult } from '@ivlen/contract';
import { percent } from '../coefficients/cell-data';
import { asMeasured, significant } from '../figures/as-measured';
import { fineCoefficientText, pRelationText, pText } from '../numbers/number-text';
import type { ValueTable } from '../tables/columns';

type Term = LineResult['slope'];

/** One value of both terms of the line. */
interface LineValue {
  readonly name: string;
  readonly shown: (term: Term) => string;
  readonly exact: (term: Term) => number | null;
}

/** Intercept and slope of a line, whole. */
export function lineTable(
  { intercept, slope, dfResidual }: LineResult,
  x: string,
  y: string,
  settings: Pick<CorrelationSettings, 'level' | 'levels'>,
): ValueTable<LineValue> {
  const number = (name: string, read: (term: Term) => number | null): LineValue => ({
    name,
    shown: (term) => (name === 'p' ? pText(term.pValue ?? Number.NaN, settings.levels) : significant(read(term))),
    exact: read,
  });
  return {
    caption: `Line of ${y} on ${x}`,
    columns: [
      { name: '', nameInFile: 'value', shown: ({ name }) => name },
      { name: 'intercept', shown: ({ shown }) => shown(intercept), exact: ({ exact }) => exact(intercept) },
      { name: 'slope', shown: ({ shown }) => shown(slope), exact: ({ exact }) => exact(slope) },
    ],
    rows: [
      number('estimate', ({ value }) => value),
      number('SE', ({ se }) => se),
      number(`t, ${dfResidual} df`, ({ t }) => t),
      number('p', ({ pValue }) => pValue),
      number(`${percent(settings.level)}, from`, ({ low }) => low),
      number(`${percent(settings.level)}, to`, ({ high }) => high),
    ],
  };
}

interface LineWords {
  readonly equation: string;
  readonly fit: string;
  /** Where the intercept lies outside the data; null where it does not. */
  readonly outside: string | null;
}

/** The equation of a line and how closely it fits; null where there is none. */
export function lineInWords(
  { intercept, slope, r2, adjustedR2, residualSd, f, dfResidual, pValue, xMin, xMax }: LineResult,
  x: string,
  y: string,
  levels: readonly number[],
): LineWords | null {
  if (slope.value === null || intercept.value === null) return null;
  const isOutside = xMin !== null && xMax !== null && (xMin > 0 || xMax < 0);
  return {
    equation: `${y} = ${significant(intercept.value)} ${slope.value < 0 ? '−' : '+'} ${significant(Math.abs(slope.value))} · ${x}`,
    fit: `r² = ${fineCoefficientText(r2 ?? Number.NaN)}, adjusted R² = ${fineCoefficientText(adjustedR2 ?? Number.NaN)}, residual SD = ${significant(residualSd)}, F(1, ${dfResidual}) = ${significant(f)}, ${pRelationText(pValue ?? Number.NaN, levels)}.`,
    outside: isOutside
      ? `${x} runs from ${asMeasured(xMin)} to ${asMeasured(xMax)}, so that the intercept, the value at ${x} = 0, lies outside the data and says nothing about them.`
      : null,
  };
}
