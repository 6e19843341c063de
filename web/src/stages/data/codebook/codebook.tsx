import type { Study, Variable } from '@ivlen/contract';
import { useSearchParams } from 'react-router';
import { useReadOnly } from '../../../study/read-only';
import { displayName } from '../../../study/variable-name';
import { entrySentence } from './entry-sentence';
import { StudyEntry } from './study-entry';
import { VariableForm } from './variable-form';

/** The codebook: the study's own entry, then one readable line for each variable, edited in place. */
export function Codebook({ study }: { study: Study }) {
  const [params, setParams] = useSearchParams();
  const readOnly = useReadOnly();
  const open = readOnly ? null : params.get('entry');
  const setOpen = (entry: string | null) => setParams({ view: 'codebook', ...(entry ? { entry } : {}) }, { replace: true });
  return (
    <>
      <StudyEntry study={study} />
      <h2 className="mb-1">Variables</h2>
      <ul className="divide-y divide-rule border-y border-rule">
        {study.state.variables.map((variable) => (
          <Entry
            key={variable.id}
            study={study}
            variable={variable}
            open={open === variable.id}
            onToggle={(on) => setOpen(on ? variable.id : null)}
          />
        ))}
      </ul>
    </>
  );
}

interface EntryProps {
  readonly study: Study;
  readonly variable: Variable;
  readonly open: boolean;
  readonly onToggle: (open: boolean) => void;
}

function Entry({ study, variable, open, onToggle }: EntryProps) {
  const readOnly = useReadOnly();
  return (
    <li className="py-1.5">
      <div className="flex items-baseline gap-3">
        <span className="w-40 shrink-0 font-semibold break-words">{displayName(variable)}</span>
        <span className="numerals min-w-0 flex-1">{entrySentence(variable, study.state.variables)}</span>
        <button
          type="button"
          disabled={readOnly}
          className="button-quiet shrink-0 text-[13px]"
          aria-expanded={open}
          aria-label={`${open ? 'Close' : 'Edit'} the entry of ${displayName(variable)}`}
          onClick={() => onToggle(!open)}
        >
          {open ? 'Close' : 'Edit'}
        </button>
      </div>
      {open && <VariableForm study={study} variable={variable} onDone={() => onToggle(false)} />}
    </li>
  );
}
