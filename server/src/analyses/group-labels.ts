import { type ComparedGroup, type GroupsOf, MOST_COMPARED, type Variable } from '@ivlen/contract';
import { DomainError } from '../errors/domain-error';
import { type AnalysisColumns, columnOf } from './analysis-columns';
import { findVariable } from './needed-variables';

/** A label for each row, and what each label stands for, in ascending order; NaN where a row takes no part. */
export interface GroupLabels {
  readonly labels: Float64Array;
  readonly groups: readonly ComparedGroup[];
  /** Rows that have no value of the grouping variable. */
  readonly rowsWithout: number;
}

/** Labels that no stored value has, above all of them: of all others together, and of rows without a group. */
const [REST, WITHOUT] = [Number.MAX_VALUE / 2, Number.MAX_VALUE];

/** The grouping variable of a request. @throws {DomainError} one that is not there */
export function groupingOf({ by }: GroupsOf, all: readonly Variable[]): Variable {
  return findVariable(all, by);
}

/** @throws {DomainError} more groups than can be told apart */
export function groupLabels({ by, only, withoutOne, against }: GroupsOf, columns: AnalysisColumns): GroupLabels {
  const chosen = only && new Set(only);
  const labels = columnOf(columns, by).slice();
  const counts = new Map<number, number>();
  let rowsWithout = 0;
  for (let row = 0; row < labels.length; row++) {
    const label = labelOf(labels[row] ?? Number.NaN);
    labels[row] = label;
    if (label === label) counts.set(label, (counts.get(label) ?? 0) + 1);
    if (counts.size > MOST_COMPARED) {
      throw new DomainError('too-many-groups', `More than ${MOST_COMPARED} groups cannot be told apart.`, {
        hint: 'Choose which of them take part, or cut the variable into fewer groups.',
      });
    }
  }
  const groups = [...counts]
    .sort(([a], [b]) => a - b)
    .map(([label, rows]): ComparedGroup => {
      if (label === WITHOUT) return { is: 'without', value: null, rows };
      return label === REST ? { is: 'rest', value: null, rows } : { is: 'group', value: label, rows };
    });
  return { labels, groups, rowsWithout };

  function labelOf(value: number): number {
    const missing = value !== value;
    if (missing) rowsWithout++;
    const takesPart = missing ? withoutOne : !chosen || chosen.has(value);
    if (!takesPart) return Number.NaN;
    if (against !== null) return value === against ? value : REST;
    return missing ? WITHOUT : value;
  }
}
