import type { ShapeResult, ShapeSettings } from '@ivlen/contract';
import { type NormalityTest, type ShapeVerdict, shapeVerdict } from '@ivlen/core';
import type { StripSubject } from './shape-lines';

/** What a strip is about with its shape, once that is computed. */
export interface ShapeLine {
  readonly subject: StripSubject;
  readonly shape: ShapeResult | undefined;
}

export const NUMBER_COLUMNS = [
  { id: 'mean', name: 'mean' },
  { id: 'sd', name: 'SD' },
  { id: 'median', name: 'median' },
  { id: 'skewness', name: 'skewness' },
  { id: 'kurtosis', name: 'excess kurtosis' },
  { id: 'test', name: 'test' },
] as const;
export type ShapeColumn = 'name' | (typeof NUMBER_COLUMNS)[number]['id'];

export interface ShapeOrder {
  readonly column: ShapeColumn;
  readonly descending: boolean;
}

const orNaN = (value: number | null) => value ?? Number.NaN;

/** What rule and test say of a variable under the settings; nothing is computed anew. */
export function verdictOf({ description, tests }: ShapeResult, { rule, test, level }: ShapeSettings): ShapeVerdict {
  const chosen = test === null ? null : tests[test];
  const { n, min, max, skewness, skewnessSe, excessKurtosis, excessKurtosisSe } = description;
  return shapeVerdict(
    {
      n,
      min: orNaN(min),
      max: orNaN(max),
      skewness: orNaN(skewness),
      skewnessSe: orNaN(skewnessSe),
      excessKurtosis: orNaN(excessKurtosis),
      excessKurtosisSe: orNaN(excessKurtosisSe),
    },
    { rule, test: chosen && normalityTest(chosen, n), level },
  );
}

function normalityTest({ statistic, pValue, log10P }: ShapeResult['tests']['lilliefors'], n: number): NormalityTest {
  return { statistic: orNaN(statistic), pValue: orNaN(pValue), log10P: orNaN(log10P), n };
}

/** Lines in an order: by absolute size where the sign says no more, what is not computed last; null for as they are listed. */
export function sorted(lines: readonly ShapeLine[], order: ShapeOrder | null, test: ShapeSettings['test']): readonly ShapeLine[] {
  if (!order) return lines;
  const direction = order.descending ? -1 : 1;
  if (order.column === 'name') return [...lines].sort((a, b) => direction * a.subject.variable.name.localeCompare(b.subject.variable.name));
  const value = ({ shape }: ShapeLine) => (shape ? sortValue(shape, order.column, test) : Number.NaN);
  return [...lines].sort((a, b) => {
    const [left, right] = [value(a), value(b)];
    if (Number.isNaN(left) || Number.isNaN(right)) return Number(Number.isNaN(left)) - Number(Number.isNaN(right));
    return direction * (left - right);
  });
}

function sortValue({ description, tests }: ShapeResult, column: ShapeColumn, test: ShapeSettings['test']): number {
  switch (column) {
    case 'skewness':
      return Math.abs(orNaN(description.skewness));
    case 'kurtosis':
      return Math.abs(orNaN(description.excessKurtosis));
    case 'test':
      return test === null ? Number.NaN : orNaN(tests[test].log10P);
    case 'name':
      return Number.NaN;
    default:
      return orNaN(description[column]);
  }
}
