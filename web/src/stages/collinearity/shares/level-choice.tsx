import { PopoverEditor } from '../../../controls/popover-editor';
import { OptionList } from '../../../methods-line/option-list';
import type { ModelTerm } from '../../../predictors/predictor-model';
import { useGroups } from '../../../settings/use-grouping';
import { displayName } from '../../../study/variable-name';
import type { PredictorsViewProps } from '../stage-props';

/** How a predictor of levels enters: what its levels are told apart from, and for an ordinal one whether by levels at all. */
export function LevelChoice({ study, settings, patch, term }: PredictorsViewProps & { readonly term: ModelTerm }) {
  const groups = useGroups(study, term.of);
  const labelOf = (value: number) => groups?.find((group) => group.value === value)?.label ?? String(value);
  const choose = (part: { as?: 'quantity' | 'levels'; reference?: number | null }) =>
    patch({
      enter: { ...settings.enter, [term.of.id]: { as: 'levels', reference: term.reference, ...part } },
      before: null,
    });
  if (term.reference === null) return null;
  return (
    <PopoverEditor
      label={`How ${displayName(term.of)} enters`}
      triggerClass="button-quiet block max-w-full truncate text-[11px]"
      triggerLabel={`against ${labelOf(term.reference)}: choose the reference level of ${displayName(term.of)}`}
      trigger={`against ${labelOf(term.reference)}`}
    >
      {(close) => (
        <>
          <p className="mb-1 px-2 text-[13px] text-muted">
            {term.columns.length} {term.columns.length === 1 ? 'indicator variable stands' : 'indicator variables stand'} for the other
            levels. Which level they are told apart from changes coefficients, not GVIF.
          </p>
          <div className="max-h-64 overflow-y-auto">
            <OptionList
              label="Reference level"
              value={String(term.reference)}
              options={term.levels.map(({ value, rows }) => ({
                value: String(value),
                name: labelOf(value),
                words: `${rows.toLocaleString('en-GB')} ${rows === 1 ? 'row' : 'rows'}`,
              }))}
              onChoose={(value) => {
                choose({ reference: Number(value) });
                close();
              }}
            />
          </div>
          {term.of.kind === 'ordinal' && (
            <button
              type="button"
              className="button-quiet mt-2 px-2 text-[13px]"
              onClick={() => {
                choose({ as: 'quantity', reference: null });
                close();
              }}
            >
              Take it as a quantity instead
            </button>
          )}
        </>
      )}
    </PopoverEditor>
  );
}
