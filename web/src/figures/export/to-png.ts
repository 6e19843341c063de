import { type FigureOptions, pixelsOf } from './figure-options';

/** An SVG as a PNG of the width and resolution asked for. */
export async function svgToPng(svg: string, { width, resolution }: FigureOptions): Promise<Blob> {
  const address = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    await new Promise<void>((resolve, reject) => {
      image.onload = () => resolve();
      image.onerror = () => reject(new Error('The figure could not be drawn. Choose a smaller one.'));
      image.src = address;
    });
    const canvas = document.createElement('canvas');
    canvas.width = pixelsOf(width, resolution);
    canvas.height = Math.round((canvas.width * image.naturalHeight) / image.naturalWidth);
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
    if (!blob) throw new Error('So many pixels are more than the browser can draw. Choose a lower resolution or a smaller width.');
    return withResolution(blob, resolution);
  } finally {
    URL.revokeObjectURL(address);
  }
}

const METRES_PER_INCH = 0.0254;
/** After the eight bytes of the signature and the header chunk of 25. */
const AFTER_HEADER = 33;

/** Writes the resolution into a PNG, so that it has the width asked for wherever it is placed (PNG, 11.3.5.3: pHYs). */
async function withResolution(blob: Blob, resolution: number): Promise<Blob> {
  const perMetre = Math.round(resolution / METRES_PER_INCH);
  const chunk = new Uint8Array(21);
  const view = new DataView(chunk.buffer);
  view.setUint32(0, 9);
  chunk.set([0x70, 0x48, 0x59, 0x73], 4);
  view.setUint32(8, perMetre);
  view.setUint32(12, perMetre);
  chunk[16] = 1;
  view.setUint32(17, crc32(chunk.subarray(4, 17)));
  return new Blob([blob.slice(0, AFTER_HEADER), chunk, blob.slice(AFTER_HEADER)], { type: 'image/png' });
}

/** CRC-32 as PNG has it (ISO 3309). */
function crc32(bytes: Uint8Array): number {
  let crc = 0xffffffff;
  for (const byte of bytes) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit++) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1;
  }
  return (crc ^ 0xffffffff) >>> 0;
}
