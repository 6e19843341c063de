import { SHAPES } from '../../../figures/marks/shapes';
import { greatest, least } from '../../../numbers/ends';
import { type Bins, binnedPicture, binsOf, binsWhere, countAt, countInto, paintBins } from './bins';
import { createLitSquares, type LitSquares, lightSquares } from './lit-squares';
import { type Pen, paintPoints } from './paint-points';
import { type Colour, createPicture, type Picture } from './picture';
import { type PanelSpec, type PlotData, type PlotLook, pointLook } from './plot-data';
import { createPositioner, type Positions } from './positions';
import { emptySheet, layOn, type Sheet } from './sheet';
import { createStamp, isInPolygon, type Stamp } from './stamps';

/** A closed shape on a panel, in pixels of the page from its upper left corner. */
export type Outline = readonly (readonly [number, number])[];
export type Combining = 'new' | 'add' | 'intersect';

interface Panel {
  readonly spec: PanelSpec;
  /** Kept for points only; bins need no more than the bin of each place. */
  readonly positions: Positions | null;
  readonly bins: Bins | null;
  readonly beyond: Uint32Array;
  /** All points, and all points as they are while others are lit. */
  full: Picture | null;
  faint: Picture | null;
  /** Of bins: which places were lit last, and how many there were in each. */
  lit: { mask: Uint8Array; readonly counts: Uint32Array } | null;
  /** Of points drawn as squares of one colour: the picture as it was lit last. */
  squares: LitSquares | null;
}

const REACH = 10;
/** More rows than this are drawn as dots: shapes so small could not be told apart. */
export const MOST_SHAPED = 4000;

/**
 * Draws panels of points, finds points in them, and lights rows in all of them. Knows no page: it is given numbers and
 * gives back pictures, wherever it runs.
 */
export class Plotter {
  #data: PlotData | null = null;
  #look: PlotLook | null = null;
  readonly #panels = new Map<string, Panel>();
  #positioner: ((spec: PanelSpec) => Positions) | null = null;
  readonly #stamps = new Map<string, Stamp>();
  /** A mask that lights nothing. */
  #none = new Uint8Array();
  /** What differs between two steps of a brush, the same for all panels. */
  #steps: { before: Uint8Array; after: Uint8Array; came: Uint32Array; went: Uint32Array } | null = null;

  setData(data: PlotData): void {
    this.#data = data;
    this.#forget();
  }

  setLook(look: PlotLook): void {
    this.#look = look;
    this.#stamps.clear();
    this.#forget();
  }

