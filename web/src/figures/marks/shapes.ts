/** Shapes of points by group, in the order in which groups take them. */
export const SHAPES = ['circle', 'square', 'triangle', 'diamond', 'cross', 'wedge'] as const;
export type Shape = (typeof SHAPES)[number];

/** Corners of each shape for radius 1, of about the same area as a circle; the circle has none. */
export const OUTLINES: Readonly<Record<Exclude<Shape, 'circle'>, readonly (readonly [number, number])[]>> = {
  square: [
    [-0.89, -0.89],
    [0.89, -0.89],
    [0.89, 0.89],
    [-0.89, 0.89],
  ],
  triangle: [
    [0, -1.35],
    [1.17, 0.8],
    [-1.17, 0.8],
  ],
  diamond: [
    [0, -1.35],
    [1.15, 0],
    [0, 1.35],
    [-1.15, 0],
  ],
  cross: [
    [-0.42, -1.25],
    [0.42, -1.25],
    [0.42, -0.42],
    [1.25, -0.42],
    [1.25, 0.42],
    [0.42, 0.42],
    [0.42, 1.25],
    [-0.42, 1.25],
    [-0.42, 0.42],
    [-1.25, 0.42],
    [-1.25, -0.42],
    [-0.42, -0.42],
  ],
  wedge: [
    [0, 1.35],
    [-1.17, -0.8],
    [1.17, -0.8],
  ],
};
