import { figuresOf } from '../testing/figures-of.ts'
import { describe, expect, it } from 'vitest'
import type { ProgressEvent, Verdict } from '../progress/event.ts'
import { foldProgress } from '../progress/fold-progress.ts'
import { eventId, noon, project, stage, unit } from '../testing/builders.ts'
import { footRecipe, materialNamed } from '../testing/recipes.ts'
import type { RecipeId, StageId, StepId, UnitId } from '../units/ids.ts'
import { addSeconds } from '../units/instant.ts'
import { minutes } from '../units/seconds.ts'
import { applyPilotProposal, pilotProposals, pilotReport, pilotTotals } from './pilot.ts'

const recipe = footRecipe(
  [
    ['coat', 'moss green', 'base coat'],
    ['coat', 'soot wash', 'wash'],
  ],
  { unitIds: ['pikes' as UnitId] },
)
const ref = (step: string) => ({ recipeId: 'recipe' as RecipeId, stepId: step as StepId })
const bare = unit('pikes', 8)
const pikes = { ...bare, pilot: [bare.models[2]!.id] }
const line = [
  stage('moss', { steps: [ref('step 0')], setUpSeconds: minutes(1) }),
  stage('wash', { steps: [ref('step 1')], setUpSeconds: minutes(1) }),
]
const given = project([pikes], line, { recipes: [recipe] })

const lap = (number: number, stageId: string, seconds: number, model = pikes.pilot[0]!) => {
  const at = addSeconds(noon, number * 3600)
  const over = { stageId: stageId as StageId, modelIds: [model] }
  return [
    { kind: 'clock-started', id: eventId(number * 10), at, ...over },
    { kind: 'punched', id: eventId(number * 10 + 1), at: addSeconds(at, seconds), ...over },
    {
      kind: 'clock-stopped',
      id: eventId(number * 10 + 2),
      at: addSeconds(at, seconds),
      targetId: eventId(number * 10),
    },
  ] as ProgressEvent[]
}
const judged = (number: number, stageId: string, verdict: Verdict) =>
  ({
    kind: 'judged',
    id: eventId(900 + number),
    at: addSeconds(noon, 90_000 + number),
    stageId: stageId as StageId,
    modelIds: pikes.pilot,
    verdict,
    note: 'from a metre',
  }) as ProgressEvent

const inputOf = (events: readonly ProgressEvent[], project = given) =>
  figuresOf(project, { progress: foldProgress(events), clock: addSeconds(noon, 100_000) })

describe('pilotReport', () => {
  it('estimates the rest anew at each lap of the pilot alone', () => {
    const events = [
      ...lap(1, 'moss', 600),
      ...lap(2, 'wash', 300),
      ...lap(3, 'moss', 100, pikes.models[5]!.id),
    ]
    const report = pilotReport(inputOf(events), pikes)
    expect(report.restModels).toBe(7)
    expect(report.rest).toHaveLength(3)
    const [before, first] = report.rest
    expect(first!.likely).toBeGreaterThan(before!.likely * 1.2)
    expect(report.stages.map((each) => [each.clockSeconds, each.done])).toEqual([
      [600, 1],
      [300, 1],
    ])
    expect(pilotTotals(report).clock).toBe(900)
    expect(pilotTotals(report).expected).toBeLessThan(900)
  })

  it('says nothing of the clock before the first lap', () => {
    const report = pilotReport(inputOf([]), pikes)
    expect(report.rest).toHaveLength(1)
    expect(report.stages.every((each) => each.clockSeconds === null && each.judgement === null)).toBe(true)
  })
})

describe('pilotProposals', () => {
  const proposalsFor = (...events: readonly ProgressEvent[]) => {
    const input = inputOf(events)
    return pilotProposals(input, pikes, pilotReport(input, pikes), () => 'new')
  }

  it('leaves out what did nothing, for the recipe and on the line', () => {
    const [proposal] = proposalsFor(judged(1, 'wash', 'did nothing'))
    expect(proposal).toMatchObject({ kind: 'leave out', note: 'from a metre' })
    expect(proposal!.seconds).toBeGreaterThan(60)
    const after = applyPilotProposal(given, pikes, proposal!)
    expect(after.recipes[0]!.steps.map((step) => step.id)).toEqual(['step 0'])
    expect(after.line[1]).toMatchObject({ steps: [], notNeededBy: ['pikes'] })
  })

  it('adds highlights of a lighter colour where it was too little, on top of the region', () => {
    const [proposal] = proposalsFor(judged(1, 'moss', 'too little'))
    expect(proposal).toMatchObject({ kind: 'add', text: 'Highlights of light moss on the coat' })
    const after = applyPilotProposal(given, pikes, proposal!)
    expect(after.line).toBe(given.line)
    expect(after.recipes[0]!.steps.map((step) => [step.id, step.technique])).toEqual([
      ['step 0', 'base coat'],
      ['step 1', 'wash'],
      ['new', 'edge'],
    ])
    const again = inputOf([judged(1, 'moss', 'too little')], { ...given, ...after })
    expect(pilotProposals(again, pikes, pilotReport(again, pikes), () => 'newer')).toEqual([])
  })

  it('changes the paint where the colour was wrong, in the recipe and the stage order, with the reason', () => {
    const mix = [{ materialId: materialNamed('slate grey'), parts: 1 }]
    const [proposal] = proposalsFor({ ...judged(1, 'moss', 'another colour'), mix } as ProgressEvent)
    expect(proposal).toMatchObject({ kind: 'recolour', text: 'moss in slate grey', note: 'from a metre' })
    expect(proposal!.seconds).toBeCloseTo(0)
    const after = applyPilotProposal(given, pikes, proposal!)
    expect(after.recipes[0]!.steps[0]!.mix).toEqual(mix)
    expect(after.line[0]).toMatchObject({ material: 'slate grey', steps: line[0]!.steps })
    expect(proposalsFor(judged(1, 'moss', 'another colour'))).toEqual([])
  })

  it('takes the latest word, and asks for nothing where a stage was worth it', () => {
    expect(proposalsFor(judged(1, 'wash', 'did nothing'), judged(2, 'wash', 'worth it'))).toEqual([])
  })
})
