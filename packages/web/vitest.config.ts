import { defineConfig } from 'vitest/config'

// A world of its own for each file takes longer than its tests: they share one, and leave it as they found it.
export default defineConfig({
  test: {
    // Guards against a hang, not measures of speed: the machine may be busy.
    testTimeout: 1_200_000,
    hookTimeout: 1_200_000,
    pool: 'threads',
    isolate: false,
    setupFiles: ['./vitest.setup.ts'],
    projects: [
      { extends: true, test: { name: 'plain', include: ['src/**/*.test.ts'] } },
      // By themselves, or a page would be made anew wherever a file without one comes between.
      { extends: true, test: { name: 'pages', include: ['src/**/*.test.tsx'], environment: 'jsdom' } },
    ],
  },
})
