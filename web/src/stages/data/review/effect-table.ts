import type { Study, Suspicion, Variable } from '@ivlen/contract';
import { formatMeasured } from '../../../figures/format-measured';
import { coefficientText } from '../../../numbers/number-text';
import { displayName } from '../../../study/variable-name';
import type { TableColumn, ValueTable } from '../../../tables/columns';

export type ValueSuspicion = Extract<Suspicion, { type: 'value' }>;
type Line = 'with it' | 'without';

/** What some values do to their variable, and to the correlations it is in. */
export function effectTable(study: Study, variable: Variable, effect: ValueSuspicion['effect'], caption: string): ValueTable<Line> {
  const nameOf = (id: string) => displayName(study.state.variables.find((item) => item.id === id) ?? { name: id });
  const measured = (value: number | null) => formatMeasured(value, effect.sdWithout, variable.decimals);
  const column = (
    name: string,
    before: number | null,
    after: number | null,
    shown: (value: number | null) => string,
  ): TableColumn<Line> => {
    const of = (line: Line) => (line === 'with it' ? before : after);
    return { name, shown: (line) => shown(of(line)), exact: of };
  };
  return {
    caption,
    columns: [
      { name: '', nameInFile: 'computed', shown: (line) => line },
      column('mean', effect.mean, effect.meanWithout, measured),
      column('SD', effect.sd, effect.sdWithout, measured),
      ...effect.correlations.map((item) =>
        column(`r with ${nameOf(item.with)}`, item.r, item.rWithout, (r) => coefficientText(r ?? Number.NaN)),
      ),
    ],
    rows: ['with it', 'without'],
    isStrong: (line) => line === 'without',
  };
}
