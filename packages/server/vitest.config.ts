import { defineConfig } from 'vitest/config'

// A world of its own for each file takes longer than its tests: they share one, and leave it as they found it.
export default defineConfig({
  test: {
    include: ['src/**/*.test.ts'],
    globalSetup: 'src/testing/migrated-database.ts',
    testTimeout: 120_000,
    hookTimeout: 120_000,
    // Many wait for others more than they work.
    maxWorkers: 3,
    isolate: false,
  },
})
