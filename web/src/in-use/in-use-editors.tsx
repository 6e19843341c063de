import { canBeCorrelated, type Study } from '@ivlen/contract';
import { lazy, Suspense } from 'react';
import { Link } from 'react-router';
import { Skeleton } from '../controls/skeleton';
import { CheckList } from '../methods-line/check-list';
import type { Editors } from '../methods-line/methods-parts';
import type { WorkingSet } from '../settings/use-working-set';
import { useReadOnly, useStudyPath } from '../study/read-only';
import { rowsInWords } from '../study/rows-in-use';
import { displayName } from '../study/variable-name';
import type { InUseChoice } from './in-use-words';

const SubsetBuilder = lazy(async () => ({ default: (await import('./subset-builder')).SubsetBuilder }));

/** What changes, right where they are said, which variables are looked at and in which rows. */
export function inUseEditors(study: Study, workingSet: WorkingSet): Editors<InUseChoice> {
  return {
    variables: () => <WhichVariables study={study} workingSet={workingSet} />,
    rows: rowsEditor(study),
  };
}

/** What changes which rows are in use. */
export function rowsEditor(study: Study): Editors<'rows'>['rows'] {
  return (close) => <WhichRows study={study} onClose={close} />;
}

function WhichVariables({ study, workingSet }: { study: Study; workingSet: WorkingSet }) {
  const chosen = workingSet.variables.map(({ id }) => id);
  return (
    <CheckList
      label="Variables looked at"
      options={study.state.variables.filter(canBeCorrelated).map((variable) => ({ value: variable.id, name: displayName(variable) }))}
      chosen={chosen}
      onChange={(next) => {
        const on = next.filter((id) => !chosen.includes(id));
        if (on.length > 0) workingSet.set(on, true);
        else
          workingSet.set(
            chosen.filter((id) => !next.includes(id)),
            false,
          );
      }}
      remark="The same as in the panel on the left: what is ticked is looked at in every stage."
    />
  );
}

function WhichRows({ study, onClose }: { study: Study; onClose: () => void }) {
  const path = useStudyPath();
  const readOnly = useReadOnly();
  const { setAside, subset } = study.state;
  const aside = setAside?.count ?? 0;
  return (
    <>
      <p className="text-muted">
        Computed over {rowsInWords(study)}
        {aside > 0 && `; ${aside.toLocaleString('en-GB')} set aside`}
        {subset && '; a subset is in force'}. Single rows are set aside and brought back{' '}
        <Link to={`${path}/data`} className="text-accent underline">
          in the table of rows
        </Link>
        {readOnly ? '.' : '; rules choose them here.'}
      </p>
      {!readOnly && (
        <Suspense fallback={<Skeleton label="Opening the rules" className="mt-3 h-40" />}>
          <SubsetBuilder study={study} onClose={onClose} />
        </Suspense>
      )}
    </>
  );
}
