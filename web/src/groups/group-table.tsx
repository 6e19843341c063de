import type { CorrelationSettings, GroupCell, SubgroupPairResult } from '@ivlen/contract';
import { countMarks } from '@ivlen/core';
import { sidedness } from '../coefficients/sentence-parts';
import { groupShape, groupToken } from '../figures/group-styles';
import { Marker } from '../figures/marks/marker';
import { coefficientText, pText } from '../numbers/number-text';
import type { TableColumn, ValueTable } from '../tables/columns';
import { intervalColumns } from '../tables/interval-columns';
import { type ComparedPair, type MarkedCell, markingP, type ShownGroup } from './compared-pairs';
import { placeInResult } from './place-in-result';
import { slopeText } from './slopes';

interface GroupLine {
  readonly label: string;
  readonly group: ShownGroup | null;
  readonly cell: MarkedCell;
  readonly slope: SubgroupPairResult['slopes']['groups'][number] | null;
}

interface GroupTableFacts {
  readonly name: string;
  readonly symbol: string;
  readonly settings: CorrelationSettings;
  /** Whether slopes stand beside the coefficients; else in a table of their own. */
  readonly withSlopes: boolean;
}

/** A pair's numbers in each group, and over all rows of these groups. */
export function groupTable(
  pair: ComparedPair,
  groups: readonly ShownGroup[],
  details: SubgroupPairResult | undefined,
  { name, symbol, settings, withSlopes }: GroupTableFacts,
): ValueTable<GroupLine> {
  return {
    caption: name,
    columns: [
      GROUP_COLUMN,
      { name: 'n', shown: ({ cell }) => String(cell.n), exact: ({ cell }) => cell.n },
      {
        name: symbol,
        shown: ({ cell }) => markedText(cell, settings.levels),
        exact: ({ cell }) => cell.coefficient,
      },
      ...intervalColumns<GroupLine>(`interval${sidedness(settings)}`, ({ cell }) => limitsOf(cell)),
      {
        name: 'p',
        shown: ({ cell }) => (cell.pValue === null ? '–' : pText(cell.pValue, settings.levels)),
        exact: ({ cell }) => cell.pValue,
      },
      ...slopeColumns().filter(({ only }) => withSlopes || only === 'file'),
    ],
    rows: groupLines(pair, groups, details),
    isStrong: ({ group }) => group === null,
  };
}

/** The slopes by themselves, where there is no room beside the coefficients. */
export function slopesTable(
  pair: ComparedPair,
  groups: readonly ShownGroup[],
  details: SubgroupPairResult,
  name: string,
): ValueTable<GroupLine> {
  return {
    caption: name,
    columns: [GROUP_COLUMN, ...slopeColumns()],
    rows: groupLines(pair, groups, details),
    isStrong: ({ group }) => group === null,
  };
}

function groupLines(pair: ComparedPair, groups: readonly ShownGroup[], details: SubgroupPairResult | undefined): GroupLine[] {
  const slopeOf = (group: ShownGroup) => details?.slopes.groups[placeInResult(details, group)] ?? null;
  const common = details?.slopes.pooled;
  return [
    ...groups.map((group, k) => ({ label: group.label, group, cell: pair.cells[k] ?? pair.pooled, slope: slopeOf(group) })),
    {
      label: 'all of them',
      group: null,
      cell: pair.pooled,
      slope: common ? { ...common, low: null, high: null } : null,
    },
  ];
}

const GROUP_COLUMN: TableColumn<GroupLine> = {
  name: 'group',
  shown: ({ label }) => label,
  onScreen: ({ label, group }) => (
    <span className="inline-flex items-center gap-1.5">
      {group && <Marker shape={groupShape(group.style)} colour={`var(${groupToken(group.style)})`} />}
      {label}
    </span>
  ),
};

function slopeColumns(): TableColumn<GroupLine>[] {
  return [
    {
      name: 'slope',
      shown: ({ slope }) => slopeText(slope?.slope),
      exact: ({ slope }) => slope?.slope ?? null,
    },
    {
      name: 'its interval',
      shown: ({ slope }) =>
        slope && slope.low !== null && slope.high !== null ? `[${slopeText(slope.low)}, ${slopeText(slope.high)}]` : '–',
      only: 'screen',
    },
    { name: 'slope low', shown: () => '', exact: ({ slope }) => slope?.low ?? null, only: 'file' },
    { name: 'slope high', shown: () => '', exact: ({ slope }) => slope?.high ?? null, only: 'file' },
  ];
}

/** A coefficient with its marks: "−.42**". */
export function markedText(cell: Pick<MarkedCell, 'coefficient' | 'pValue' | 'adjustedP'>, levels: readonly number[]): string {
  return cell.coefficient === null ? '–' : `${coefficientText(cell.coefficient)}${'*'.repeat(countMarks(markingP(cell), levels))}`;
}

export function limitsOf({ low, high }: Pick<GroupCell, 'low' | 'high'>): { low: number; high: number } | null {
  return low === null || high === null ? null : { low, high };
}
