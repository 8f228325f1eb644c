import { toPlan } from './to-plan.ts'
import { describe, expect, it } from 'vitest'
import { findFaults } from '../ordering/find-faults.ts'
import { type Project, plainPlanning } from '../trade/project.ts'
import { recipeSchools } from '../recipe/schools.ts'
import { avoidableWaits } from '../testing/avoidable-waits.ts'
import { drying, noon, project, stage, unit } from '../testing/builders.ts'
import { schoolJob as job, segmentsOf, solved } from '../testing/school-jobs.ts'
import { testShelf } from '../testing/recipes.ts'
import { departuresOf } from './departures.ts'
import { lineLinks } from './line-links.ts'
import { planLine, type SolvedLine } from './plan-line.ts'
import { validatePlan } from '../schedule/validate-plan.ts'

/** By batch the names of its stages as the plan has them. */
const rowsOf = (given: Project, { instance }: SolvedLine) =>
  instance.batches.map((batch) => batch.tasks.map((task) => given.line[task.stage]!.name))

describe('what has to come before what', () => {
  const given = job('opaque-wash-rehighlight', 'foot', 1)
  const links = lineLinks(given, testShelf).get(given.units[0]!.id)!
  const before = (name: string) => {
    const found = given.line.find((each) => each.name.startsWith(name))!
    return [...links.get(found.id)!].map((id) => given.line.find((each) => each.id === id)!.name)
  }

  it('is the layers below on the same region, and what goes over the whole model', () => {
    const wash = before('Wash, skin')
    expect(wash.some((name) => /primer|all over/i.test(name))).toBe(true)
    expect(wash.some((name) => /base coat, skin/i.test(name))).toBe(true)
    expect(before('Glue base').every((name) => /primer|all over/i.test(name))).toBe(true)
  })

  it('the base is free of the coat, and the coat of the base', () => {
    const coat = before('Layer, coat')
    expect(coat.some((name) => /base$|rim|grit|tuft/.test(name))).toBe(false)
  })

  it('a preference of the recipe binds as well', () => {
    const recipes = given.recipes.map((recipe) => ({
      ...recipe,
      preferences: { ...recipe.preferences, base: 'last' as const },
    }))
    const last = lineLinks({ ...given, recipes }, testShelf).get(given.units[0]!.id)!
    const spread = given.line.find((each) => each.name.startsWith('Glue base'))!
    expect(last.get(spread.id)!.size).toBeGreaterThan(links.get(spread.id)!.size)
  })

  it('lines written by hand are bound by the regions their stages touch', () => {
    const on = (region: string) => ({ touch: { kind: 'regions', regions: [region] } as const })
    const line = [
      stage('grit', { touch: { kind: 'base' }, ...drying(40) }),
      stage('skin', on('skin')),
      stage('wash', { touch: { kind: 'base' } }),
    ]
    const hand = project([unit('a', 4)], line)
    const own = lineLinks(hand, new Map()).get(hand.units[0]!.id)!
    expect([...own.get(line[1]!.id)!]).toEqual([])
    expect([...own.get(line[2]!.id)!]).toEqual(['grit'])
    const plan = (some: Partial<Project>) => {
      const result = planLine({ ...toPlan({ ...hand, ...some }), shelf: new Map(), now: noon })
      if (!result.ok) throw new Error(result.error.kind)
      return result.value
    }
    // The grit dries for 40 min: the skin is painted, and one has to wait for less.
    const later = project([unit('a', 4)], [line[0]!, line[2]!, line[1]!])
    expect(plan(later).exposedSeconds).toBe(33 * 60)
    expect(
      plan({ ...later, planning: { ...plainPlanning, held: { all: true, batches: [], stages: [] } } })
        .exposedSeconds,
    ).toBe(37 * 60)
  })
})

describe('a plan in any sound order', () => {
  const jobs = recipeSchools.flatMap((school) =>
    ['foot', 'rider-and-mount'].flatMap((body) =>
      [1, 3].map((batches) => [school.id, body, batches] as const),
    ),
  )

  it.each(jobs)('%s, %s, %i: keeps the desk’s rules, spoils and wastes nothing', (school, body, batches) => {
    const given = job(school, body, batches)
    const plan = solved(given, 60_000)
    expect(validatePlan(plan.instance, segmentsOf(plan))).toEqual([])
    const recipe = given.recipes[0]!
    const { models } = given.units[0]!
    for (const batch of plan.instance.batches) {
      const steps = batch.tasks.flatMap((task) => given.line[task.stage]!.steps.map((each) => each.stepId))
      const order = [...new Set(steps)]
      const found = findFaults(recipe, testShelf, { models, order })
      expect(found.filter((each) => each.severity !== 'your call').map((each) => each.reason)).toEqual([])
      expect(new Set(batch.tasks.map((task) => task.stage)).size).toBe(
        new Set(given.line.filter((each) => each.notNeededBy.length === 0).map((each) => each.id)).size,
      )
    }
  })

  it('waits for no base while the coat stands unpainted, and is done no later than the row', () => {
    const given = job('opaque-wash-rehighlight', 'foot', 1)
    const held = { ...given, planning: { ...plainPlanning, held: { all: true, batches: [], stages: [] } } }
    const [free, row] = [solved(given), solved(held)]
    expect(free.plan.finishesAt).toBeLessThanOrEqual(row.plan.finishesAt)
    expect(free.plan.exposedSeconds).toBeLessThan(row.plan.exposedSeconds / 2)
    expect(avoidableWaits(free.instance, segmentsOf(free)).avoidable).toBe(0)
    expect(rowsOf(held, row)).toEqual([given.line.map((each) => each.name)])
  })

  it('says where it departs from the row, and why', () => {
    const given = job('opaque-wash-rehighlight', 'foot', 1)
    const { plan } = solved(given)
    const departures = [...departuresOf(plan, given)]
    expect(departures.length).toBeGreaterThan(0)
    for (const [stretch, { ahead, wet }] of departures) {
      const place = (id: string) => given.line.findIndex((each) => each.id === id)
      expect(place(ahead.id)).toBeLessThan(place(stretch.stageId))
      if (wet) expect(wet.until).toBeGreaterThan(stretch.startsAt)
    }
    expect(departures.some(([, departure]) => departure.wet !== null)).toBe(true)
  })

  it('a stage that is held stays in its place of the row', () => {
    const given = job('opaque-wash-rehighlight', 'foot', 1)
    const { plan } = solved(given)
    const [moved] = [...departuresOf(plan, given).keys()]
    const stages = [moved!.stageId]
    const held = { ...given, planning: { ...plainPlanning, held: { all: false, batches: [], stages } } }
    const names = rowsOf(held, solved(held))[0]!
    const place = given.line.findIndex((each) => each.id === moved!.stageId)
    expect(names.slice(0, place).sort()).toEqual(
      given.line
        .slice(0, place)
        .map((each) => each.name)
        .sort(),
    )
  })
})
