import type { DescriptiveColumn, ShapeResult, ShapeSettings, Variable } from '@ivlen/contract';
import { formatFixed } from '@ivlen/core';
import { formatMeasured } from '../../../figures/format-measured';
import { pText } from '../../../numbers/number-text';
import { verdictOf } from '../strips/shape-columns';
import { TESTS } from '../test-words';

/** Names of the columns, as a table has them over them. */
export function columnName(column: DescriptiveColumn, { test }: ShapeSettings): string {
  if (column === 'test') return test ? `${TESTS[test].name} ${TESTS[test].symbol}, p` : 'test';
  return NAMES[column];
}

const NAMES: Readonly<Record<DescriptiveColumn, string>> = {
  n: 'n',
  missing: 'missing',
  mean: 'mean',
  sd: 'SD',
  se: 'SE of the mean',
  variance: 'variance',
  median: 'median',
  min: 'min',
  max: 'max',
  range: 'range',
  q1: 'first quartile',
  q3: 'third quartile',
  skewness: 'skewness',
  skewnessSe: 'SE of skewness',
  excessKurtosis: 'excess kurtosis',
  excessKurtosisSe: 'SE of kurtosis',
  test: 'test',
  verdict: 'in words',
};

type Figure = Exclude<DescriptiveColumn, 'test' | 'verdict'>;

/** A figure to its last digit; null where there is none. */
export function descriptiveFigure({ description: d }: ShapeResult, column: Figure): number | null {
  switch (column) {
    case 'se':
      return d.sd === null ? null : d.sd / Math.sqrt(d.n);
    case 'variance':
      return d.sd === null ? null : d.sd * d.sd;
    case 'range':
      return d.min === null || d.max === null ? null : d.max - d.min;
    default:
      return d[column];
  }
}

/** A cell as it is shown. */
export function descriptiveText(shape: ShapeResult, column: DescriptiveColumn, variable: Variable, settings: ShapeSettings): string {
  if (column === 'verdict') return verdictOf(shape, settings).words;
  if (column === 'test') return testText(shape, settings);
  const value = descriptiveFigure(shape, column);
  if (value === null) return '–';
  switch (column) {
    case 'n':
    case 'missing':
      return value.toLocaleString('en-GB');
    case 'skewness':
    case 'skewnessSe':
    case 'excessKurtosis':
    case 'excessKurtosisSe':
      return formatFixed(value, 2);
    case 'variance':
      return formatMeasured(value, value, null);
    case 'min':
    case 'max':
    case 'range':
      // Values themselves, or their difference: no more decimals than they have.
      return formatMeasured(value, shape.description.sd, variable.decimals === null ? null : variable.decimals - 1);
    default:
      return formatMeasured(value, shape.description.sd, variable.decimals);
  }
}

function testText({ tests }: ShapeResult, { test, level }: ShapeSettings): string {
  if (!test) return '–';
  const { statistic, pValue } = tests[test];
  if (statistic === null) return '–';
  const shown = statistic < 1 ? formatFixed(statistic, 3).replace(/^0/, '') : formatFixed(statistic, 2);
  return `${shown}, ${pValue === null ? '–' : pText(pValue, [level])}`;
}
