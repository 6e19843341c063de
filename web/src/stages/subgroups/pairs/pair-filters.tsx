import { type SubgroupSettings, subgroupSettingsSchema, type Variable } from '@ivlen/contract';
import { displayName } from '../../../study/variable-name';

const ORDERS: Readonly<Record<SubgroupSettings['order'], string>> = {
  disagreement: 'by disagreement',
  name: 'by name',
  size: 'by size over all rows',
};
const orderSchema = subgroupSettingsSchema.shape.order.unwrap();

interface PairFiltersProps {
  readonly variables: readonly Variable[];
  readonly layout: SubgroupSettings;
  readonly patch: (part: Partial<SubgroupSettings>) => void;
  readonly count: number;
  readonly of: number;
}

/** In which order the pairs stand, and which of them. */
export function PairFilters({ variables, layout, patch, count, of }: PairFiltersProps) {
  const select = 'rounded border border-edge bg-surface px-1.5 py-1';
  const hasRoles = variables.some(({ role }) => role === 'outcome') && variables.some(({ role }) => role === 'predictor');
  return (
    <>
      <select
        aria-label="Order of the pairs"
        className={select}
        value={layout.order}
        onChange={(event) => patch({ order: orderSchema.catch('disagreement').parse(event.target.value) })}
      >
        {orderSchema.options.map((order) => (
          <option key={order} value={order}>
            {ORDERS[order]}
          </option>
        ))}
      </select>
      <select
        aria-label="Only pairs with"
        className={`${select} max-w-48`}
        value={layout.byRole ? BY_ROLE : (layout.onlyWith ?? '')}
        onChange={({ target: { value } }) =>
          patch(value === BY_ROLE ? { byRole: true, onlyWith: null } : { byRole: false, onlyWith: value || null })
        }
      >
        <option value="">pairs of any variable</option>
        {hasRoles && <option value={BY_ROLE}>outcomes × predictors</option>}
        {variables.map((variable) => (
          <option key={variable.id} value={variable.id}>
            pairs of {displayName(variable)}
          </option>
        ))}
      </select>
      <label className="flex items-center gap-1.5 text-[13px]">
        <input
          type="checkbox"
          className="size-4 accent-accent"
          checked={layout.onlyDiffering}
          onChange={(event) => patch({ onlyDiffering: event.target.checked })}
        />
        only where groups differ
      </label>
      <span className="text-muted" data-testid="pair-count">
        {count === of ? `${of} ${of === 1 ? 'pair' : 'pairs'}` : `${count} of ${of} pairs`}
      </span>
    </>
  );
}

const BY_ROLE = 'by-role';
