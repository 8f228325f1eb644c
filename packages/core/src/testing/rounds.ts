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

/** Of several cases alike the last with every change, all of them for `npm run proofs`. */
export const provingCases = <Case>(all: readonly Case[]): readonly Case[] =>
  inject('isProof') ? all : all.slice(-1)
