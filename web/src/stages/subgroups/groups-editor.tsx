import { isQuantity, MOST_COMPARED, type Study, type Variable } from '@ivlen/contract';
import { type FormEvent, useId, useState } from 'react';
import { groupShape, groupToken } from '../../figures/group-styles';
import { Marker } from '../../figures/marks/marker';
import type { Grouping, TakingPart } from '../../settings/use-grouping';
import { freeName } from '../../study/free-name';
import { useReadOnly } from '../../study/read-only';
import { useStudyChanges } from '../../study/use-study-changes';
import { displayName } from '../../study/variable-name';
import { type CutDraft, definitionOfCut, problemOfCut } from './cut-draft';

interface GroupsEditorProps {
  readonly study: Study;
  readonly grouping: Grouping;
  readonly taking: TakingPart | null;
}

/** From so many groups on they can be searched. */
const SEARCHED_FROM = 10;

/** Which variable makes the groups, which of them take part, and groups cut from a quantity. */
export function GroupsEditor({ study, grouping, taking }: GroupsEditorProps) {
  const readOnly = useReadOnly();
  return (
    <div className="grid grid-cols-2 gap-x-6">
      <div>
        <label className="block">
          <span className="block text-[13px] text-muted">Groups of</span>
          <select className="field mt-0.5 w-full" value={grouping.by?.id ?? ''} onChange={(event) => grouping.choose(event.target.value)}>
            {!grouping.by && <option value="">choose a variable</option>}
            {grouping.candidates.map((variable) => (
              <option key={variable.id} value={variable.id}>
                {displayName(variable)}
              </option>
            ))}
          </select>
        </label>
        {grouping.by && !taking && (
          <p className="mt-2 text-[13px]">{displayName(grouping.by)} has too many different values to be listed as groups.</p>
        )}
        {!readOnly && grouping.by && grouping.candidates.length > 1 && <CombineWith study={study} grouping={grouping} by={grouping.by} />}
        {!readOnly && <CutIntoGroups study={study} grouping={grouping} />}
      </div>
      {taking && <WhichGroups grouping={grouping} taking={taking} />}
    </div>
  );
}

/** The groups that take part, ticked; found by a part of their name where they are many. */
function WhichGroups({ grouping, taking }: { grouping: Grouping; taking: TakingPart }) {
  const [search, setSearch] = useState('');
  const { all, groups, isSome } = taking;
  const styles = new Map(groups.map(({ value, style }) => [value, style]));
  const wanted = search.trim().toLowerCase();
  const found = all.filter(({ label }) => label.toLowerCase().includes(wanted));
  const toggle = (value: number, on: boolean) => {
    const next = all.map((group) => group.value).filter((item) => (item === value ? on : styles.has(item)));
    if (next.length >= 2 && next.length <= MOST_COMPARED) grouping.take(next.length === all.length ? null : next);
  };
  return (
    <fieldset aria-label="Groups that take part" className="min-w-0">
      <legend className="text-[13px] text-muted">
        {groups.length} of {all.length} take part
      </legend>
      {all.length >= SEARCHED_FROM && (
        <input
          type="search"
          className="field mt-0.5 w-full"
          aria-label="Find a group"
          placeholder="find a group"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
        />
      )}
      <div className="mt-1 flex max-h-56 flex-col overflow-y-auto">
        {found.map(({ value, label, rows }) => {
          const style = styles.get(value);
          return (
            <label key={value} className="flex items-center gap-2 rounded px-1 py-1 hover:bg-accent-soft">
              <input
                type="checkbox"
                className="size-4 shrink-0 accent-accent"
                checked={style !== undefined}
                disabled={style === undefined ? groups.length >= MOST_COMPARED : groups.length <= 2}
                onChange={(event) => toggle(value, event.target.checked)}
              />
              <span className="w-3 shrink-0">
                {style !== undefined && <Marker shape={groupShape(style)} colour={`var(${groupToken(style)})`} />}
              </span>
              <span className="min-w-0 truncate" title={label}>
                {label}
              </span>
              <span className="numerals ml-auto shrink-0 text-[13px] text-muted">{rows.toLocaleString('en-GB')}</span>
            </label>
          );
        })}
        {found.length === 0 && <p className="px-1 py-2 text-[13px] text-muted">No group is called “{search}”.</p>}
      </div>
      <p className="mt-1 text-[13px] text-muted">
        {isSome && all.length <= MOST_COMPARED && (
          <button type="button" className="button-quiet" onClick={() => grouping.take(null)}>
            All {all.length}
          </button>
        )}
        {all.length > MOST_COMPARED && `Up to ${MOST_COMPARED} can be told apart; without a choice the twelve largest take part.`}
      </p>
      <label className="mt-1 flex items-start gap-2 border-t border-rule pt-2 text-[13px]">
        <input
          type="checkbox"
          className="mt-0.5 size-4 shrink-0 accent-accent"
          checked={grouping.withoutOne}
          onChange={(event) => grouping.takeWithoutOne(event.target.checked)}
        />
        Rows without {displayName(taking.by)} are a group of their own
      </label>
      <p className="mt-1 text-[13px] text-muted">The same groups in the card and in Scatterplots.</p>
    </fieldset>
  );
}

