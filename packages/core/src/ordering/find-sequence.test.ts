import fc from 'fast-check'
import loadHighs from 'highs'
import { describe, expect, it } from 'vitest'
import { cheapestByForce, randomSequence } from '../testing/sequence-arbitrary.ts'
import { findSequence } from './find-sequence.ts'
import { sequenceCost, type SequenceProblem } from './sequence.ts'
import { rounds } from '../testing/rounds.ts'

const seeds = (count: number, from = 1) => Array.from({ length: count }, (_, index) => index + from)

describe('findSequence', () => {
  it('finds what trying every row finds, and proves it', () => {
    for (const seed of seeds(rounds(30))) {
      const problem = randomSequence(seed, 4 + (seed % 5), 2 + (seed % 4))
      const found = findSequence(problem)
      expect(found.proven, `seed ${String(seed)}`).toBe(true)
      expect(found.cost, `seed ${String(seed)}`).toBeCloseTo(cheapestByForce(problem), 6)
      expect(found.bound).toBeCloseTo(found.cost, 6)
    }
  })

  it('agrees with a general integer-programming solver on generated rows', async () => {
    const highs = await loadHighs()
    for (const seed of seeds(rounds(8), 100)) {
      const problem = randomSequence(seed, 7, 4)
      const solved = highs.solve(asIntegerProgram(problem))
      const found = findSequence(problem)
      expect(found.proven, `seed ${String(seed)}`).toBe(true)
      expect(found.cost, `seed ${String(seed)}`).toBeCloseTo(solved.ObjectiveValue, 4)
    }
  })

  it('proves rows of twenty with fourteen pots', () => {
    for (const seed of seeds(rounds(4), 300)) {
      const found = findSequence(randomSequence(seed, 20, 14))
      expect(found.proven, `seed ${String(seed)}: ${String(found.bound)} of ${String(found.cost)}`).toBe(true)
    }
  })

  it('keeps every “before”, and leaves no swap of neighbours that is legal and cheaper, at any size', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.integer({ min: 1, max: 80 }), (seed, size) => {
        const problem = randomSequence(seed, size, 1 + (size % 9))
        const { order, cost, bound } = findSequence(problem, { width: 4, expansions: 300 })
        expect([...order].sort((a, b) => a - b)).toEqual(seeds(size, 0))
        expect(sequenceCost(problem, order)).toBe(cost)
        expect(bound).toBeLessThanOrEqual(cost + 1e-6)
        for (let at = 0; at + 1 < size; at++) {
          const swapped = order.with(at, order[at + 1]!).with(at + 1, order[at]!)
          expect(sequenceCost(problem, swapped)).toBeGreaterThanOrEqual(cost - 1e-6)
        }
      }),
      { numRuns: rounds(20), seed: 7 },
    )
  })

  it('gives the same row again', () => {
    const problem = randomSequence(5, 40, 8)
    expect(findSequence(problem)).toEqual(findSequence(problem))
  })

  it('has nothing to say about nothing', () => {
    const nothing = randomSequence(1, 0, 1)
    expect(findSequence(nothing)).toEqual({ order: [], cost: 0, bound: 0, proven: true })
  })
})

/**
 * The row as a path through all members with an order of every pair: x[a,b] a stands somewhere before b,
 * n[a,b] directly before it, s[a] at the start.
 */
function asIntegerProgram(problem: SequenceProblem): string {
  const members = Array.from({ length: problem.size }, (_, index) => index)
  const pairs = members.flatMap((a) => members.flatMap((b) => (a === b ? [] : [[a, b] as const])))
  const x = (a: number, b: number) => `x_${String(a)}_${String(b)}`
  const n = (a: number, b: number) => `n_${String(a)}_${String(b)}`
  const open = (b: number) => problem.openSeconds[problem.key[b]!]!
  const change = (b: number) => problem.toolSeconds[problem.tool[b]!]!
  const goal = [
    ...members.map((b) => `${String(open(b) + change(b))} s_${String(b)}`),
    ...pairs.map(([a, b]) => {
      const cost =
        (problem.key[a] === problem.key[b] ? 0 : open(b)) +
        (problem.tool[a] === problem.tool[b] ? 0 : change(b))
      return `${String(cost)} ${n(a, b)}`
    }),
    ...problem.regrets.map(([a, b, seconds]) => `${String(seconds)} ${x(a, b)}`),
  ]
  const rows = [
    `${members.map((b) => `s_${String(b)}`).join(' + ')} = 1`,
    ...members.map(
      (b) => [`s_${String(b)}`, ...members.filter((a) => a !== b).map((a) => n(a, b))].join(' + ') + ' = 1',
    ),
    ...members.map(
      (a) =>
        members
          .filter((b) => b !== a)
          .map((b) => n(a, b))
          .join(' + ') + ' <= 1',
    ),
    ...pairs.map(([a, b]) => `${n(a, b)} - ${x(a, b)} <= 0`),
    ...pairs.filter(([a, b]) => a < b).map(([a, b]) => `${x(a, b)} + ${x(b, a)} = 1`),
    ...pairs.flatMap(([a, b]) =>
      members.filter((c) => c !== a && c !== b).map((c) => `${x(a, b)} + ${x(b, c)} + ${x(c, a)} <= 2`),
    ),
    // Directly before means nothing in between: who stands before b stands before its forerunner or is it.
    ...pairs.flatMap(([a, b]) =>
      members.filter((c) => c !== a && c !== b).map((c) => `${n(a, b)} + ${x(c, b)} - ${x(c, a)} <= 1`),
    ),
    ...problem.before.map(([a, b]) => `${x(a, b)} = 1`),
  ]
  const binaries = [...members.map((b) => `s_${String(b)}`), ...pairs.flatMap(([a, b]) => [x(a, b), n(a, b)])]
  return `Minimize\n obj: ${goal.join(' + ')}\nSubject To\n${rows.map((row, index) => ` c${String(index)}: ${row}`).join('\n')}\nBinary\n ${binaries.join(' ')}\nEnd`
}
