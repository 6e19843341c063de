import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  root: import.meta.dirname,
  plugins: [react(), tailwindcss()],
  build: {
    outDir: 'dist',
    // data: URLs would break fonts under the content security policy.
    assetsInlineLimit: 0,
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4310' } },
  test: {
    name: 'web',
    // Files share their modules, whose loading takes longer than the tests; each cleans up after itself (tests/setup.ts).
    isolate: false,
    root: import.meta.dirname,
    environment: 'jsdom',
    // The contrast of the tokens is computed from their file.
    css: { include: [/tokens/] },
    include: ['tests/**/*.test.{ts,tsx}'],
    setupFiles: ['tests/setup.ts'],
    // Machines that run tests are busy with other things too.
    testTimeout: 30_000,
  },
});