  #forget(): void {
    this.#panels.clear();
    this.#positioner = null;
  }

  /** Draws a panel as it is while nothing is lit. */
  draw(spec: PanelSpec): Picture {
    return copyOf(this.#full(spec));
  }

  /** Most rows in one bin of a panel; 0 where points are drawn. */
  mostIn(spec: PanelSpec): number {
    return this.#panelOf(spec).bins?.most ?? 0;
  }

  /** Draws all panels of a sheet, with some places lit, a byte for each place; or none. */
  drawSheet(sheet: Sheet, mask: Uint8Array | null): Picture {
    const { look } = this.#asked();
    const picture = emptySheet(sheet, look.ratio);
    const places = mask && placesIn(mask);
    for (const { spec, left, top } of sheet.panels) {
      const drawn = mask && places ? this.#lit(spec, mask, places) : this.#full(spec);
      layOn(picture, drawn, Math.round(left * look.ratio), Math.round(top * look.ratio));
    }
    return picture;
  }

  #full(spec: PanelSpec): Picture {
    const panel = this.#panelOf(spec);
    panel.full ??= this.#paint(panel, null);
    return panel.full;
  }

  #lit(spec: PanelSpec, mask: Uint8Array, places: Uint32Array): Picture {
    const panel = this.#panelOf(spec);
    const { data, look } = this.#asked();
    panel.faint ??= this.#paint(panel, look.faint);
    const { points } = this.#penFor(spec);
    if (panel.positions && !data.groups && typeof points === 'number') {
      panel.squares ??= createLitSquares(panel.faint, this.#noneLit(mask.length));
      const { came, went } = this.#differing(panel.squares.mask, mask);
      for (const [changed, step] of [
        [came, 1],
        [went, -1],
      ] as const) {
        lightSquares(panel.squares, panel.faint, panel.positions, changed, step, look.lit, points, look.ratio);
      }
      panel.squares.mask = mask;
      return panel.squares.picture;
    }
    const picture = copyOf(panel.faint);
    this.#lightUp(panel, picture, mask, places);
    return picture;
  }

  /** The places inside an outline, combined with those lit before. */
  within(spec: PanelSpec, outline: Outline, before: Uint8Array | null, combining: Combining): Uint8Array {
    const { positions, bins } = this.#panelOf(spec);
    const { data } = this.#asked();
    const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
    const [left, right, top, bottom] = [least(xs), greatest(xs), least(ys), greatest(ys)];
    const isInside = (x: number, y: number) => x >= left && x <= right && y >= top && y <= bottom && isInPolygon(outline, x, y);
    const inBins = bins && binsWhere(bins, isInside);
    const mask = new Uint8Array(data.rows.length);
    for (let place = 0; place < mask.length; place++) {
      let inside: boolean;
      if (bins && inBins) inside = inBins[bins.of[place] as number] === 1;
      else inside = positions !== null && isInside(positions.x[place] as number, positions.y[place] as number);
      const was = before !== null && before[place] === 1;
      if (combining === 'add' ? was || inside : combining === 'intersect' ? (before === null || was) && inside : inside) mask[place] = 1;
    }
    return mask;
  }

  /** The place whose point is nearest, within a finger's reach; null for none, and where rows are counted in bins. */
  nearest(spec: PanelSpec, x: number, y: number): number | null {
    const { positions } = this.#panelOf(spec);
    if (!positions) return null;
    let found: number | null = null;
    let smallest = REACH * REACH;
    for (let place = 0; place < positions.x.length; place++) {
      const distance = ((positions.x[place] ?? 0) - x) ** 2 + ((positions.y[place] ?? 0) - y) ** 2;
      if (distance < smallest) [found, smallest] = [place, distance];
    }
    return found;
  }

  /** Where one place's point lies in some panels, in pixels of the page; null where it has none. */
  where(specs: readonly PanelSpec[], place: number): (readonly [number, number] | null)[] {
    return specs.map((spec) => {
      const { positions } = this.#panelOf(spec);
      const [x, y] = [positions?.x[place] ?? Number.NaN, positions?.y[place] ?? Number.NaN];
      return x === x && y === y ? ([x, y] as const) : null;
    });
  }

  /** How many rows are in the bin at a place of the panel; null where points are drawn. */
  countAt(spec: PanelSpec, x: number, y: number): number | null {
    const { bins } = this.#panelOf(spec);
    return bins && countAt(bins, x, y);
  }

  /** Where the points of a panel lie. */
  positions(spec: PanelSpec): Positions {
    const { data, look } = this.#asked();
    this.#positioner ??= createPositioner(data, look);
    return this.#positioner(spec);
  }

  #panelOf(spec: PanelSpec): Panel {
    const known = this.#panels.get(spec.id);
    if (known && sameSpec(known.spec, spec)) return known;
    const positions = this.positions(spec);
    const bins = spec.style === 'bins' ? binsOf(positions, spec.width, spec.height) : null;
    const { beyond } = positions;
    const panel: Panel = { spec, positions: bins ? null : positions, bins, beyond, full: null, faint: null, lit: null, squares: null };
    this.#panels.set(spec.id, panel);
    return panel;
  }

  /** @param faint the colour of all points while others are lit; null for their own */
  #paint(panel: Panel, faint: Colour | null): Picture {
    const { data, look } = this.#asked();
    const { spec, positions, bins, beyond } = panel;
    const { width, height } = spec;
    if (bins) return binnedPicture(bins, width, height, look.surface, faint ?? look.ink, look.ratio);
    const picture = createPicture(Math.round(width * look.ratio), Math.round(height * look.ratio), look.surface);
    if (!positions) return picture;
    const pen = this.#penFor(spec);
    paintPoints(picture, positions, null, data.groups, faint ? { ...pen, groups: [], plain: faint } : pen);
    paintPoints(picture, positions, beyond, data.groups, { ...pen, groups: [], plain: look.beyond, opacity: 1 });
    return picture;
  }

  #lightUp(panel: Panel, picture: Picture, mask: Uint8Array, places: Uint32Array): void {
    const { data, look } = this.#asked();
    const { spec, positions, bins } = panel;
    if (bins) {
      panel.lit ??= { mask: this.#noneLit(mask.length), counts: new Uint32Array(bins.counts.length) };
      const { came, went } = this.#differing(panel.lit.mask, mask);
      countInto(panel.lit.counts, bins, came, 1);
      countInto(panel.lit.counts, bins, went, -1);
      panel.lit.mask = mask;
      paintBins(picture, bins, panel.lit.counts, bins.most, look.surface, look.lit, look.ratio);
      return;
    }
    if (!positions) return;
    const pen = this.#penFor(spec);
    paintPoints(picture, positions, places, data.groups, { ...pen, opacity: 1, plain: data.groups ? look.ink : look.lit });
  }

  /** The same for all panels, so that what differs from it is looked for once. */
  #noneLit(length: number): Uint8Array {
    if (this.#none.length !== length) this.#none = new Uint8Array(length);
    return this.#none;
  }

  #differing(before: Uint8Array, after: Uint8Array): { came: Uint32Array; went: Uint32Array } {
    if (this.#steps?.before !== before || this.#steps.after !== after) {
      this.#steps = { before, after, ...differing(before, after) };
    }
    return this.#steps;
  }

  #penFor({ width, height }: PanelSpec): Pen {
    const { data, look } = this.#asked();
    const { radius, opacity } = pointLook(data.rows.length, width * height, data.groups !== null);
    const size = radius * look.ratio;
    const stamp = (key: string, make: () => Stamp) => {
      const known = this.#stamps.get(key) ?? make();
      this.#stamps.set(key, known);
      return known;
    };
    const points =
      data.rows.length > MOST_SHAPED
        ? Math.max(1, Math.round(2 * size))
        : (data.groups ? SHAPES : SHAPES.slice(0, 1)).map((shape) => stamp(`${shape} ${size}`, () => createStamp(shape, size)));
    return { ratio: look.ratio, opacity, points, groups: look.groups, plain: look.ink };
  }

  #asked(): { data: PlotData; look: PlotLook } {
    if (!this.#data || !this.#look) throw new Error('a plotter needs data and a look first');
    return { data: this.#data, look: this.#look };
  }
}

/** Numbers of the places whose byte is set. */
export function placesIn(mask: Uint8Array): Uint32Array {
  const places = new Uint32Array(mask.length);
  let count = 0;
  for (let place = 0; place < mask.length; place++) if (mask[place] === 1) places[count++] = place;
  return places.slice(0, count);
}

/** The places lit in one of two masks alone: those that came with the second, and those that went. */
function differing(before: Uint8Array, after: Uint8Array): { came: Uint32Array; went: Uint32Array } {
  const came = new Uint32Array(after.length);
  const went = new Uint32Array(after.length);
  let [more, less] = [0, 0];
  for (let place = 0; place < after.length; place++) {
    const change = (after[place] as number) - (before[place] as number);
    if (change > 0) came[more++] = place;
    else if (change < 0) went[less++] = place;
  }
  return { came: came.slice(0, more), went: went.slice(0, less) };
}

function copyOf({ width, height, pixels }: Picture): Picture {
  return { width, height, pixels: pixels.slice() };
}

function sameSpec(a: PanelSpec, b: PanelSpec): boolean {
  return a.x === b.x && a.y === b.y && a.scale === b.scale && a.style === b.style && a.width === b.width && a.height === b.height;
}
