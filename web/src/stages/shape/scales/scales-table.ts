import { SCALE_WORDS, type ScalesResult, type ShapeSettings, type Variable } from '@ivlen/contract';
import { COEFFICIENTS, formatFixed, METHOD_NAMES } from '@ivlen/core';
import { coefficientText, pText } from '../../../numbers/number-text';
import { displayName } from '../../../study/variable-name';
import type { TableColumn, ValueTable } from '../../../tables/columns';
import { verdictOf } from '../strips/shape-columns';
import { TESTS } from '../test-words';
import { refusalInWords } from './scale-words';

type Line = ScalesResult['scales'][number];

/** What the scales of a variable come to, in values. */
export function scalesTable(
  variable: Variable,
  scales: readonly Line[],
  settings: ShapeSettings,
  partners: readonly string[],
  nameOf: (id: string) => string,
): ValueTable<Line> {
  return {
    caption: `${displayName(variable)} on other scales`,
    columns: [
      ...valueColumns(settings),
      ...partners.flatMap((id) =>
        METHOD_NAMES.map((method): TableColumn<Line> => {
          const of = ({ correlations }: Line) => correlations.find((item) => item.with === id)?.coefficients[method] ?? null;
          return {
            name: `${COEFFICIENTS[method].symbol} with ${nameOf(id)}`,
            shown: (line) => coefficientText(of(line) ?? Number.NaN),
            exact: of,
          };
        }),
      ),
      wordsColumn(settings),
    ],
    rows: scales,
  };
}

/** A scale of one of several variables. */
export interface VariableLine extends Line {
  readonly variable: Variable;
}

/** The same for several variables; `computed` has those that were looked at so far, and the note says how many were not. */
export function manyScalesTable(
  shown: readonly Variable[],
  computed: ReadonlyMap<string, readonly Line[]>,
  settings: ShapeSettings,
): ValueTable<VariableLine> {
  const rows = shown.flatMap((variable) => (computed.get(variable.id) ?? []).map((line) => ({ ...line, variable })));
  const left = shown.filter(({ id }) => !computed.has(id)).map(displayName);
  return {
    caption: `${shown.length} variables on other scales`,
    columns: [{ name: 'variable', shown: ({ variable }) => displayName(variable) }, ...valueColumns(settings), wordsColumn(settings)],
    rows,
    ...(left.length > 0 ? { note: `Not computed when this table was taken: ${left.join(', ')}.` } : {}),
  };
}

function valueColumns({ test, level }: ShapeSettings): TableColumn<Line>[] {
  const pOf = ({ shape }: Line) => (test && shape ? shape.tests[test].pValue : null);
  const fixed = (value: number | null | undefined) => (value === null || value === undefined ? '–' : formatFixed(value, 2));
  return [
    { name: 'scale', align: 'left', shown: ({ scale }) => SCALE_WORDS[scale] },
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
        return p === null ? '–' : pText(p, [level]);
      },
      exact: pOf,
    },
  ];
}

function wordsColumn(settings: ShapeSettings): TableColumn<Line> {
  return {
    name: 'in words',
    align: 'left',
    shown: ({ shape, refused }) => (shape ? verdictOf(shape, settings).words : `cannot be taken: ${refusalInWords(refused)}`),
  };
}
