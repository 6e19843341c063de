import { defineConfig } from 'vite';

export default defineConfig({
  root: import.meta.dirname,
  logLevel: 'error',
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist',
    rollupOptions: { input: { bench: 'bench.ts', remedies: 'remedies.ts' }, output: { entryFileNames: '[name].js' } },
  },
  ssr: { noExternal: [/^@ivlen\//] },
});
