import { inject } from 'vitest'

declare module 'vitest' {
  interface ProvidedContext {
    readonly isProof: boolean
  }
}

/** So many rounds of a random test with every change; twenty times as many for `npm run proofs`. */
export const rounds = (few: number): number => (inject('isProof') ? few * 20 : few)

/** Where a seed has to find what is proved: one with every change, a second for `npm run proofs`. */
export const provingSeeds: readonly number[] = inject('isProof') ? [1, 2] : [1]
