import { type Definition, SCALE_WORDS, type Study, scaleSchema, type Variable } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { Tabs } from 'radix-ui';
import { type FormEvent, type ReactNode, useState } from 'react';
import { categoriesQuery } from '../../../api/queries';
import { SelectField, TextField } from '../../../controls/form-fields';
import { CloseButton, Modal } from '../../../controls/modal';
import { useStudyChanges } from '../../../study/use-study-changes';
import { displayName } from '../../../study/variable-name';
import { DerivationPreviewTable } from './derivation-preview';
import {
  type Draft,
  definitionOf,
  draftOf,
  ignoresMissing,
  looksOverRow,
  newDraft,
  suggestedName,
  suggestedUnit,
  TAKEN,
  TAKEN_WORDS,
  WAYS,
  type Way,
} from './draft';
import { FormulaField } from './formula-field';
import { keptDrafts } from './kept-drafts';

const WAY_NAMES: Readonly<Record<Way, string>> = {
  formula: 'Formula',
  ratio: 'Ratio of two',
  repeats: 'Of several repeats',
  scale: 'Another scale',
  groups: 'Groups',
  categories: 'Other categories',
};

interface DeriveDialogProps {
  readonly study: Study;
  /** The variable to start from, or the one to be computed otherwise. */
  readonly from: Variable | null;
  readonly redefine: boolean;
  readonly onClose: () => void;
}

/** Makes a variable from others, with what it will be shown while it is defined. */
export function DeriveDialog({ study, from, redefine, onClose }: DeriveDialogProps) {
  const { variables } = study.state;
  const { change } = useStudyChanges(study);
  const keep = keptDrafts(study.id, redefine || from !== null);
  const [draft, setDraft] = useState<Draft>(() => keep.last() ?? (redefine && from ? draftOf(from, variables) : newDraft(variables, from)));
  const patch = (part: Partial<Draft>) => {
    const next = { ...draft, ...part };
    setDraft(next);
    keep.put(next);
  };
  const definition = definitionOf(draft, variables);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!definition) return;
    const to = redefine && from ? { type: 'redefine' as const, variable: from.id, definition } : { type: 'derive' as const, definition };
    change.mutate(
      { change: to },
      {
        onSuccess: () => {
          keep.forget();
          onClose();
        },
      },
    );
  };
  const ways = redefine ? WAYS.filter((way) => way === draft.way || (way !== 'ratio' && way !== 'repeats')) : WAYS;
  return (
    <Modal title={redefine && from ? `How ${displayName(from)} is computed` : 'Derive a variable'} className="w-[760px]" onClose={onClose}>
      <form onSubmit={submit} className="mt-2 flex min-h-0 flex-1 flex-col">
        <Tabs.Root
          value={draft.way}
          onValueChange={(way) => patch(waySwitch(WAYS.find((item) => item === way) ?? 'formula', draft, variables))}
        >
          <Tabs.List className="flex gap-4 border-b border-rule" aria-label="Ways to derive a variable">
            {ways.map((way) => (
              <Tabs.Trigger
                key={way}
                value={way}
                className="-mb-px border-b-2 border-transparent pb-1 text-muted data-[state=active]:border-accent data-[state=active]:font-semibold data-[state=active]:text-ink"
              >
                {WAY_NAMES[way]}
              </Tabs.Trigger>
            ))}
          </Tabs.List>
          <Tabs.Content value={draft.way} className="pt-3" tabIndex={-1}>
            <WayFields study={study} draft={draft} patch={patch} />
          </Tabs.Content>
        </Tabs.Root>
        <div className="mt-3 flex gap-3">
          <div className="flex-1">
            <TextField
              label="Its name"
              value={draft.name}
              placeholder={suggestedName(draft, variables)}
              onChange={(event) => patch({ name: event.target.value })}
            />
          </div>
          {draft.way !== 'groups' && draft.way !== 'categories' && (
            <div className="w-32">
              <TextField
                label="Unit"
                value={draft.unit}
                placeholder={suggestedUnit(draft, variables)}
                onChange={(event) => patch({ unit: event.target.value })}
              />
            </div>
          )}
        </div>
        <div className="mt-3 min-h-40 flex-1 overflow-y-auto border-t border-rule pt-3">
          <DerivationPreviewTable study={study} definition={previewable(draft, definition, variables)} />
        </div>
        <div className="mt-3 flex gap-2">
          <button type="submit" className="button-primary" disabled={!definition || change.isPending}>
            {redefine ? 'Compute it so' : 'Make the variable'}
          </button>
          <CloseButton>Cancel</CloseButton>
          {!definition && (
            <span className="self-center text-[13px] text-muted">
              {draft.name.trim() === '' && suggestedName(draft, variables) === '' ? 'Give it a name.' : 'Fill in how it is computed.'}
            </span>
          )}
        </div>
      </form>
    </Modal>
  );
}

