import { defineConfig } from 'vitest/config'

// A world of its own for each file takes longer than its tests: only those have one that put another module in the place
// of one of ours.
const apart = 'src/**/*.apart.test.tsx'

export default defineConfig({
  test: {
    testTimeout: 120_000,
    projects: [
      {
        extends: true,
        test: {
          name: 'together',
          include: ['src/**/*.test.{ts,tsx}'],
          exclude: [apart],
          pool: 'threads',
          isolate: false,
        },
      },
      { extends: true, test: { name: 'apart', include: [apart] } },
    ],
  },
})