interface CombineWithProps extends Pick<GroupsEditorProps, 'study' | 'grouping'> {
  readonly by: Variable;
}

/** Every combination with a second variable: a derived variable, which is then chosen. One at a time is the choice above. */
function CombineWith({ study, grouping, by }: CombineWithProps) {
  const { change } = useStudyChanges(study);
  const others = grouping.candidates.filter((variable) => variable !== by && !isMadeOf(by, variable) && !isMadeOf(variable, by));
  const combine = (id: string) => {
    const second = others.find((variable) => variable.id === id);
    if (!second) return;
    const made = study.state.variables.find(
      ({ derivation }) => derivation?.type === 'combine' && derivation.sources.join() === [by.id, id].join(),
    );
    if (made) return grouping.choose(made.id);
    const name = freeName(`${by.name}_and_${second.name}`, study.state.variables);
    change.mutate(
      { change: { type: 'derive', definition: { name, unit: null, derivation: { type: 'combine', sources: [by.id, second.id] } } } },
      {
        onSuccess: ({ state }) => {
          const variable = state.variables.find((item) => item.name === name);
          if (variable) grouping.choose(variable.id);
        },
      },
    );
  };
  if (others.length === 0) return null;
  return (
    <label className="mt-2 block text-[13px]">
      <span className="block text-muted">every combination with</span>
      <select className="field mt-0.5 w-full" value="" disabled={change.isPending} onChange={(event) => combine(event.target.value)}>
        <option value="">no second variable</option>
        {others.map((variable) => (
          <option key={variable.id} value={variable.id}>
            {displayName(variable)}
          </option>
        ))}
      </select>
    </label>
  );
}

function isMadeOf({ derivation }: Variable, { id }: Variable): boolean {
  return derivation?.type === 'combine' && derivation.sources.includes(id);
}

/** Cuts a quantity at values, or into groups of about equal size: a derived variable, which is then chosen. */
function CutIntoGroups({ study, grouping }: Pick<GroupsEditorProps, 'study' | 'grouping'>) {
  const quantities = study.state.variables.filter(isQuantity);
  const { change } = useStudyChanges(study);
  const id = useId();
  const [draft, setDraft] = useState<CutDraft>({ source: '', how: 'size', points: '', groups: '3' });
  const source = quantities.find((variable) => variable.id === draft.source);
  const problem = source ? problemOfCut(draft) : null;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const definition = source && definitionOfCut(draft, source, study.state.variables);
    if (!definition) return;
    change.mutate(
      { change: { type: 'derive', definition } },
      {
        onSuccess: ({ state }) => {
          const made = state.variables.find(({ name }) => name === definition.name);
          if (made) grouping.choose(made.id);
          setDraft({ ...draft, source: '' });
        },
      },
    );
  };
  if (quantities.length === 0) return null;
  return (
    <form onSubmit={submit} className="mt-3 border-t border-rule pt-2 text-[13px]">
      <label htmlFor={id} className="text-muted">
        or cut a quantity into groups
      </label>
      <select
        id={id}
        className="field mt-0.5 w-full"
        value={draft.source}
        onChange={(event) => setDraft({ ...draft, source: event.target.value })}
      >
        <option value="">choose a quantity</option>
        {quantities.map((variable) => (
          <option key={variable.id} value={variable.id}>
            {displayName(variable)}
          </option>
        ))}
      </select>
      {source && (
        <>
          <div className="mt-1.5 flex items-center gap-2">
            <select
              aria-label="How it is cut"
              className="field"
              value={draft.how}
              onChange={(event) => setDraft({ ...draft, how: event.target.value === 'values' ? 'values' : 'size' })}
            >
              <option value="size">into groups of about equal size:</option>
              <option value="values">at values:</option>
            </select>
            {draft.how === 'size' ? (
              <input
                aria-label="Number of groups"
                className="field w-14"
                value={draft.groups}
                onChange={(event) => setDraft({ ...draft, groups: event.target.value })}
              />
            ) : (
              <input
                aria-label={`Values of ${displayName(source)} at which it is cut`}
                className="field min-w-0 flex-1"
                placeholder="5 10"
                value={draft.points}
                onChange={(event) => setDraft({ ...draft, points: event.target.value })}
              />
            )}
          </div>
          {problem && draft.how === 'values' && draft.points.trim() === ''
            ? null
            : problem && (
                <p role="alert" className="mt-1 text-caution">
                  {problem}
                </p>
              )}
          <button type="submit" className="button mt-1.5" disabled={problem !== null || change.isPending}>
            Make these groups
          </button>
        </>
      )}
    </form>
  );
}
