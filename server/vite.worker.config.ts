import { defineConfig } from 'vite';

/**
 * The worker's entry as CommonJS: the pool loads it with require(), and Node 20 can crash as a whole when a worker is
 * ended while it loads an ES module that way.
 */
export default defineConfig({
  root: import.meta.dirname,
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist',
    emptyOutDir: false,
    rollupOptions: { input: { worker: 'src/worker.ts' }, output: { format: 'cjs', entryFileNames: '[name].cjs', exports: 'auto' } },
  },
  // Everything: a package that is an ES module would be loaded by require(), with the same danger.
  ssr: { noExternal: true },
});
