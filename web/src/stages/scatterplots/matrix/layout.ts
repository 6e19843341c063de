import type { PanelContent, ScatterplotSettings, Variable } from '@ivlen/contract';
import { greatest, least } from '../../../numbers/ends';
import type { PanelSpec } from '../plotting/plot-data';
import type { Sheet } from '../plotting/sheet';

/** Panels are never smaller than this, in pixels of the page. */
const LEAST = 84;
/** Of panels that are to be large. */
const LARGE = 148;
const WIDEST = 2;
const GAP = 4;
/** Room over each panel for its coefficient or name, and for a second line with the interval where one is too narrow. */
const STRIP = { oneLine: 16, twoLines: 29 } as const;
const ONE_LINE_FROM = 144;
/** Room that a further digit of a rank takes. */
const DIGIT = 8;
const GUTTER = { left: 54, right: 44, top: 24, bottom: 46 } as const;

export type Half = 'below' | 'above' | 'diagonal';
/** What the axis of a half is in; none where it shows no points. */
export type AxisScale = 'values' | 'ranks' | null;

export interface PanelPlace {
  readonly row: Variable;
  readonly column: Variable;
  readonly half: Half;
  readonly i: number;
  readonly j: number;
}

/** Where everything stands, in pixels of the page. */
export interface Layout {
  readonly rows: readonly Variable[];
  readonly columns: readonly Variable[];
  readonly cell: { readonly width: number; readonly height: number };
  /** The plotting area inside a cell. */
  readonly plot: { readonly left: number; readonly top: number; readonly width: number; readonly height: number };
  readonly gutter: { readonly left: number; readonly right: number; readonly top: number; readonly bottom: number };
  /** What the axes at the left and bottom are in, and those at the right and top. */
  readonly near: AxisScale;
  readonly far: AxisScale;
}

interface LayoutRequest {
  readonly rows: readonly Variable[];
  readonly columns: readonly Variable[];
  readonly below: PanelContent;
  readonly above: PanelContent;
  readonly size: ScatterplotSettings['size'];
  /** Whether panels carry their coefficients. */
  readonly corners: boolean;
  /** What there is room for. */
  readonly width: number;
  readonly height: number;
  /** Ranks go from 1 to this. */
  readonly ranks: number;
  /** Panels are never smaller than this. */
  readonly least?: number;
}

export function layOut({ rows, columns, below, above, size, corners, width, height, ranks, least: given }: LayoutRequest): Layout {
  const square = rows === columns;
  const far = square ? scaleOf(above) : null;
  // The diagonal is in values: its axis stands below, unless that above is in values too.
  const near = scaleOf(below) ?? (square && far !== 'values' ? 'values' : null);
  const gutter = {
    left: GUTTER.left,
    bottom: GUTTER.bottom,
    right: far === 'ranks' ? GUTTER.right + Math.max(0, String(ranks).length - 4) * DIGIT : far ? GUTTER.right : 8,
    top: far ? GUTTER.top : 6,
  };
  const least = given ?? (size === 'large' ? LARGE : LEAST);
  const share = (room: number, count: number) => room / Math.max(1, count);
  const across = share(width - gutter.left - gutter.right, columns.length);
  const strip = corners && intervalIsUnder(Math.max(least, across) - GAP) ? STRIP.twoLines : STRIP.oneLine;
  const leastTall = (given ?? (size === 'large' ? LARGE / 1.3 : LEAST)) + strip - STRIP.oneLine;
  const tall = clamp(share(height - gutter.top - gutter.bottom, rows.length), leastTall, 320);
  const wide = clamp(across, least, Math.max(least, WIDEST * tall));
  const cell = { width: Math.floor(wide), height: Math.floor(tall) };
  const plot = { left: 0, top: strip, width: cell.width - GAP, height: cell.height - strip - GAP };
  return { rows, columns, cell, plot, gutter, near, far };
}

/** Whether a panel so wide has its interval in a line under the coefficient. */
export function intervalIsUnder(width: number): boolean {
  return width < ONE_LINE_FROM;
}

function scaleOf(content: PanelContent): AxisScale {
  if (content === 'ranks') return 'ranks';
  return content === 'points' || content === 'bins' ? 'values' : null;
}

function halfAt({ rows, columns }: Pick<Layout, 'rows' | 'columns'>, i: number, j: number): Half {
  if (rows !== columns) return 'below';
  return i === j ? 'diagonal' : i > j ? 'below' : 'above';
}

/** The places that a window shows, and a row and column around it. */
export function placesInView(layout: Layout, view: { left: number; top: number; width: number; height: number }): PanelPlace[] {
  const { rows, columns, cell, gutter } = layout;
  const range = (start: number, length: number, size: number, count: number): readonly [number, number] => [
    Math.max(0, Math.floor(start / size) - 1),
    Math.min(count, Math.ceil((start + length) / size) + 1),
  ];
  const [firstRow, endRow] = range(view.top - gutter.top, view.height, cell.height, rows.length);
  const [firstColumn, endColumn] = range(view.left - gutter.left, view.width, cell.width, columns.length);
  const places: PanelPlace[] = [];
  for (let i = firstRow; i < endRow; i++) {
    for (let j = firstColumn; j < endColumn; j++) {
      const [row, column] = [rows[i], columns[j]];
      if (row && column) places.push({ row, column, half: halfAt(layout, i, j), i, j });
    }
  }
  return places;
}

/** How many rows are drawn as points at most; more are counted in bins. */
export const MOST_POINTS = 20_000;

/** What the plotter draws at a place; null where it draws nothing. */
export function specAt({ plot }: Layout, { row, column, half }: PanelPlace, content: PanelContent, rowsInUse: number): PanelSpec | null {
  if (half === 'diagonal' || content === 'coefficient' || content === 'nothing') return null;
  const scale = content === 'ranks' ? 'ranks' : 'values';
  const style = content === 'bins' || rowsInUse > MOST_POINTS ? 'bins' : 'points';
  const id = `${row.id} ${column.id} ${scale} ${style}`;
  return { id, x: column.id, y: row.id, scale, style, width: plot.width, height: plot.height };
}

/** The panels in view on one sheet, with the sheet's own place among all panels. */
export function sheetOf({ cell, plot }: Layout, places: readonly PanelPlace[], specs: readonly (PanelSpec | null)[]): Sheet & Corner {
  const [firstRow, firstColumn] = [least(places.map(({ i }) => i)), least(places.map(({ j }) => j))];
  const [lastRow, lastColumn] = [greatest(places.map(({ i }) => i)), greatest(places.map(({ j }) => j))];
  if (places.length === 0) return { left: 0, top: 0, width: 0, height: 0, panels: [] };
  const panels = places.flatMap(({ i, j }, k) => {
    const spec = specs[k];
    return spec ? [{ spec, left: (j - firstColumn) * cell.width + plot.left, top: (i - firstRow) * cell.height + plot.top }] : [];
  });
  return {
    left: firstColumn * cell.width,
    top: firstRow * cell.height,
    width: (lastColumn - firstColumn + 1) * cell.width,
    height: (lastRow - firstRow + 1) * cell.height,
    panels,
  };
}

export interface Corner {
  readonly left: number;
  readonly top: number;
}

function clamp(value: number, least: number, most: number): number {
  return Math.max(least, Math.min(most, value));
}
