import { defineConfig } from 'vitest/config';

/** Simulations that take minutes, kept out of the run that decides whether a change may land: ./ivlen test slow. */
export default defineConfig({ test: { include: ['core/tests/slow/**/*.slow.ts'], testTimeout: 600_000 } });
