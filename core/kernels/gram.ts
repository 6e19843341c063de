// AssemblyScript: `npm run kernels` compiles this into core/src/kernels/gram-code.ts.

/**
 * Subtracts a shift from one column's rows, in place, and puts 0 where a value is missing (NaN).
 * @param rows rows, even
 * @param stats address of two sums to add to: the shifted values, and how many are present
 */
export function shift(column: usize, rows: i32, by: f64, stats: usize): void {
  const shifts = f64x2.splat(by);
  const one = f64x2.splat(1);
  let sum = f64x2.splat(0);
  let present = f64x2.splat(0);
  for (let row = 0; row < rows; row += 2) {
    const value = v128.load(column);
    const there = f64x2.eq(value, value);
    const shifted = v128.and(f64x2.sub(value, shifts), there);
    v128.store(column, shifted);
    sum = f64x2.add(sum, shifted);
    present = f64x2.add(present, v128.and(one, there));
    column += 16;
  }
  store<f64>(stats, load<f64>(stats) + f64x2.extract_lane(sum, 0) + f64x2.extract_lane(sum, 1));
  store<f64>(stats + 8, load<f64>(stats + 8) + f64x2.extract_lane(present, 0) + f64x2.extract_lane(present, 1));
}

/**
 * Adds Σ xᵢyᵢ of all pairs of columns to a matrix, for the part on and below the diagonal.
 * Four by two columns at a time, two rows in a register: eight sums stay in registers while six columns stream by.
 * @param columns address of the first column; the others follow at `stride` bytes
 * @param count columns, a multiple of four
 * @param rows rows, even
 * @param out address of count × count sums
 */
export function gram(columns: usize, count: i32, stride: usize, rows: i32, out: usize): void {
  for (let i = 0; i < count; i += 4) {
    for (let j = 0; j <= i + 2; j += 2) {
      let s00 = f64x2.splat(0);
      let s01 = s00;
      let s10 = s00;
      let s11 = s00;
      let s20 = s00;
      let s21 = s00;
      let s30 = s00;
      let s31 = s00;
      let a = columns + <usize>i * stride;
      let c = columns + <usize>j * stride;
      for (let row = 0; row < rows; row += 2) {
        const c0 = v128.load(c);
        const c1 = v128.load(c + stride);
        let v = v128.load(a);
        s00 = f64x2.add(s00, f64x2.mul(v, c0));
        s01 = f64x2.add(s01, f64x2.mul(v, c1));
        v = v128.load(a + stride);
        s10 = f64x2.add(s10, f64x2.mul(v, c0));
        s11 = f64x2.add(s11, f64x2.mul(v, c1));
        v = v128.load(a + 2 * stride);
        s20 = f64x2.add(s20, f64x2.mul(v, c0));
        s21 = f64x2.add(s21, f64x2.mul(v, c1));
        v = v128.load(a + 3 * stride);
        s30 = f64x2.add(s30, f64x2.mul(v, c0));
        s31 = f64x2.add(s31, f64x2.mul(v, c1));
        a += 16;
        c += 16;
      }
      add(out, count, i, j, s00);
      add(out, count, i, j + 1, s01);
      add(out, count, i + 1, j, s10);
      add(out, count, i + 1, j + 1, s11);
      add(out, count, i + 2, j, s20);
      add(out, count, i + 2, j + 1, s21);
      add(out, count, i + 3, j, s30);
      add(out, count, i + 3, j + 1, s31);
    }
  }
}

// @ts-ignore: decorator
@inline
function add(out: usize, count: i32, i: i32, j: i32, sums: v128): void {
  const at = out + (<usize>(i * count + j) << 3);
  store<f64>(at, load<f64>(at) + f64x2.extract_lane(sums, 0) + f64x2.extract_lane(sums, 1));
}
