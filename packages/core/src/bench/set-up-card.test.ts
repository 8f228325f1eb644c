import { describe, expect, it } from 'vitest'
import type { ProgressEvent } from '../progress/event.ts'
import { foldProgress } from '../progress/fold-progress.ts'
import { factsOf } from '../recipe/step-facts.ts'
import { eventId, noon, project, stage, unit } from '../testing/builders.ts'
import { footRecipe, materialNamed, testShelf, type StepRow } from '../testing/recipes.ts'
import type { RecipeId, StageId, StepId } from '../units/ids.ts'
import { addSeconds } from '../units/instant.ts'
import { beforeOpening, deskTool, type DeskTool } from './desk-tool.ts'
import { setUpCard } from './set-up-card.ts'
import type { Region } from '../trade/recipe.ts'
import { whereItHides } from './where-it-hides.ts'

const pikes = unit('pikes', 8)
const crew = unit('crew', 2)
const recipe = footRecipe(
  [
    ['coat', 'moss green', 'base coat'],
    ['straps', 'moss green', 'detail'],
    ['coat', 'soot wash', 'wash'],
  ],
  { unitIds: [pikes.id, crew.id] },
)
const ref = (step: string) => ({ recipeId: 'recipe' as RecipeId, stepId: step as StepId })
const line = [
  stage('coat', {
    material: 'moss green',
    touch: { kind: 'regions', regions: ['coat'] },
    steps: [ref('step 0')],
  }),
  stage('straps', {
    material: 'moss green',
    touch: { kind: 'regions', regions: ['straps'] },
    steps: [ref('step 1')],
  }),
  stage('shade', {
    material: 'soot wash',
    touch: { kind: 'regions', regions: ['coat'] },
    steps: [ref('step 2')],
  }),
]
const given = project([pikes, crew], line, { recipes: [recipe] })

const event = (number: number, some: object) =>
  ({ id: eventId(number), at: addSeconds(noon, number), ...some }) as ProgressEvent
const slip = (number: number, stageId: string, note: string) =>
  event(number, { kind: 'touch-up', stageId, modelIds: [pikes.models[0]!.id], note })
const punched = (number: number, stageId: string, models = pikes.models) =>
  event(number, { kind: 'punched', stageId, modelIds: models.map((model) => model.id) })

function cardOf(stageName: string, events: readonly ProgressEvent[] = [], used: string | null = null) {
  const found = line.find((each) => each.id === (stageName as StageId))!
  return setUpCard(given, foldProgress(events), testShelf, {
    stage: found,
    unit: pikes,
    models: pikes.models,
    used: used === null ? null : [{ materialId: materialNamed(used), parts: 1 }],
  })
}

describe('deskTool', () => {
  const toolOf = (row: StepRow) => deskTool(factsOf(footRecipe([row]), testShelf)[0]!)

  it.each<[StepRow, DeskTool | null]>([
    [['all', 'black primer, spray', 'spray'], 'can'],
    [['coat', 'moss green', 'base coat'], 'largest'],
    [['coat', 'soot wash', 'wash'], 'soft wash'],
    [['coat', 'moss green', 'dry brush'], 'big soft'],
    [['base', 'pale bone', 'dry brush'], 'worn wide'],
    [['coat', 'moss green', 'edge'], 'fine'],
    [['eyes', 'moss green', 'base coat'], 'fine'],
    [['all', 'moss green', 'base coat'], 'worn wide'],
  ])('%j takes the %s', (row, tool) => {
    expect(toolOf(row)).toBe(tool)
  })

  it('a dip is stirred and never shaken, matt varnish shaken, and glue neither', () => {
    const before = (name: string) =>
      beforeOpening({ material: testShelf.get(materialNamed(name))!, tool: 'brush' })
    expect(before('walnut dip')).toMatch(/^Stir, never shake/)
    expect(before('moss green')).toBe('Shake well.')
    expect(before('super glue')).toBeNull()
  })
})

describe('drops', () => {
  it.each([
    ['moss green', true],
    ['black primer, spray', false],
    ['river grit', false],
  ])('of %s: %s, since only what comes in a pot is counted in them', (name, isMeasured) => {
    expect(cardOf('coat', [], name).mix !== null).toBe(isMeasured)
  })
})