/** Another way may need another sort of source. */
function waySwitch(way: Way, draft: Draft, variables: readonly Variable[]): Partial<Draft> {
  const storage = way === 'categories' ? 'code' : 'number';
  const fits = variables.find(({ id }) => id === draft.source)?.storage === storage;
  const source = fits
    ? draft.source
    : (variables.find((variable) => variable.storage === storage && variable.kind !== 'identifier')?.id ?? '');
  return { way, source };
}

/** A preview needs no name. */
function previewable(draft: Draft, definition: Definition | null, variables: readonly Variable[]): Definition | null {
  return definition ?? definitionOf({ ...draft, name: 'result' }, variables);
}

interface FieldsProps {
  readonly study: Study;
  readonly draft: Draft;
  readonly patch: (part: Partial<Draft>) => void;
}

function WayFields({ study, draft, patch }: FieldsProps): ReactNode {
  switch (draft.way) {
    case 'formula':
      return <FormulaFields study={study} draft={draft} patch={patch} />;
    case 'ratio':
      return (
        <div className="flex items-end gap-3">
          <SourceField study={study} label="Upper part" value={draft.above} onChoose={(above) => patch({ above })} />
          <span className="pb-1.5">per</span>
          <SourceField study={study} label="Lower part" value={draft.below} onChoose={(below) => patch({ below })} />
        </div>
      );
    case 'repeats':
      return <RepeatsFields study={study} draft={draft} patch={patch} />;
    case 'scale':
      return (
        <div className="flex items-end gap-3">
          <SourceField study={study} label="Variable" value={draft.source} onChoose={(source) => patch({ source })} />
          <SelectField label="Scale" value={draft.scale} onChange={(event) => patch({ scale: scaleSchema.parse(event.target.value) })}>
            {scaleSchema.options.map((scale) => (
              <option key={scale} value={scale}>
                {SCALE_WORDS[scale]}
              </option>
            ))}
          </SelectField>
          <div className="w-32">
            <TextField
              label="Added first"
              inputMode="decimal"
              value={draft.shift}
              onChange={(event) => patch({ shift: event.target.value })}
            />
          </div>
        </div>
      );
    case 'groups':
      return <GroupFields study={study} draft={draft} patch={patch} />;
    case 'categories':
      return <CategoryFields study={study} draft={draft} patch={patch} />;
  }
}

function FormulaFields({ study, draft, patch }: FieldsProps) {
  return (
    <>
      <FormulaField value={draft.formula} variables={study.state.variables} onChange={(formula) => patch({ formula })} />
      <p className="mt-1 text-[13px] text-muted">
        Names, numbers, + − * / ^ and brackets; sqrt, cbrt, ln, log10, log2, exp, abs, round; max, min, mean, sum and last over the values
        of a row. A name with spaces stands in [square brackets].
      </p>
      {looksOverRow(draft.formula) && (
        <label className="mt-2 flex items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-accent"
            checked={ignoresMissing(draft)}
            onChange={(event) => patch({ ignoreMissing: event.target.checked })}
          />
          Where some of the values are missing, use those there are
        </label>
      )}
    </>
  );
}

