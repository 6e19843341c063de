import type { ScalesResult, ShapeSettings, Variable } from '@ivlen/contract';
import { COEFFICIENTS, formatCoefficient, formatFixed, formatP, METHOD_NAMES } from '@ivlen/core';
import { displayName } from '../../../study/variable-name';
import type { TableColumn, ValueTable } from '../../../tables/columns';
import { verdictOf } from '../strips/shape-columns';
import { TESTS } from '../test-words';
import { refusalInWords, SCALE_WORDS } from './scale-words';

type Line = ScalesResult['scales'][number];

/** What the scales of a variable come to, in values. */
export function scalesTable(
  variable: Variable,
  scales: readonly Line[],
  settings: ShapeSettings,
  partners: readonly string[],
  nameOf: (id: string) => string,
): ValueTable<Line> {
  const { test, level } = settings;
  const pOf = ({ shape }: Line) => (test && shape ? shape.tests[test].pValue : null);
  const fixed = (value: number | null | undefined) => (value === null || value === undefined ? '–' : formatFixed(value, 2));
  return {
    caption: `${displayName(variable)} on other scales`,
    columns: [
      { name: 'scale', shown: ({ scale }) => SCALE_WORDS[scale] },
      {
        name: 'skewness',
        shown: ({ shape }) => fixed(shape?.description.skewness),
        exact: ({ shape }) => shape?.description.skewness ?? null,
      },
      {
        name: 'excess kurtosis',
        shown: ({ shape }) => fixed(shape?.description.excessKurtosis),
        exact: ({ shape }) => shape?.description.excessKurtosis ?? null,
      },
      {
        name: `p, ${test ? TESTS[test].name : 'test'}`,
        shown: (line) => {
          const p = pOf(line);
          return p === null ? '–' : formatP(p, [level]);
        },
        exact: pOf,
      },
      ...partners.flatMap((id) =>
        METHOD_NAMES.map((method): TableColumn<Line> => {
          const of = ({ correlations }: Line) => correlations.find((item) => item.with === id)?.coefficients[method] ?? null;
          return {
            name: `${COEFFICIENTS[method].symbol} with ${nameOf(id)}`,
            shown: (line) => formatCoefficient(of(line) ?? Number.NaN),
            exact: of,
          };
        }),
      ),
      {
        name: 'in words',
        align: 'left',
        shown: ({ shape, refused }) => (shape ? verdictOf(shape, settings).words : `cannot be taken: ${refusalInWords(refused)}`),
      },
    ],
    rows: scales,
  };
}