describe('whereItHides', () => {
  const region = (name: string, depth: number, some: Partial<Region> = {}): Region => ({
    name,
    finish: 'cloth',
    areaShare: 0.2,
    parts: 1,
    neighbours: [],
    depth,
    bare: false,
    apart: '',
    ...some,
  })

  it('is as the painter has it, with nothing added', () => {
    const cloak = region('cloak', 1, { finish: 'cloth', hides: ['under the arm'] })
    expect(whereItHides([cloak], [cloak])).toEqual([{ region: 'cloak', places: ['under the arm'] }])
    expect(whereItHides([{ ...cloak, hides: [] }], [cloak])).toEqual([])
    const { hides, ...usual } = cloak
    expect(hides).toHaveLength(1)
    expect(whereItHides([usual], [usual])).toEqual([{ region: 'cloak', places: ['inside the folds'] }])
  })

  it('is the second of two, the far side, and behind what lies over it', () => {
    const shield = region('shield', 0)
    const coat = region('coat', 2, { neighbours: ['shield', 'hood'] })
    const hood = region('hood', 3)
    const straps = region('straps', 0, { finish: 'leather', parts: 2 })
    expect(whereItHides([coat, straps], [shield, coat, hood, straps])).toEqual([
      { region: 'coat', places: ['inside the folds', 'behind shield'] },
      { region: 'straps', places: ['both of them'] },
    ])
  })

  it('nothing hides behind what is painted with it', () => {
    const shield = region('shield', 0, { finish: 'glass' })
    const glass = region('lens', 1, { finish: 'glass', neighbours: ['shield'] })
    expect(whereItHides([shield, glass], [shield, glass])).toEqual([])
  })
})

describe('setUpCard', () => {
  it('measures the drops for the models that still need it, of what is really used', () => {
    const card = cardOf('coat')
    expect(card.mix?.lines.map((each) => each.material.name)).toEqual(['moss green'])
    const drops = card.mix?.lines[0]?.drops ?? 0
    expect(drops).toBeGreaterThan(1)
    expect(cardOf('coat', [], 'soot wash').mix?.lines.map((each) => each.material.name)).toEqual([
      'soot wash',
    ])
  })

  it('counts everybody who still needs the pot, at any stage', () => {
    expect(cardOf('coat').modelsLeft).toBe(10)
    expect(cardOf('coat', [punched(1, 'coat'), punched(2, 'straps')]).modelsLeft).toBe(2)
    expect(cardOf('coat', [punched(1, 'coat')]).modelsLeft).toBe(10)
  })

  it('remembers what was missed here before, though it is mended, until it is taken back', () => {
    const events = [
      slip(1, 'coat', 'under the hood'),
      punched(2, 'coat'),
      slip(3, 'coat', 'back hem'),
      slip(4, 'coat', 'back hem'),
    ]
    expect(cardOf('coat', events).missedBefore).toEqual(['back hem', 'under the hood'])
    expect(cardOf('shade', events).missedBefore).toEqual([])
    const takenBack = event(5, { kind: 'undone', targetId: eventId(1) })
    expect(cardOf('coat', [...events, takenBack]).missedBefore).toEqual(['back hem'])
  })

  it('says what was last said of the stage on the pilot', () => {
    const judged = event(1, {
      kind: 'judged',
      stageId: 'coat',
      modelIds: [pikes.models[2]!.id],
      verdict: 'works',
      note: 'thinner next time',
    })
    expect(cardOf('coat', [judged]).said?.note).toBe('thinner next time')
    expect(cardOf('shade', [judged]).said).toBeNull()
  })

  it('a stage written by hand has nothing to measure', () => {
    const bare = project([pikes], [stage('prime')])
    const card = setUpCard(bare, foldProgress([]), testShelf, {
      stage: bare.line[0]!,
      unit: pikes,
      models: pikes.models,
      used: null,
    })
    expect(card).toMatchObject({ tool: null, before: null, mix: null, hides: [] })
  })
})
