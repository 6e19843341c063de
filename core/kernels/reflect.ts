// AssemblyScript: `npm run kernels` compiles this into core/src/kernels/reflect-code.ts.

/** Σ aᵢbᵢ, two rows in a register, four sums side by side. */
function product(a: usize, b: usize, rows: i32): f64 {
  let s0 = f64x2.splat(0);
  let s1 = s0;
  let row = 0;
  for (; row + 4 <= rows; row += 4) {
    s0 = f64x2.add(s0, f64x2.mul(v128.load(a), v128.load(b)));
    s1 = f64x2.add(s1, f64x2.mul(v128.load(a, 16), v128.load(b, 16)));
    a += 32;
    b += 32;
  }
  for (; row < rows; row += 2) {
    s0 = f64x2.add(s0, f64x2.mul(v128.load(a), v128.load(b)));
    a += 16;
    b += 16;
  }
  const sum = f64x2.add(s0, s1);
  return f64x2.extract_lane(sum, 0) + f64x2.extract_lane(sum, 1);
}

/**
 * Reflects further rows into a triangle (Householder), which then is R of all rows so far. The rows are used up.
 * Four columns at a time share the reflector that streams by.
 * @param triangle address of size × size numbers, row-major, upper triangular
 * @param block address of the rows' first column; the others follow at `stride` bytes
 * @param rows rows, even
 */
export function reflect(triangle: usize, size: i32, block: usize, stride: usize, rows: i32): void {
  for (let k = 0; k < size; k++) {
    const reflector = block + <usize>k * stride;
    const square = product(reflector, reflector, rows);
    if (square == 0) continue;
    const line = triangle + ((<usize>k * size) << 3);
    const at = line + (<usize>k << 3);
    const before = load<f64>(at);
    const norm = sqrt<f64>(before * before + square);
    const head = before > 0 ? before + norm : before - norm;
    store<f64>(at, before > 0 ? -norm : norm);
    const scale = 1 / (norm * abs<f64>(head));
    let j = k + 1;
    for (; j + 4 <= size; j += 4) {
      const column = block + <usize>j * stride;
      let s0 = f64x2.splat(0);
      let s1 = s0;
      let s2 = s0;
      let s3 = s0;
      let r = reflector;
      let c = column;
      for (let row = 0; row < rows; row += 2) {
        const v = v128.load(r);
        s0 = f64x2.add(s0, f64x2.mul(v, v128.load(c)));
        s1 = f64x2.add(s1, f64x2.mul(v, v128.load(c + stride)));
        s2 = f64x2.add(s2, f64x2.mul(v, v128.load(c + 2 * stride)));
        s3 = f64x2.add(s3, f64x2.mul(v, v128.load(c + 3 * stride)));
        r += 16;
        c += 16;
      }
      const top = line + (<usize>j << 3);
      const w0 = weigh(top, s0, head, scale);
      const w1 = weigh(top + 8, s1, head, scale);
      const w2 = weigh(top + 16, s2, head, scale);
      const w3 = weigh(top + 24, s3, head, scale);
      const d0 = f64x2.splat(w0);
      const d1 = f64x2.splat(w1);
      const d2 = f64x2.splat(w2);
      const d3 = f64x2.splat(w3);
      r = reflector;
      c = column;
      for (let row = 0; row < rows; row += 2) {
        const v = v128.load(r);
        v128.store(c, f64x2.sub(v128.load(c), f64x2.mul(d0, v)));
        v128.store(c + stride, f64x2.sub(v128.load(c + stride), f64x2.mul(d1, v)));
        v128.store(c + 2 * stride, f64x2.sub(v128.load(c + 2 * stride), f64x2.mul(d2, v)));
        v128.store(c + 3 * stride, f64x2.sub(v128.load(c + 3 * stride), f64x2.mul(d3, v)));
        r += 16;
        c += 16;
      }
    }
    for (; j < size; j++) {
      const column = block + <usize>j * stride;
      const top = line + (<usize>j << 3);
      const weight = scale * (head * load<f64>(top) + product(reflector, column, rows));
      store<f64>(top, load<f64>(top) - weight * head);
      const d = f64x2.splat(weight);
      for (let row = 0; row < rows; row += 2) {
        const offset = <usize>row << 3;
        v128.store(column + offset, f64x2.sub(v128.load(column + offset), f64x2.mul(d, v128.load(reflector + offset))));
      }
    }
  }
}

/** The weight of the reflector in a column, whose entry in the triangle it changes. */
function weigh(top: usize, sum: v128, head: f64, scale: f64): f64 {
  const above = load<f64>(top);
  const weight = scale * (head * above + (f64x2.extract_lane(sum, 0) + f64x2.extract_lane(sum, 1)));
  store<f64>(top, above - weight * head);
  return weight;
}
