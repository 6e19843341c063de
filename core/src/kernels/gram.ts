import { GRAM_CODE } from './gram-code';

/** What of WebAssembly is used; the same in browsers, workers and Node. */
declare const WebAssembly: {
  Memory: new (descriptor: { initial: number }) => { readonly buffer: ArrayBuffer };
  Module: new (bytes: Uint8Array) => object;
  Instance: new (module: object, imports: object) => { readonly exports: object };
};

type GramKernel = (columns: number, count: number, stride: number, rows: number, out: number) => void;

const PAGE = 65_536;
const BYTES = 8;
/** Rows taken at a time: this many of a hundred columns fit the processor's cache. */
const BLOCK = 512;

let compiled: object | null | undefined;

/**
 * Σ xᵢyᵢ of all pairs of columns, size × size, row-major, by a SIMD kernel; null where the machine has none.
 * Columns are copied block by block into memory of its own, so that it needs little.
 */
export function gramBySimd(columns: readonly Float64Array[]): Float64Array | null {
  const size = columns.length;
  const rows = columns[0]?.length ?? 0;
  const count = Math.ceil(size / 4) * 4;
  const outBytes = count * count * BYTES;
  const kernel = load(Math.ceil((outBytes + count * BLOCK * BYTES) / PAGE));
  if (!kernel) return null;
  const { memory, gram } = kernel;
  const sums = new Float64Array(memory.buffer, 0, count * count);
  const block = new Float64Array(memory.buffer, outBytes, count * BLOCK);
  for (let start = 0; start < rows; start += BLOCK) {
    const length = Math.min(BLOCK, rows - start);
    columns.forEach((column, j) => {
      block.set(column.subarray(start, start + length), j * BLOCK);
      if (length % 2 === 1) block[j * BLOCK + length] = 0;
    });
    gram(outBytes, count, BLOCK * BYTES, length + (length % 2), 0);
  }
  const products = new Float64Array(size * size);
  for (let i = 0; i < size; i++) {
    for (let j = 0; j <= i; j++) {
      products[i * size + j] = sums[i * count + j];
      products[j * size + i] = sums[i * count + j];
    }
  }
  return products;
}

function load(pages: number): { memory: { readonly buffer: ArrayBuffer }; gram: GramKernel } | null {
  if (compiled === undefined) compiled = compile();
  if (!compiled) return null;
  const memory = new WebAssembly.Memory({ initial: pages });
  const { exports } = new WebAssembly.Instance(compiled, { env: { memory } });
  return { memory, gram: (exports as { gram: GramKernel }).gram };
}

/** null on machines without WebAssembly or its SIMD instructions. */
function compile(): object | null {
  const hex = GRAM_CODE.join('');
  const bytes = Uint8Array.from({ length: hex.length / 2 }, (_, i) => Number.parseInt(hex.slice(2 * i, 2 * i + 2), 16));
  try {
    return new WebAssembly.Module(bytes);
  } catch {
    return null;
  }
}
