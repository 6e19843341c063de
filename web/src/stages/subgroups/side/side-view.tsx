import type { Variable } from '@ivlen/contract';
import { useMemo, useRef, useState } from 'react';
import { useElementWidth } from '../../../controls/use-element-width';
import { groupShape, groupToken } from '../../../figures/group-styles';
import { Marker } from '../../../figures/marks/marker';
import { type ComparedPair, type MarkedCell, pairId, pairName } from '../../../groups/compared-pairs';
import { greatest, least } from '../../../numbers/ends';
import { fineCoefficientText, fineIntervalText, pRelationText } from '../../../numbers/number-text';
import { TableTools } from '../../../tables/table-tools';
import type { SubgroupProps } from '../stage-props';
import { TileGrid, tileSize } from '../tile-grid';
import { groupMatrixTable } from './group-matrix-table';

/** A grid for each group, of one scale, order and size; what is pointed at in one is marked in all. */
export function SideView({
  study,
  variables,
  settings,
  taking,
  compared,
  onOpen,
}: SubgroupProps & { onOpen: (x: Variable, y: Variable) => void }) {
  const { groups, pairs } = compared;
  const [hovered, setHovered] = useState<ComparedPair | null>(null);
  const lit = hovered && pairId(hovered);
  const holder = useRef<HTMLDivElement>(null);
  const width = useElementWidth(holder);
  const size = useMemo(() => tileSize(variables.length, width), [variables.length, width]);
  const grids = useMemo(
    () => [
      ...groups.map((group, place) => ({ key: group.label, group, cellOf: (pair: ComparedPair) => pair.cells[place] })),
      { key: 'all', group: null, cellOf: (pair: ComparedPair) => pair.pooled },
    ],
    [groups],
  );
  return (
    <>
      <p className="numerals sticky top-0 left-0 z-10 min-h-6 bg-paper pb-1 text-[13px]" data-testid="side-readout">
        {hovered ? readout(hovered, compared.groups, settings.levels) : 'Point at a pair in one group and it is marked in all.'}
      </p>
      <div ref={holder} className="flex flex-wrap gap-x-6 gap-y-5 pb-4" data-testid="side-by-side">
        {grids.map(({ key, group, cellOf }) => (
          <section key={key} aria-label={group ? group.label : 'All of them'} className="min-w-0">
            <h2 className="mb-1 flex items-center gap-1.5 text-[14px] font-semibold">
              {group && <Marker shape={groupShape(group.style)} colour={`var(${groupToken(group.style)})`} />}
              {group ? group.label : 'all of them'}
              <span className="numerals font-normal text-muted">n {rangeOfN(pairs, cellOf)}</span>
              <span className="ml-auto pl-4 font-normal">
                <TableTools
                  className="text-[12px]"
                  fileName={`${study.name} ${group ? group.label : 'all groups'}`}
                  table={groupMatrixTable(group ? group.label : 'all groups', variables, pairs, cellOf, taking, settings)}
                />
              </span>
            </h2>
            <TileGrid
              label={`Correlations in ${group ? group.label : 'all groups'}`}
              variables={variables}
              pairs={pairs}
              tileOf={(pair) => tileOf(cellOf(pair), settings.levels)}
              lit={lit}
              size={size}
              onHover={setHovered}
              onOpen={(pair) => onOpen(pair.x, pair.y)}
            />
          </section>
        ))}
      </div>
    </>
  );
}

function tileOf(cell: MarkedCell | undefined, levels: readonly number[]) {
  if (!cell || cell.coefficient === null) return null;
  return { value: cell.coefficient, p: cell.adjustedP ?? cell.pValue, levels };
}

/** "52–57". */
function rangeOfN(pairs: readonly ComparedPair[], cellOf: (pair: ComparedPair) => MarkedCell | undefined): string {
  const counts = pairs.map((pair) => cellOf(pair)?.n ?? 0);
  const [fewest, most] = [least(counts), greatest(counts)].map((count) => count.toLocaleString('en-GB'));
  return fewest === most ? `${most}` : `${fewest}–${most}`;
}

/** The pair in every group. */
function readout(pair: ComparedPair, groups: SubgroupProps['compared']['groups'], levels: readonly number[]): string {
  const one = (label: string, { coefficient, low, high, n }: MarkedCell) =>
    `${label} ${coefficient === null ? '–' : fineCoefficientText(coefficient)}${low !== null && high !== null ? ` ${fineIntervalText(low, high)}` : ''} n ${n}`;
  const each = groups.flatMap(({ label }, k) => {
    const cell = pair.cells[k];
    return cell ? [one(label, cell)] : [];
  });
  const p = pair.homogeneity.pValue === null ? '' : ` · homogeneity ${pRelationText(pair.homogeneity.pValue, levels)}`;
  const shown = each.length > 5 ? [...each.slice(0, 5), '…'] : each;
  return `${pairName(pair)}: ${shown.join(' · ')}${p}`;
}
