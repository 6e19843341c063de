import type { Study, Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { analysisQuery } from '../../../api/queries';
import { useReadOnly } from '../../../study/read-only';
import { displayName } from '../../../study/variable-name';
import { entrySentence, valuesSentence } from './entry-sentence';
import { StudyEntry } from './study-entry';
import { VariableForm } from './variable-form';

/** The codebook: the study's own entry, then one readable line for each variable, edited in place. */
export function Codebook({ study }: { study: Study }) {
  const [params, setParams] = useSearchParams();
  const readOnly = useReadOnly();
  const open = readOnly ? null : params.get('entry');
  const setOpen = (entry: string | null) => setParams({ view: 'codebook', ...(entry ? { entry } : {}) }, { replace: true });
  const measured = useMeasured(study);
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
            measured={measured(variable)}
            open={open === variable.id}
            onToggle={(on) => setOpen(on ? variable.id : null)}
          />
        ))}
      </ul>
    </>
  );
}

/** What the rows in use hold of each variable, in words; null while it is not known. */
function useMeasured(study: Study): (variable: Variable) => string | null {
  const numbers = study.state.variables.filter(({ storage }) => storage === 'number').map(({ id }) => id);
  const { data: summary } = useQuery(analysisQuery(study.id, study.head, { kind: 'summary' }));
  const { data: described } = useQuery({
    ...analysisQuery(study.id, study.head, { kind: 'describe', variables: numbers.slice(0, MOST_DESCRIBED) }),
    enabled: numbers.length > 0,
  });
  return (variable) => {
    const counted = summary?.variables.find(({ id }) => id === variable.id);
    const range = described?.variables.find(({ id }) => id === variable.id);
    return counted ? valuesSentence(variable, { ...counted, min: range?.min ?? null, max: range?.max ?? null }) : null;
  };
}

/** As many as one request describes. */
const MOST_DESCRIBED = 200;

interface EntryProps {
  readonly study: Study;
  readonly variable: Variable;
  /** How many values it has, and their range. */
  readonly measured: string | null;
  readonly open: boolean;
  readonly onToggle: (open: boolean) => void;
}

function Entry({ study, variable, measured, open, onToggle }: EntryProps) {
  const readOnly = useReadOnly();
  return (
    <li className="py-1.5">
      <div className="flex items-baseline gap-3">
        <span className="w-40 shrink-0 font-semibold break-words">{displayName(variable)}</span>
        <span className="numerals min-w-0 flex-1">
          {entrySentence(variable, study.state.variables)}
          {measured && <span className="block text-[13px] text-muted">{measured}</span>}
        </span>
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
