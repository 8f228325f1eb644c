import { defineConfig } from 'vitest/config'

// A world of its own for each file takes longer than its tests: they share one, and leave it as they found it.
export default defineConfig({
  test: {
    include: ['src/**/*.test.ts'],
    globalSetup: 'src/testing/migrated-database.ts',
    // Guards against a hang, not measures of speed: the machine may be busy.
    testTimeout: 1_200_000,
    hookTimeout: 1_200_000,
    // Many wait for others more than they work.
    maxWorkers: 3,
    isolate: false,
  },
})
