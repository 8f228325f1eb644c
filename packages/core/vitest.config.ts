import { defineConfig } from 'vitest/config'

// The core keeps nothing between calls, so that its tests need no world each.
export default defineConfig({
  test: { include: ['src/**/*.test.ts'], testTimeout: 120_000, pool: 'threads', isolate: false },
})
