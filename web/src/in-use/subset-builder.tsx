import { type NamedSubset, type Study, type Subset, subsetInWords, subsetSchema } from '@ivlen/contract';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { subsetCountQuery } from '../api/queries';
import { SetAsideMenu } from '../study/set-aside-menu';
import { useStudyChanges } from '../study/use-study-changes';
import { newRule, RuleEditor } from './rule-editor';

/** Rules in words that say which rows are in, with a live count, and the subsets that have a name; `onClose` ends it. */
export function SubsetBuilder({ study, onClose }: { study: Study; onClose: () => void }) {
  const { change } = useStudyChanges(study);
  const [subset, setSubset] = useState<Subset>(() => study.state.subset ?? { join: 'all', rules: [firstRule(study)] });
  const [name, setName] = useState('');
  const complete = subsetSchema.safeParse(subset).success;
  const use = (next: Subset | null) => change.mutate({ change: { type: 'set-subset', subset: next } }, { onSuccess: onClose });
  return (
    <>
      <div className="min-h-0 flex-1 overflow-y-auto">
        {study.state.namedSubsets.length > 0 && <NamedSubsets study={study} onUse={({ subset: named }) => use(named)} />}
        <p className="mt-3">
          Rows where{' '}
          <select
            className="field py-0.5"
            aria-label="Joined by"
            value={subset.join}
            onChange={(event) => setSubset({ ...subset, join: event.target.value === 'any' ? 'any' : 'all' })}
          >
            <option value="all">all of these hold</option>
            <option value="any">any of these holds</option>
          </select>
        </p>
        <ul className="divide-y divide-rule" aria-label="Rules">
          {subset.rules.map((rule, i) => (
            <RuleEditor
              key={i}
              study={study}
              rule={rule}
              onChange={(next) => setSubset({ ...subset, rules: subset.rules.with(i, next) })}
              onRemove={() => setSubset({ ...subset, rules: subset.rules.toSpliced(i, 1) })}
            />
          ))}
        </ul>
        <button
          type="button"
          className="button-quiet mt-1"
          onClick={() => setSubset({ ...subset, rules: [...subset.rules, newRule(study, '')] })}
        >
          <Plus size={14} aria-hidden="true" /> Another rule
        </button>
      </div>
      <Count study={study} subset={subset} complete={complete} />
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <button type="button" className="button-primary" disabled={!complete || change.isPending} onClick={() => use(subset)}>
          Use these rows
        </button>
        {study.state.subset && (
          <button type="button" className="button" disabled={change.isPending} onClick={() => use(null)}>
            Use all rows
          </button>
        )}
        <SetAsideMenu
          label="Set these aside …"
          disabled={!complete || change.isPending}
          onChoose={(because, words) =>
            change.mutate(
              { change: { type: 'set-aside', choice: { rule: subset }, because }, ...(words ? { reason: words } : {}) },
              { onSuccess: onClose },
            )
          }
        />
        {(study.state.setAside?.count ?? 0) > 0 && (
          <button
            type="button"
            className="button"
            disabled={!complete || change.isPending}
            onClick={() => change.mutate({ change: { type: 'bring-back', choice: { rule: subset } } }, { onSuccess: onClose })}
          >
            Bring these back
          </button>
        )}
        <button type="button" className="button" onClick={onClose}>
          Cancel
        </button>
        <span className="flex w-full items-center gap-2 border-t border-rule pt-3">
          <input
            className="field w-56 py-1"
            placeholder="name for this subset"
            aria-label="Name for this subset"
            value={name}
            maxLength={80}
            onChange={(event) => setName(event.target.value)}
          />
          <button
            type="button"
            className="button-quiet"
            disabled={!complete || !name.trim() || change.isPending}
            onClick={() =>
              change.mutate({ change: { type: 'name-subset', named: { name: name.trim(), subset } } }, { onSuccess: () => setName('') })
            }
          >
            Keep under this name
          </button>
        </span>
      </div>
    </>
  );
}

function firstRule(study: Study) {
  const grouping = study.state.variables.find(({ kind }) => kind === 'nominal');
  return newRule(study, grouping?.id ?? '');
}

function Count({ study, subset, complete }: { study: Study; subset: Subset; complete: boolean }) {
  const { data, error } = useQuery({
    ...subsetCountQuery(study.id, study.head, subset),
    enabled: complete,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const words = complete ? subsetInWords(subset, study.state.variables) : '';
  return (
    <p className="numerals mt-3 border-t border-rule pt-3" role="status">
      {!complete && <span className="text-muted">{subset.rules.length === 0 ? 'Add a rule.' : 'Choose the values of each rule.'}</span>}
      {complete && error && <span className="text-caution">{error.message}</span>}
      {complete && !error && data && (
        <>
          <strong>{data.rows.toLocaleString('en-GB')}</strong> of {study.rows.toLocaleString('en-GB')} rows: {words}.
          {data.inUse < data.rows && <span className="text-muted"> {data.rows - data.inUse} of them are set aside.</span>}
        </>
      )}
    </p>
  );
}

function NamedSubsets({ study, onUse }: { study: Study; onUse: (named: NamedSubset) => void }) {
  const { change } = useStudyChanges(study);
  return (
    <ul className="mt-3 divide-y divide-rule border-y border-rule" aria-label="Subsets with a name">
      {study.state.namedSubsets.map((named) => (
        <li key={named.name} className="flex items-baseline gap-3 py-1.5">
          <span className="font-semibold">{named.name}</span>
          <span className="min-w-0 flex-1 text-muted">{subsetInWords(named.subset, study.state.variables)}</span>
          <button type="button" className="button-quiet" onClick={() => onUse(named)}>
            Use
          </button>
          <button
            type="button"
            className="button-quiet"
            onClick={() => change.mutate({ change: { type: 'forget-subset', name: named.name } })}
          >
            Forget
          </button>
        </li>
      ))}
    </ul>
  );
}
