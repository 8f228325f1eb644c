import { defineConfig } from 'vitest/config'

// The core keeps nothing between calls, so that its tests need no world each. What draws thousands of painters is a
// proof: `npm run proofs` runs those too, and the random tests with many more rounds.
const isProof = process.env['SERIATIM_PROOFS'] !== undefined

export default defineConfig({
  test: {
    include: isProof ? ['src/**/*.test.ts', 'src/**/*.proof.ts'] : ['src/**/*.test.ts'],
    provide: { isProof },
    // Guards against a hang, not measures of speed: the machine may be busy.
    testTimeout: 1_200_000,
    hookTimeout: 1_200_000,
    pool: 'threads',
    isolate: false,
  },
})
