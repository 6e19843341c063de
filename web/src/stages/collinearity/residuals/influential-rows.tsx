import { type Estimate, MOST_TRIED, type ModelRow, type RegressionResult } from '@ivlen/contract';
import { useState } from 'react';
import { FailureNotice } from '../../../controls/failure-notice';
import { Skeleton } from '../../../controls/skeleton';
import { significant } from '../../../figures/as-measured';
import { fineCoefficientText, pText } from '../../../numbers/number-text';
import { rowColumns } from '../../../predictors/tables';
import { useReadOnly } from '../../../study/read-only';
import { rowInWords } from '../../../study/row-in-words';
import { SetAsideMenu } from '../../../study/set-aside-menu';
import { useStudyChanges } from '../../../study/use-study-changes';
import type { TableColumn, ValueTable } from '../../../tables/columns';
import { ValueTableView } from '../../../tables/value-table-view';
import { rowsInAddress, useAddress } from '../address';
import { useRegression } from '../regression/use-regression';
import type { PartProps } from '../stage-props';

interface InfluentialRowsProps extends PartProps {
  readonly whole: RegressionResult;
  readonly outcome: string;
}

/** Rows by how much they move the whole model, to try without and to set aside from here. */
export function InfluentialRows(props: InfluentialRowsProps) {
  const { study, whole, outcome } = props;
  const [text, write] = useAddress('without');
  // The boxes follow the hand; the address, which a reload reads, comes after.
  const [rows, setRows] = useState(() => rowsInAddress(text).slice(0, MOST_TRIED));
  const tried = new Set(rows);
  const { change } = useStudyChanges(study);
  const readOnly = useReadOnly();
  const tryWithout = (next: readonly number[]) => {
    const sorted = next.toSorted((a, b) => a - b).slice(0, MOST_TRIED);
    setRows(sorted);
    write(sorted.join(','));
  };
  const tick = (row: number, on: boolean) => tryWithout(on ? [...rows, row] : rows.filter((item) => item !== row));
  const [first, ...others] = rowColumns(whole.influential);
  const table: ValueTable<ModelRow> = {
    caption: `Rows that matter most for the regression of ${outcome}`,
    columns: first
      ? [
          {
            ...first,
            name: 'try without',
            nameInFile: 'row',
            onScreen: ({ row, name }) => (
              <label className="flex items-center gap-2 whitespace-nowrap">
                <input
                  type="checkbox"
                  className="size-4 accent-accent"
                  checked={tried.has(row)}
                  onChange={(event) => tick(row, event.target.checked)}
                />
                {rowInWords(row, name)}
              </label>
            ),
          },
          ...others,
        ]
      : others,
    rows: whole.influential,
  };
  const setAside = (because: string, words: string) =>
    change.mutate(
      {
        change: { type: 'set-aside', choice: { rows: rows.map((row): [number, number] => [row, row]) }, because },
        ...(words ? { reason: words } : {}),
      },
      { onSuccess: () => tryWithout([]) },
    );
  return (
    <section aria-label="Rows that matter" className="grid grid-cols-[repeat(auto-fit,minmax(440px,1fr))] gap-x-8 gap-y-4">
      <div>
        <h2 className="mb-1 text-[15px]">Rows that matter most</h2>
        <ValueTableView table={table} className="w-full text-[13px]" testId="influential-rows" />
        <p className="mt-1 text-[13px] text-muted">
          By Cook’s distance: how far all fitted values move without the row. The studentized residual leaves the row out of its own SD.
        </p>
      </div>
      {rows.length > 0 && (
        <div>
          <WithAndWithout {...props} rows={rows} />
          {!readOnly && (
            <p className="mt-2">
              <SetAsideMenu
                label={`Set ${rows.length === 1 ? `row ${rows[0]}` : `these ${rows.length} rows`} aside …`}
                disabled={change.isPending}
                onChoose={setAside}
              />
            </p>
          )}
        </div>
      )}
    </section>
  );
}

interface TriedRow {
  readonly name: string;
  readonly with: Estimate | null;
  readonly without: Estimate | null;
  /** Of the model as a whole. */
  readonly r2?: { readonly with: number | null; readonly without: number | null };
}

/** What of the table changes when the ticked rows are left out. */
function WithAndWithout(props: InfluentialRowsProps & { readonly rows: readonly number[] }) {
  const { whole, model, terms, levels, rows } = props;
  const { whole: tried, error } = useRegression(props, { without: rows });
  if (error && !tried) return <FailureNotice error={error} />;
  if (!tried) return <Skeleton label="Computing without these rows" className="h-40" />;
  if (tried.model.because !== null)
    return <p>Without these rows there is no regression: too few are left, or a predictor no longer varies.</p>;
  const names = terms.flatMap((term) => term.columns).map((column) => model.columnNames[column] ?? '');
  const lines: TriedRow[] = [
    ...names.map((name, k): TriedRow => {
      const own = whole.model.coefficients[k] ?? null;
      // A level whose only rows are left out is gone with them.
      const same = tried.model.coefficients.find(({ term, level }) => term === own?.term && level === own?.level) ?? null;
      return { name, with: own, without: same };
    }),
    { name: 'intercept', with: whole.model.intercept, without: tried.model.intercept },
    { name: 'R²', with: null, without: null, r2: { with: whole.model.r2, without: tried.model.r2 } },
  ];
  const side = (when: 'with' | 'without'): TableColumn<TriedRow>[] => [
    {
      name: `b ${when}`,
      shown: (row) => (row.r2 ? fineCoefficientText(row.r2[when] ?? Number.NaN) : significant(row[when]?.value ?? null)),
      exact: (row) => (row.r2 ? row.r2[when] : (row[when]?.value ?? null)),
    },
    {
      name: `p ${when}`,
      shown: (row) => (row.r2 ? '' : pText(row[when]?.pValue ?? Number.NaN, levels)),
      exact: (row) => row[when]?.pValue ?? null,
    },
  ];
  const table: ValueTable<TriedRow> = {
    caption: `With and without ${rows.length === 1 ? `row ${rows[0]}` : `${rows.length} rows`}`,
    columns: [{ name: '', nameInFile: 'term', shown: ({ name }) => name }, ...side('with'), ...side('without')],
    rows: lines,
  };
  return <ValueTableView table={table} captionShown className="w-full text-[13px]" testId="with-and-without-rows" />;
}
