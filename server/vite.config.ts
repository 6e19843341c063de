import { defineConfig } from 'vite';

export default defineConfig({
  root: import.meta.dirname,
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist',
    rollupOptions: {
      input: { main: 'src/main.ts', replay: 'src/replay.ts', convert: 'src/convert.ts', backup: 'src/backup.ts' },
      output: { entryFileNames: '[name].js' },
    },
  },
  ssr: { noExternal: [/^@ivlen\//] },
});
