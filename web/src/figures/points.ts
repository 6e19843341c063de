/** Points by row: those of `rows` are drawn. */
export interface Points {
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly rows: Uint32Array;
}
