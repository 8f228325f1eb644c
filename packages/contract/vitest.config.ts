import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['src/**/*.test.ts'],
    // Guards against a hang, not measures of speed: the machine may be busy.
    testTimeout: 1_200_000,
    hookTimeout: 1_200_000,
    pool: 'threads',
    isolate: false,
  },
})
