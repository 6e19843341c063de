/** What of WebAssembly is used; the same in browsers, workers and Node. */
declare const WebAssembly: {
  Memory: new (descriptor: { initial: number }) => { readonly buffer: ArrayBuffer };
  Module: new (bytes: Uint8Array) => object;
  Instance: new (module: object, imports: object) => { readonly exports: object };
};

const PAGE = 65_536;
const compiled = new Map<readonly string[], object | null>();

/**
 * A kernel with memory of its own; null where the machine has no WebAssembly, or not its SIMD instructions.
 * @param code the compiled module, in hexadecimal
 * @param bytes how much memory it needs
 */
export function loadKernel<Kernel>(
  code: readonly string[],
  bytes: number,
): { readonly memory: { readonly buffer: ArrayBuffer }; readonly kernel: Kernel } | null {
  const known = compiled.get(code);
  const module = known === undefined ? compile(code) : known;
  compiled.set(code, module);
  if (!module) return null;
  const memory = new WebAssembly.Memory({ initial: Math.ceil(bytes / PAGE) });
  const { exports } = new WebAssembly.Instance(module, { env: { memory } });
  return { memory, kernel: exports as Kernel };
}

function compile(code: readonly string[]): object | null {
  const hex = code.join('');
  const bytes = Uint8Array.from({ length: hex.length / 2 }, (_, i) => Number.parseInt(hex.slice(2 * i, 2 * i + 2), 16));
  try {
    return new WebAssembly.Module(bytes);
  } catch {
    return null;
  }
}
