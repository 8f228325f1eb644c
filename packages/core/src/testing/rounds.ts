import { inject } from 'vitest'

declare module 'vitest' {
  interface ProvidedContext {
    readonly isProof: boolean
  }
}

/** So many rounds of a random test with every change; twenty times as many for `npm run proofs`. */
export const rounds = (few: number): number => (inject('isProof') ? few * 20 : few)
