import { toPlan } from './to-plan.ts'
import { describe, expect, it } from 'vitest'
import { amountsLeft } from '../estimating/amounts-left.ts'
import { estimateLine, timesOf, totalOf } from '../estimating/estimate-line.ts'
import { foldProgress } from '../progress/fold-progress.ts'
import { splitIntoBatches } from '../trade/batches.ts'
import { project, noon, stage, unit } from '../testing/builders.ts'
import { footRecipe, testShelf } from '../testing/recipes.ts'
import { minutes } from '../units/seconds.ts'
import type { StepId } from '../units/ids.ts'
import { besideInPlan } from './beside-in-plan.ts'
import { planInstance } from './plan-instance.ts'
import { planLine } from './plan-line.ts'
import { runSheets } from './run-sheet.ts'
import { workName } from './work-name.ts'

const airbrush = { technique: 'airbrush' as const, setUpSeconds: minutes(12) }

/** A few officers and a block of troopers by one recipe, whose coat may be brushed or sprayed. */
function planned(officers: number, troopers: number) {
  const units = [unit('officers', officers), unit('troopers', troopers)]
  const recipe = footRecipe(
    [
      ['all', 'grey primer, spray', 'spray'],
      ['coat', 'moss green', 'base coat', { otherModes: [airbrush] }],
    ],
    { unitIds: units.map((each) => each.id) },
  )
  const steps = (index: number) => [{ recipeId: recipe.id, stepId: `step ${String(index)}` as StepId }]
  const line = [
    stage('primer', { steps: steps(0), setUpSeconds: minutes(6) }),
    stage('coat', {
      steps: steps(1),
      setUpSeconds: minutes(1),
      touch: { kind: 'regions', regions: ['coat'] },
    }),
  ]
  const given = project(units, line, { recipes: [recipe], batchSize: 40 })
  const times = timesOf(estimateLine({ project: given, shelf: testShelf, now: noon }))
  return { given, input: { ...toPlan(given), times, now: noon } }
}

describe('a recipe’s other ways', () => {
  it('go to the plan, which chooses for each batch what is quicker there', () => {
    const { given, input } = planned(2, 30)
    const plan = planLine(input)
    if (!plan.ok) throw new Error(plan.error.kind)
    const coats = plan.value.stretches.filter((each) => each.stageId === 'coat')
    const by = (models: number) =>
      coats.filter((each) => each.modelIds.length === models).map((each) => each.by)
    expect(by(30)).toEqual(['airbrush'])
    const names = runSheets(plan.value, given).flatMap(({ entries }) =>
      entries.flatMap((entry) =>
        entry.kind === 'work' ? [workName(entry.stage, entry.stretch, { recipes: [] }, [])] : [],
      ),
    )
    expect(names).toContain('coat by airbrush')
  })

  it('are kept to by the plan that is laid again, while another would save next to nothing', () => {
    const { input } = planned(2, 8)
    const first = planLine(input)
    if (!first.ok) throw new Error(first.error.kind)
    const keptTo = (by: 'airbrush' | null) => {
      const stretches = first.value.stretches.map((each) =>
        each.stageId === 'coat' ? { ...each, by } : each,
      )
      const again = planLine({ ...input, before: { stretches } })
      return again.ok && again.value.stretches.flatMap((each) => (each.stageId === 'coat' ? [each.by] : []))
    }
    expect(keptTo('airbrush')).toEqual(['airbrush', 'airbrush'])
    expect(keptTo(null)).toEqual([null, null])
  })

  it('are counted in the estimate as the plan takes them', () => {
    const { given, input } = planned(2, 30)
    const plan = planLine(input)
    if (!plan.ok) throw new Error(plan.error.kind)
    const estimate = estimateLine({ project: given, shelf: testShelf, now: noon })
    const { likely } = totalOf(estimate.rates, amountsLeft(estimate, besideInPlan(plan.value, input.times)))
    expect(Math.abs(likely - plan.value.handsOnSeconds)).toBeLessThan(32)
  })

  it('a small batch by itself is brushed: the airbrush would take longer to set up than it saves', () => {
    const plan = planLine(planned(2, 0).input)
    expect(plan.ok && plan.value.stretches.map((each) => each.by)).toEqual([null, null])
  })

  it('hold the airbrush, not the desk, and dry as sprayed coats do', () => {
    const { given, input } = planned(2, 30)
    const made = planInstance({
      ...input,
      batches: splitIntoBatches(given, given),
      progress: foldProgress([]),
      teamwork: 'free',
      links: undefined,
      noSpray: [],
      room: 0,
    })
    const tasks = made.ok ? made.value.instance.batches[1]!.tasks : []
    expect(tasks.map((task) => task.others.map((way) => [way.station, way.wait]))).toEqual([[], [[1, 210]]])
    const [primer, coat] = given.line
    const { others } = input.times.get(coat!.id)!.get(given.units[1]!.id)!
    expect(others).toMatchObject([{ technique: 'airbrush', setUpSeconds: 720, drySeconds: 210 }])
    expect(input.times.get(primer!.id)!.get(given.units[1]!.id)!.others).toEqual([])
  })
})
