import { defineConfig } from 'vitest/config';

// Checks that wait (testing/soon) may take their time on a busy machine; a test ends after them.
export default defineConfig({ test: { testTimeout: 60_000, hookTimeout: 60_000 } });
