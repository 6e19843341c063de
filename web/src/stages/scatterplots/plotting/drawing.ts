import { transfer } from 'comlink';
import type { PanelSpec, PlotData, PlotLook } from './plot-data';
import { type Combining, type Outline, Plotter } from './plotter';
import type { Sheet } from './sheet';

/** A plotter as a worker offers it: pictures are handed over, not copied. */
export function createDrawing() {
  const plotter = new Plotter();
  let sheet: Sheet = { width: 0, height: 0, panels: [] };

  function specOf(id: string): PanelSpec | undefined {
    return sheet.panels.find(({ spec }) => spec.id === id)?.spec;
  }
  return {
    setData: (data: PlotData) => plotter.setData(data),
    setLook: (look: PlotLook) => plotter.setLook(look),
    /** The panels in view; what is asked for after it is about these. */
    setSheet: (next: Sheet) => {
      sheet = next;
    },
    /** The whole sheet, and the most rows in one bin. */
    draw(mask: Uint8Array | null) {
      const picture = plotter.drawSheet(sheet, mask);
      const most = sheet.panels.reduce((highest, { spec }) => Math.max(highest, plotter.mostIn(spec)), 0);
      return transfer({ picture, most }, [picture.pixels.buffer]);
    },
    /** Some panels by themselves, in the order of the sheet, so that the first are seen while the others are drawn. */
    drawPanels(from: number, to: number) {
      const drawn = sheet.panels
        .slice(from, to)
        .map(({ spec, left, top }) => ({ left, top, picture: plotter.draw(spec), most: plotter.mostIn(spec) }));
      return transfer(
        drawn,
        drawn.map(({ picture }) => picture.pixels.buffer),
      );
    },
    /** One step of a brush in a panel: which places it lights, how many, and the sheet with them lit. */
    brush(panel: string, outline: Outline, before: Uint8Array | null, combining: Combining) {
      const spec = specOf(panel);
      if (!spec) return null;
      const mask = plotter.within(spec, outline, before, combining);
      const picture = plotter.drawSheet(sheet, mask);
      let count = 0;
      for (let place = 0; place < mask.length; place++) count += mask[place] as number;
      return transfer({ mask, count, picture }, [picture.pixels.buffer]);
    },
    /** What lies under the pointer in a panel, and where the same row is in all of them. */
    under(panel: string, x: number, y: number) {
      const spec = specOf(panel);
      const place = spec ? plotter.nearest(spec, x, y) : null;
      const count = spec ? plotter.countAt(spec, x, y) : null;
      const specs = sheet.panels.map((item) => item.spec);
      const where = place === null ? [] : plotter.where(specs, place).map((at, i) => [specs[i]?.id ?? '', at] as const);
      return { place, count, where };
    },
    /** A panel that need not be in view, by itself. */
    picture(spec: PanelSpec) {
      const picture = plotter.draw(spec);
      return transfer(picture, [picture.pixels.buffer]);
    },
    positions: (spec: PanelSpec) => plotter.positions(spec),
  };
}
export type Drawing = ReturnType<typeof createDrawing>;
