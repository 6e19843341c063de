import { type RefObject, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Picture } from '../plotting/picture';
import { imageOf, paintOn } from '../plotting/picture-on-canvas';
import type { PlotLook } from '../plotting/plot-data';
import type { PlottingClient } from '../plotting/plotting-client';
import type { Sheet } from '../plotting/sheet';

interface Shown {
  readonly client: PlottingClient;
  readonly look: PlotLook;
  readonly sheet: Sheet;
  readonly mask: Uint8Array | null;
}

/** So many panels are asked for at once: the first are seen while the others are drawn. */
const BATCH = 16;

/** Keeps the canvas under the panels drawn, with some rows lit or none. */
export function usePictures(
  client: PlottingClient | null,
  look: PlotLook | null,
  sheet: Sheet,
  mask: Uint8Array | null,
  /** Whether a brush is moving, which brings pictures newer than the mask that the page knows of. */
  brushMoves: RefObject<boolean>,
) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const shown = useRef<Shown | null>(null);
  const [complete, setComplete] = useState(false);
  const [most, setMost] = useState(0);
  const wanted = useMemo(() => (client && look ? { client, look, sheet } : null), [client, look, sheet]);

  /** Shows a picture of the sheet that came with a step of the brush, or by asking for it. */
  const put = useCallback(
    (picture: Picture, lit: Uint8Array | null) => {
      if (!canvas.current || !wanted) return;
      paintOn(canvas.current, picture);
      shown.current = { ...wanted, mask: lit };
    },
    [wanted],
  );

  useEffect(() => {
    if (!wanted || wanted.sheet.panels.length === 0) {
      setComplete(wanted !== null && wanted.sheet.width > 0);
      return;
    }
    const { current: before } = shown;
    const same = before?.client === wanted.client && before.look === wanted.look && before.sheet === wanted.sheet;
    if (same && (before.mask === mask || brushMoves.current)) return;
    let current = true;
    const draw = async () => {
      const drawing = wanted.client.drawing(wanted.look, wanted.sheet);
      // What is drawn for the first time is shown part by part.
      if (before?.client !== wanted.client && !mask) {
        const highest = await drawParts(wanted, () => (current ? canvas.current : null));
        if (!current) return;
        shown.current = { ...wanted, mask };
        setMost(highest);
      } else {
        const result = await drawing.draw(mask);
        if (!current) return;
        put(result.picture, mask);
        setMost(result.most);
      }
      setComplete(true);
    };
    void draw();
    return () => {
      current = false;
    };
  }, [wanted, mask, put, brushMoves]);
  return { canvas, put, complete, most };
}

/** @returns the most rows in one bin */
async function drawParts({ client, look, sheet }: Omit<Shown, 'mask'>, canvasNow: () => HTMLCanvasElement | null): Promise<number> {
  let highest = 0;
  for (let from = 0; from < sheet.panels.length; from += BATCH) {
    const drawn = await client.drawing(look, sheet).drawPanels(from, from + BATCH);
    const canvas = canvasNow();
    const context = canvas?.getContext('2d');
    if (!canvas || !context) return highest;
    if (from === 0) {
      canvas.width = Math.round(sheet.width * look.ratio);
      canvas.height = Math.round(sheet.height * look.ratio);
    }
    for (const { picture, left, top, most } of drawn) {
      highest = Math.max(highest, most);
      context.putImageData(imageOf(picture), Math.round(left * look.ratio), Math.round(top * look.ratio));
    }
  }
  return highest;
}
