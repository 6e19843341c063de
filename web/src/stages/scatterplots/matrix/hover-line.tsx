import type { Study } from '@ivlen/contract';
import { asMeasured } from '../../../figures/as-measured';
import { NO_GROUP } from '../../../figures/group-styles';
import type { Group } from '../../../settings/use-grouping';
import { useRowName } from '../../../study/use-row-name';
import { displayName } from '../../../study/variable-name';
import type { PlotData } from '../plotting/plot-data';
import type { PanelModel } from './panel-model';
import type { UnderPointer } from './use-under-pointer';

interface HoverLineProps {
  readonly study: Study;
  readonly data: PlotData | undefined;
  readonly under: UnderPointer | null;
  readonly groups: readonly Group[];
  readonly models: readonly PanelModel[];
}

/** Names the row under the pointer with its values; or says how many rows are there. */
export function HoverLine({ study, data, under, groups, models }: HoverLineProps) {
  const row = under?.place == null ? null : (data?.rows[under.place] ?? 0) + 1;
  const name = useRowName(study, row);
  if (!under || !data)
    return <p className="text-[13px] text-muted">Press a panel to open its pair; drag across one to select rows in all.</p>;
  const pair = models.find((model) => model.spec?.id === under.spec.id)?.values;
  if (under.place === null) {
    const count = under.count === null ? '' : ` · ${under.count.toLocaleString('en-GB')} ${under.count === 1 ? 'row' : 'rows'} here`;
    return (
      <p className="numerals text-[13px]" data-testid="pair-under-pointer">
        {pair}
        {count}
      </p>
    );
  }
  const { place, spec } = under;
  const value = (id: string) => {
    const variable = study.state.variables.find((item) => item.id === id);
    return variable
      ? `${displayName(variable)} ${asMeasured(data.columns.get(id)?.[place] ?? null)}${variable.unit ? ` ${variable.unit}` : ''}`
      : '';
  };
  const group = groups[data.groups?.[place] ?? NO_GROUP];
  return (
    <p className="numerals text-[13px]" data-testid="row-under-pointer">
      <strong>{name}</strong>: {value(spec.x)}, {value(spec.y)}
      {group && ` · ${group.label}`}
      <span className="text-muted"> · {pair}</span>
    </p>
  );
}
