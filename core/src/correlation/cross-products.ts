import { gramBySimd } from '../kernels/gram';

/** Rows are taken in blocks that stay in the processor's cache for all pairs of columns. */
const BLOCK = 2048;

/** Below this many products the kernel's set-up costs more than it saves. */
const KERNEL_FROM = 200_000;

/** Σ xᵢyᵢ of all pairs of columns, size × size, row-major; the diagonal holds the sums of squares. */
export function crossProducts(columns: readonly Float64Array[]): Float64Array {
  const products = columns.length ** 2 * (columns[0]?.length ?? 0);
  return (products >= KERNEL_FROM ? gramBySimd(columns) : null) ?? plainCrossProducts(columns);
}

/** The same without the kernel: two by two columns at a time, so that each value read serves two products. */
export function plainCrossProducts(columns: readonly Float64Array[]): Float64Array {
  const size = columns.length;
  const rows = columns[0]?.length ?? 0;
  const products = new Float64Array(size * size);
  for (let start = 0; start < rows; start += BLOCK) {
    const end = Math.min(start + BLOCK, rows);
    for (let i = 0; i < size; i += 2) {
      for (let j = 0; j <= i; j += 2) addTile(columns, products, i, j, start, end);
    }
  }
  for (let i = 0; i < size; i++) for (let j = 0; j < i; j++) products[j * size + i] = products[i * size + j];
  return products;
}

function addTile(columns: readonly Float64Array[], products: Float64Array, i: number, j: number, start: number, end: number): void {
  const size = columns.length;
  const a = columns[i];
  const b = columns[i + 1] ?? a;
  const c = columns[j];
  const d = columns[j + 1] ?? c;
  let ac = 0;
  let ad = 0;
  let bc = 0;
  let bd = 0;
  for (let row = start; row < end; row++) {
    const av = a[row];
    const bv = b[row];
    const cv = c[row];
    const dv = d[row];
    ac += av * cv;
    ad += av * dv;
    bc += bv * cv;
    bd += bv * dv;
  }
  const hasB = i + 1 < size;
  const hasD = j + 1 < size;
  products[i * size + j] += ac;
  if (hasD) products[i * size + j + 1] += ad;
  if (hasB) products[(i + 1) * size + j] += bc;
  if (hasB && hasD) products[(i + 1) * size + j + 1] += bd;
}
