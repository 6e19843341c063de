import { nearestCorrelation, smallestEigenvalue } from '@ivlen/core';
import { useMemo, useState } from 'react';
import type { Matrix } from '../../coefficients/matrix';
import { coefficientText } from '../../numbers/number-text';
import { displayName } from '../../study/variable-name';
import type { ValueTable } from '../../tables/columns';
import { ValueTableView } from '../../tables/value-table-view';

/** Eigenvalues of more variables than this take longer than a legend may. */
const MOST = 60;
/** An eigenvalue that is below zero by more than rounding. */
const BELOW = -1e-8;

/** Said where the coefficients on screen are those of no data, each pair having rows or a likelihood of its own; the nearest that are, on request. */
export function NoDataHaveIt({ matrix }: { readonly matrix: Matrix }) {
  const { variables } = matrix;
  const [shown, setShown] = useState(false);
  const coefficients = useMemo(
    () =>
      Float64Array.from(variables.flatMap((row) => variables.map((column) => (row === column ? 1 : matrix.cell(row, column).coefficient)))),
    [matrix, variables],
  );
  const smallest = useMemo(
    () => (variables.length < 3 || variables.length > MOST ? Number.NaN : smallestEigenvalue(coefficients, variables.length)),
    [coefficients, variables.length],
  );
  if (!(smallest < BELOW)) return null;
  return (
    <div data-testid="no-data-have-it">
      <p className="text-caution">
        Together these coefficients are those of no data: the smallest eigenvalue is {coefficientText(smallest)}. Each pair may be read; a
        regression or a factor analysis of this matrix may not.{' '}
        <button type="button" className="text-accent underline" aria-expanded={shown} onClick={() => setShown(!shown)}>
          {shown ? 'Hide the nearest matrix' : 'Show the nearest matrix that is'}
        </button>
      </p>
      {shown && <Nearest matrix={matrix} coefficients={coefficients} />}
    </div>
  );
}

function Nearest({ matrix: { variables }, coefficients }: { readonly matrix: Matrix; readonly coefficients: Float64Array }) {
  const size = variables.length;
  const nearest = useMemo(() => nearestCorrelation(coefficients, size), [coefficients, size]);
  const places = variables.map((_, place) => place);
  const table: ValueTable<number> = {
    caption: `The nearest correlation matrix (Higham 2002); the largest change is ${coefficientText(nearest.largestChange)}`,
    columns: [
      { name: '', nameInFile: 'variable', shown: (i) => displayName(variables[i] ?? { name: '' }) },
      ...places.map((j) => ({
        name: displayName(variables[j] ?? { name: '' }),
        shown: (i: number) => (i === j ? '' : coefficientText(nearest.matrix[i * size + j] ?? Number.NaN)),
        exact: (i: number) => nearest.matrix[i * size + j] ?? null,
      })),
    ],
    rows: places,
  };
  return (
    <div className="mt-1 overflow-x-auto">
      <ValueTableView table={table} captionShown className="text-[12px]" />
    </div>
  );
}
