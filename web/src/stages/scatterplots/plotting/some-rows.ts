import { type Alternative, correlationMatrix, type Method, type MissingRule, testPair } from '@ivlen/core';
import { NO_GROUP } from '../../../figures/group-styles';
import type { PlotData } from './plot-data';

/** Coefficients of all pairs of some variables: size × size, row-major, in the order of the request. */
export interface Coefficients {
  readonly variables: readonly string[];
  readonly coefficient: Float64Array;
  readonly pValue: Float64Array;
  readonly n: Int32Array;
}

export interface CoefficientRequest {
  readonly variables: readonly string[];
  readonly methods: readonly Method[];
  readonly missing: MissingRule;
  readonly alternative: Alternative;
}

/** The matrices of some rows, by method. */
export type CoefficientsByMethod = ReadonlyMap<Method, Coefficients>;

/** One coefficient with its p-value and number of rows. */
export interface SomeTest {
  readonly coefficient: number;
  readonly pValue: number;
  readonly n: number;
}

/** Some of a variable's values: those of the places that are kept, a byte for each. */
function kept(column: Float64Array, mask: Uint8Array, byte: 0 | 1): Float64Array {
  const values = new Float64Array(column.length);
  let count = 0;
  for (let place = 0; place < column.length; place++) if (mask[place] === byte) values[count++] = column[place] as number;
  return values.subarray(0, count);
}

/** The matrices without the lit places, whose byte is set. */
export function coefficientsWithout(data: PlotData, mask: Uint8Array, request: CoefficientRequest): CoefficientsByMethod {
  return coefficientsOf(
    request.variables.map((id) => kept(columnOf(data, id), mask, 0)),
    request,
  );
}

/** The matrices of each group. */
export function coefficientsByGroup(data: PlotData, groups: readonly number[], request: CoefficientRequest): CoefficientsByMethod[] {
  return groups.map((group) => {
    const mask = Uint8Array.from(data.rows, (_, place) => ((data.groups?.[place] ?? NO_GROUP) === group ? 1 : 0));
    return coefficientsOf(
      request.variables.map((id) => kept(columnOf(data, id), mask, 1)),
      request,
    );
  });
}

function coefficientsOf(
  columns: readonly Float64Array[],
  { variables, methods, missing, alternative }: CoefficientRequest,
): CoefficientsByMethod {
  return new Map(
    methods.map((method) => {
      const { coefficient, pValue, n } = correlationMatrix(columns, { method, missing, alternative });
      return [method, { variables, coefficient, pValue, n }] as const;
    }),
  );
}

/** A pair, and how it is tested. */
export interface PairAsked {
  readonly x: string;
  readonly y: string;
  readonly alternative: Alternative;
}

/** A pair by one method over the places that are not lit. */
export function pairWithout(data: PlotData, mask: Uint8Array, { x, y, alternative }: PairAsked, method: Method): SomeTest {
  const [u, v] = [kept(columnOf(data, x), mask, 0), kept(columnOf(data, y), mask, 0)];
  const { coefficient, pValue, n } = testPair(method, u, v, { alternative });
  return { coefficient, pValue, n };
}

function columnOf(data: PlotData, id: string): Float64Array {
  const column = data.columns.get(id);
  if (!column) throw new Error(`the column ${id} is not there`);
  return column;
}
