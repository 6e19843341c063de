import { SCALE_WORDS, type Study, scaleSchema } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { categoriesQuery } from '../../../api/queries';
import { SelectField, TextField } from '../../../controls/form-fields';
import { displayName } from '../../../study/variable-name';
import { type Draft, ignoresMissing, looksOverRow, shiftOf, TAKEN, TAKEN_WORDS } from './draft';
import { FormulaField } from './formula-field';

interface FieldsProps {
  readonly study: Study;
  readonly draft: Draft;
  readonly patch: (part: Partial<Draft>) => void;
}

/** The fields of one way to derive a variable. */
export function WayFields({ study, draft, patch }: FieldsProps): ReactNode {
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
              aria-invalid={!Number.isFinite(shiftOf(draft.shift))}
              onChange={(event) => patch({ shift: event.target.value })}
            />
          </div>
          {!Number.isFinite(shiftOf(draft.shift)) && (
            <p role="alert" className="pb-1 text-[13px] text-caution">
              “{draft.shift.trim()}” is no number. Write it as 1 or 0.5.
            </p>
          )}
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
      {looksOverRow(draft.formula) && <UseThoseThereAre checked={ignoresMissing(draft)} patch={patch} />}
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
      <UseThoseThereAre checked={draft.ignoreMissing ?? true} patch={patch} />
    </>
  );
}

function UseThoseThereAre({ checked, patch }: { checked: boolean } & Pick<FieldsProps, 'patch'>) {
  return (
    <label className="mt-2 flex items-center gap-2">
      <input
        type="checkbox"
        className="size-4 accent-accent"
        checked={checked}
        onChange={(event) => patch({ ignoreMissing: event.target.checked })}
      />
      Where some of the values are missing, use those there are
    </label>
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
