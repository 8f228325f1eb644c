import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Project } from '../trade/project.ts'
import { techniques } from '../trade/technique.ts'
import { project, unit } from '../testing/builders.ts'
import { footRecipe, testShelf, type StepRow } from '../testing/recipes.ts'
import { findFaults, isLess, weigh } from './find-faults.ts'
import { lineJudge, mendProject } from './line-findings.ts'
import { followedRecipes, lineOfOrder } from './line-of-order.ts'
import { applyMend } from './mend.ts'
import { orderLine } from './order-line.ts'
import { rounds } from '../testing/rounds.ts'

const regions = ['skin', 'hair', 'coat', 'trousers', 'leather', 'wood', 'metal', 'base']
const names = [...testShelf.values()].map((material) => material.name)

/** Steps as nobody would write them: any material with any technique anywhere. */
const anyStep: fc.Arbitrary<StepRow> = fc
  .record({
    on: fc.oneof(
      fc.constant('all'),
      fc.subarray(regions, { minLength: 1, maxLength: 3 }).map((on) => on.join('+')),
    ),
    material: fc.oneof(fc.constant('-'), fc.constantFrom(...names)),
    technique: fc.constantFrom(...techniques),
    coats: fc.integer({ min: 1, max: 3 }),
    except: fc.oneof(
      { weight: 4, arbitrary: fc.constant<string[]>([]) },
      { weight: 1, arbitrary: fc.subarray(regions, { maxLength: 2 }) },
    ),
  })
  .map(({ on, material, technique, coats, except }) => [
    on,
    material,
    technique,
    { coats, except: on === 'all' ? except : [] },
  ])

/** Usual steps in an unusual order, where mends lead on to other mends. */
const usual: readonly StepRow[] = [
  ['all', 'black primer, spray', 'spray'],
  ['all', 'ivory primer, spray', 'spray from above'],
  ['coat', 'moss translucent', 'base coat'],
  ['skin', 'warm flesh', 'base coat'],
  ['metal', 'bright steel', 'base coat'],
  ['leather', 'bright red', 'base coat'],
  ['all', 'soot wash', 'wash'],
  ['all', 'pale bone', 'dry brush'],
  ['coat', 'light moss', 'edge'],
  ['all', 'gloss varnish, spray', 'spray'],
  ['coat', 'delta heron decal', 'decal'],
  ['coat', 'umber oil', 'pin wash'],
  ['all', 'matt varnish, spray', 'spray'],
  ['metal', 'bright steel', 'edge'],
  ['hair', 'wet gloss gel', 'detail'],
  ['leather', 'mask fluid', 'mask'],
  ['trousers', 'moss green', 'airbrush'],
  ['coat', 'dried mud powder', 'stipple'],
  ['base', 'river grit', 'sprinkle'],
  ['base', 'white glue', 'spread'],
  ['all', 'walnut dip', 'dip'],
]
const steps = fc.oneof(
  fc.array(anyStep, { maxLength: 12 }),
  fc.shuffledSubarray([...usual], { minLength: 3, maxLength: 16 }),
)

const most = 120

describe('mends', () => {
  it('end, whatever the recipe, and never leave anything graver', () => {
    fc.assert(
      fc.property(steps, (rows) => {
        let next = 0
        let recipe = footRecipe(rows)
        let found = findFaults(recipe, testShelf)
        for (let turn = 0; ; turn++) {
          const mend = found.find((finding) => finding.mend !== null)?.mend
          if (!mend) return
          recipe = applyMend(recipe, mend, () => `new ${String(next++)}`)
          const after = findFaults(recipe, testShelf)
          expect(isLess(weigh(after), weigh(found))).toBe(true)
          expect(turn).toBeLessThan(most)
          found = after
        }
      }),
      { numRuns: rounds(40), seed: 20261126 },
    )
  })

  it('end on a line as well, in whatever order its stages stand', () => {
    const pikes = unit('pikes', 3)
    const wish = { shelf: testShelf, weight: 'fewest pots', tableReady: 'tabletop' } as const
    fc.assert(
      fc.property(
        fc.shuffledSubarray([...usual], { minLength: 3, maxLength: 12 }),
        fc.integer(),
        (rows, seed) => {
          let next = 0
          const newId = () => `new ${String(next++)}`
          let whole: Project = {
            ...project([pikes], []),
            recipes: [footRecipe(rows, { unitIds: [pikes.id] })],
          }
          const judged = () => lineJudge({ ...wish, recipes: followedRecipes(whole) })(whole.line)
          const order = orderLine({
            ...wish,
            recipes: followedRecipes(whole),
            effort: { width: 2, expansions: 50 },
          })
          const line = lineOfOrder(order, whole, testShelf, 'tabletop', newId)
          const from = Math.abs(seed) % line.length
          const [moved] = line.slice(from, from + 1)
          whole = { ...whole, line: moved ? [moved, ...line.filter((stage) => stage !== moved)] : line }
          let found = judged()
          for (let turn = 0; ; turn++) {
            const finding = found.find((each) => each.mend !== null)
            if (!finding) return
            whole = mendProject(whole, testShelf, finding, newId)
            const after = judged()
            expect(weigh(after)[0]).toBeLessThanOrEqual(weigh(found)[0] ?? 0)
            expect(turn).toBeLessThan(most)
            found = after
          }
        },
      ),
      { numRuns: rounds(20), seed: 20261126 },
    )
  })
})

describe('names', () => {
  it('decide nothing: a shelf in another language has the same findings', () => {
    const other = new Map(
      [...testShelf].map(([id, material], index) => [id, { ...material, name: `Farbe ${String(index)}` }]),
    )
    const shape = (rows: readonly StepRow[], shelf: typeof testShelf) =>
      findFaults(footRecipe(rows), shelf).map(({ rule, severity, stepIds, secondsAtStake, mend }) => ({
        rule,
        severity,
        stepIds,
        secondsAtStake,
        mend,
      }))
    fc.assert(
      fc.property(steps, (rows) => {
        expect(shape(rows, other)).toEqual(shape(rows, testShelf))
      }),
      { numRuns: rounds(20), seed: 7 },
    )
  })
})
