import { rowsInUse, type Study, subsetInWords } from '@ivlen/contract';
import { useGrouping } from '../settings/use-grouping';
import { displayName } from './variable-name';

/** "all 248 rows" or "236 of 248 rows": what the stages compute with. */
export function rowsInWords(study: Study): string {
  const [used, all] = [rowsInUse(study), study.rows].map((count) => count.toLocaleString('en-GB'));
  return used === all ? `all ${all} rows` : `${used} of ${all} rows`;
}

/** How many rows are computed with, how many are left out, and by what. */
export function RowsInUse({ study }: { study: Study }) {
  const { subset, setAside } = study.state;
  const [used, all] = [rowsInUse(study), study.rows];
  const aside = setAside?.count ?? 0;
  const by = useGrouping(study)?.by;
  return (
    <div className="numerals border-t border-rule px-3.5 py-2.5" data-testid="rows-in-use">
      {used === all ? (
        <p>
          <strong>{all.toLocaleString('en-GB')}</strong> rows, all in use
        </p>
      ) : (
        <p>
          <strong>{used.toLocaleString('en-GB')}</strong> of {all.toLocaleString('en-GB')} rows in use
        </p>
      )}
      {aside > 0 && <p className="text-[13px] text-muted">{aside.toLocaleString('en-GB')} set aside</p>}
      {by && <p className="text-[13px] text-muted">groups: {displayName(by)}</p>}
      {subset && <p className="text-[13px] text-muted">only where {subsetInWords(subset, study.state.variables)}</p>}
    </div>
  );
}
