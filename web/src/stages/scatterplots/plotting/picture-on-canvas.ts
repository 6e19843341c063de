import type { Picture } from './picture';

/** A picture as an address that an SVG can hold. */
export function pictureAddress(picture: Picture): string {
  const canvas = document.createElement('canvas');
  paintOn(canvas, picture);
  return canvas.toDataURL('image/png');
}

/** Shows a picture on a canvas, which takes its size. */
export function paintOn(canvas: HTMLCanvasElement, picture: Picture): void {
  const { width, height } = picture;
  if (canvas.width !== width || canvas.height !== height) {
    canvas.width = width;
    canvas.height = height;
  }
  canvas.getContext('2d')?.putImageData(imageOf(picture), 0, 0);
}

export function imageOf({ width, height, pixels }: Picture): ImageData {
  return new ImageData(new Uint8ClampedArray(pixels.buffer, pixels.byteOffset, pixels.byteLength), width, height);
}