function RepeatsFields({ study, draft, patch }: FieldsProps) {
  const numbers = study.state.variables.filter(({ storage, kind }) => storage === 'number' && kind !== 'identifier');
  return (
    <>
      <SelectField
        label="Of each row"
        value={draft.taken}
        onChange={(event) => patch({ taken: TAKEN.find((taken) => taken === event.target.value) ?? 'max' })}
      >
        {TAKEN.map((taken) => (
          <option key={taken} value={taken}>
            {TAKEN_WORDS[taken]}
          </option>
        ))}
      </SelectField>
      <fieldset className="mt-2">
        <legend className="text-[13px] text-muted">of these</legend>
        <ul className="grid max-h-36 grid-cols-3 gap-x-6 gap-y-1 overflow-y-auto">
          {numbers.map((variable) => (
            <li key={variable.id}>
              <label className="flex items-center gap-2">
                <input
                  type="checkbox"
                  className="size-4 accent-accent"
                  checked={draft.repeats.includes(variable.id)}
                  onChange={(event) =>
                    patch({
                      repeats: event.target.checked ? [...draft.repeats, variable.id] : draft.repeats.filter((id) => id !== variable.id),
                    })
                  }
                />
                <span className="truncate">{displayName(variable)}</span>
              </label>
            </li>
          ))}
        </ul>
      </fieldset>
      <label className="mt-2 flex items-center gap-2">
        <input
          type="checkbox"
          className="size-4 accent-accent"
          checked={draft.ignoreMissing ?? true}
          onChange={(event) => patch({ ignoreMissing: event.target.checked })}
        />
        Where some of the values are missing, use those there are
      </label>
    </>
  );
}

function GroupFields({ study, draft, patch }: FieldsProps) {
  return (
    <div className="flex flex-wrap items-end gap-3">
      <SourceField study={study} label="Variable" value={draft.source} onChoose={(source) => patch({ source })} />
      <SelectField
        label="Groups"
        value={draft.groupBy}
        onChange={(event) => patch({ groupBy: event.target.value === 'values' ? 'values' : 'size' })}
      >
        <option value="size">of about equal size</option>
        <option value="values">cut at values</option>
      </SelectField>
      <div className="w-48">
        {draft.groupBy === 'size' ? (
          <TextField
            label="How many"
            inputMode="numeric"
            value={draft.groups}
            onChange={(event) => patch({ groups: event.target.value })}
          />
        ) : (
          <TextField label="Cut at" placeholder="10; 25" value={draft.points} onChange={(event) => patch({ points: event.target.value })} />
        )}
      </div>
    </div>
  );
}

function CategoryFields({ study, draft, patch }: FieldsProps) {
  const { data } = useQuery({ ...categoriesQuery(study.id, study.head, draft.source), enabled: draft.source !== '' });
  const sources = study.state.variables.filter(({ storage }) => storage === 'code');
  return (
    <>
      <SelectField label="Variable" value={draft.source} onChange={(event) => patch({ source: event.target.value, texts: {} })}>
        {sources.map((variable) => (
          <option key={variable.id} value={variable.id}>
            {displayName(variable)}
          </option>
        ))}
      </SelectField>
      {data?.categories === null && <p className="mt-2 text-caution">This variable has too many different values to be recoded.</p>}
      <ul className="mt-2 grid max-h-44 grid-cols-2 gap-x-6 gap-y-1 overflow-y-auto" aria-label="New categories">
        {data?.categories?.map(({ text, rows }) => (
          <li key={text} className="flex items-center gap-2">
            <span className="min-w-0 flex-1 truncate">
              {text} <span className="numerals text-[13px] text-muted">{rows}</span>
            </span>
            <input
              className="field w-40 py-0.5"
              aria-label={`${text} becomes`}
              placeholder={text}
              value={draft.texts[text] ?? ''}
              onChange={(event) => patch({ texts: withText(draft.texts, text, event.target.value) })}
            />
          </li>
        ))}
      </ul>
      <p className="mt-1 text-[13px] text-muted">
        Give the same name to categories that belong together; an empty field keeps the category.
      </p>
    </>
  );
}

function withText(texts: Readonly<Record<string, string>>, text: string, becomes: string): Record<string, string> {
  const { [text]: _, ...others } = texts;
  return becomes === '' ? others : { ...others, [text]: becomes };
}

function SourceField({ study, label, value, onChoose }: { study: Study; label: string; value: string; onChoose: (id: string) => void }) {
  const numbers = study.state.variables.filter(({ storage }) => storage === 'number');
  return (
    <SelectField label={label} value={value} onChange={(event) => onChoose(event.target.value)}>
      {numbers.map((variable) => (
        <option key={variable.id} value={variable.id}>
          {displayName(variable)}
        </option>
      ))}
    </SelectField>
  );
}
