import { loadKernel } from './load-kernel';
import { REFLECT_CODE } from './reflect-code';

interface Kernel {
  readonly reflect: (triangle: number, size: number, block: number, stride: number, rows: number) => void;
}

const BYTES = 8;
/** So many rows at a time: those of a hundred columns then stay in the processor's cache. */
export const REFLECTED_ROWS = 256;

/**
 * R of the QR factorization of columns by a SIMD kernel, columns × columns, row-major; null where the machine has none.
 * @param tell is told how many rows are done
 */
export function triangleBySimd(columns: readonly Float64Array[], tell: (rows: number) => void = () => {}): Float64Array | null {
  const size = columns.length;
  const n = columns[0]?.length ?? 0;
  const blockAt = Math.ceil((size * size) / 2) * 2 * BYTES;
  const loaded = loadKernel<Kernel>(REFLECT_CODE, blockAt + size * REFLECTED_ROWS * BYTES);
  if (!loaded) return null;
  const { memory, kernel } = loaded;
  const block = new Float64Array(memory.buffer, blockAt, size * REFLECTED_ROWS);
  for (let from = 0; from < n; from += REFLECTED_ROWS) {
    const rows = Math.min(REFLECTED_ROWS, n - from);
    for (let j = 0; j < size; j++) {
      block.set(columns[j].subarray(from, from + rows), j * REFLECTED_ROWS);
      // An odd last row is filled up with zeros, which change nothing.
      if (rows % 2 === 1) block[j * REFLECTED_ROWS + rows] = 0;
    }
    kernel.reflect(0, size, blockAt, REFLECTED_ROWS * BYTES, rows + (rows % 2));
    tell(from + rows);
  }
  return new Float64Array(memory.buffer, 0, size * size).slice();
}
