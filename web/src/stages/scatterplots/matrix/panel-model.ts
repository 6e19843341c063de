import type { ScatterplotSettings } from '@ivlen/contract';
import { COEFFICIENTS, countMarks } from '@ivlen/core';
import { decisiveP, type GridCellData } from '../../../coefficients/cell-data';
import { groupShape } from '../../../figures/group-styles';
import type { Shape } from '../../../figures/marks/shapes';
import { coefficientText, intervalText } from '../../../numbers/number-text';
import type { Group } from '../../../settings/use-grouping';
import { displayName } from '../../../study/variable-name';
import type { PairFit } from '../plotting/pair-fits';
import type { PanelSpec } from '../plotting/plot-data';
import { fits as hasRoom } from './fitted-text';
import { intervalIsUnder, type PanelPlace } from './layout';
import { patternWords } from './pattern-words';

/** A coefficient as a panel says it; of a group, or of all rows. */
export interface CoefficientLine {
  readonly group: number | null;
  readonly shape: Shape | null;
  readonly text: string;
}

/** Everything that stands in one panel beside its points. */
export interface PanelModel {
  readonly place: PanelPlace;
  /** What the plotter draws; null where it draws nothing. */
  readonly spec: PanelSpec | null;
  readonly corner: string;
  /** The interval, where it has no room beside the coefficient and stands under it. */
  readonly interval: string | null;
  /** Its number of rows where that differs from the others'. */
  readonly remark: string | null;
  /** The coefficient that colours the panel; null where it shows points or nothing. */
  readonly tile: number | null;
  readonly lines: readonly CoefficientLine[];
  readonly fits: readonly PairFit[];
  /** Its coefficient with the interval, whether or not there is room for it in the panel. */
  readonly values: string;
  /** For those who do not see it. */
  readonly label: string;
}

/** Coefficient and rows of one group. */
export interface GroupCoefficient {
  readonly group: number;
  readonly coefficient: number;
  readonly p: number;
  readonly n: number;
}

export interface PanelFacts {
  readonly place: PanelPlace;
  readonly spec: PanelSpec | null;
  readonly content: ScatterplotSettings['below'];
  /** undefined while it is computed. */
  readonly cell: GridCellData | undefined;
  readonly corners: boolean;
  readonly levels: readonly number[];
  /** Most panels' number of rows. */
  readonly commonN: number;
  /** Without the lit rows; NaN while that is computed, null where none are lit. */
  readonly without: number | null;
  /** Whether the points bend; null while that is not known. */
  readonly curved: boolean | null;
  readonly byGroup: readonly GroupCoefficient[];
  readonly groups: readonly Group[];
  readonly fits: readonly PairFit[];
}

const SIZE = 11;
/** Room that the number of rows takes beside the coefficient. */
const REMARK = 44;
const FEWEST = 3;

export function panelModel(facts: PanelFacts): PanelModel {
  const { place, spec, content, cell, corners, commonN, without, fits } = facts;
  const shows = content === 'coefficient';
  const usual = cell === undefined || cell.n === commonN;
  return {
    place,
    spec,
    ...(spec && corners ? cornerTexts(facts, spec.width, usual) : { corner: '', interval: null }),
    // While rows are lit, its room is for the coefficient without them.
    remark: usual || content === 'nothing' || without !== null ? null : `n ${cell.n}`,
    tile: shows && cell ? cell.coefficient : null,
    lines: shows ? coefficientLines(facts) : [],
    fits,
    values: cell ? valuesInWords(cell) : '',
    label: labelOf(facts),
  };
}

/** The coefficient with its interval in one line, or in two where there is less room. */
function cornerTexts({ cell, without }: PanelFacts, width: number, usual: boolean): Pick<PanelModel, 'corner' | 'interval'> {
  const alone = (corner: string) => ({ corner, interval: null });
  if (!cell) return alone('…');
  if (cell.because) return alone(whyNone(cell));
  const { symbol } = COEFFICIENTS[cell.method];
  const value = coefficientText(cell.coefficient);
  if (without !== null) return alone(`${symbol} ${value} → ${Number.isNaN(without) ? '…' : coefficientText(without)}`);
  if (Number.isNaN(cell.low)) return alone(`${symbol} ${value}`);
  const interval = intervalText(cell.low, cell.high);
  if (intervalIsUnder(width)) return { corner: `${symbol} ${value}`, interval };
  const whole = `${symbol} ${value} ${interval}`;
  return alone(hasRoom(whole, width - (usual ? 0 : REMARK), SIZE) ? whole : `${value} ${interval}`);
}

function whyNone({ because, n }: GridCellData): string {
  if (because === 'constant-x' || because === 'constant-y' || because === 'constant-both') return 'does not vary';
  return n === 0 ? 'no rows' : `only ${n} ${n === 1 ? 'row' : 'rows'}`;
}

function coefficientLines({ cell, byGroup, levels }: PanelFacts): CoefficientLine[] {
  if (!cell) return [{ group: null, shape: null, text: '…' }];
  if (cell.because) return [{ group: null, shape: null, text: whyNone(cell) }];
  const marked = (coefficient: number, p: number) => `${coefficientText(coefficient)}${'*'.repeat(countMarks(p, levels))}`;
  const all = { group: null, shape: null, text: marked(cell.coefficient, decisiveP(cell)) };
  const groups = byGroup.map(({ group, coefficient, p, n }) => ({
    group,
    shape: groupShape(group),
    text: n < FEWEST || Number.isNaN(coefficient) ? `– (n ${n})` : marked(coefficient, p),
  }));
  return [all, ...groups];
}

function labelOf({ place: { row, column, half }, content, cell, curved, groups, byGroup }: PanelFacts): string {
  if (half === 'diagonal') return `${displayName(row)}: its distribution`;
  const pair = `${displayName(row)} against ${displayName(column)}`;
  const what = content === 'ranks' ? ', in ranks' : content === 'bins' ? ', counted in bins' : '';
  if (!cell) return `${pair}${what}: being computed`;
  const perGroup = byGroup.map(({ group, coefficient }) => `${groups[group]?.label ?? ''} ${coefficientText(coefficient)}`);
  return [`${pair}${what}: ${valuesInWords(cell)}`, patternWords(cell, curved), ...perGroup].filter(Boolean).join('; ');
}

/** "r .52 [.43, .61], 246 rows" */
function valuesInWords(cell: GridCellData): string {
  if (cell.because) return whyNone(cell);
  const interval = Number.isNaN(cell.low) ? '' : ` ${intervalText(cell.low, cell.high)}`;
  return `${COEFFICIENTS[cell.method].symbol} ${coefficientText(cell.coefficient)}${interval}, ${cell.n.toLocaleString('en-GB')} rows`;
}
