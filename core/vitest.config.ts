import { defineConfig } from 'vitest/config';

/** Properties are tried from the same seed in every run of CI, from another each time elsewhere; SEED=… tries one again. */
const seed = process.env['SEED'] ?? (process.env['CI'] ? '20261130' : String(Date.now() % 2_147_483_647));
console.log(`Seed of all properties: ${seed}`);

export default defineConfig({
  test: {
    environment: 'node',
    testTimeout: 60_000,
    include: ['src/**/*.spec.ts'],
    setupFiles: ['./vitest.setup.mjs'],
    env: { SEED: seed },
  },
});
