import { projectFileSchema, type ProjectFile, type ProjectFileJson } from '@seriatim/contract'
import {
  addSeconds,
  bodyPlans,
  instant,
  minutes,
  recipeFromSchool,
  recipeSchools,
  schools,
  seconds,
  starterShelf,
  type EventId,
  type Instant,
  type LocalDate,
  type MaterialId,
  type Model,
  type ModelId,
  type ProgressEvent,
  type ProjectId,
  type Recipe,
  type Stage,
  type StageId,
  type Step,
  type StepId,
  type Unit,
  type UnitId,
} from '@seriatim/core'
import { z } from 'zod'

/** Ids that never change, in the shape of a UUIDv7. */
function idMaker() {
  let count = 0
  return (): string => {
    count += 1
    return `01930000-0000-7000-8000-${count.toString(16).padStart(12, '0')}`
  }
}

const writtenAt = instant(Date.parse('2026-11-24T19:40:00Z'))
const nextId = idMaker()

function unit(
  name: string,
  models: readonly (readonly [name: string, role: string, points: number])[],
): Unit {
  return {
    id: nextId() as UnitId,
    name,
    models: models.map(([modelName, role, points]): Model => ({
      id: nextId() as ModelId,
      name: modelName,
      role,
      points,
    })),
  }
}

const troopers = (name: string, from: number, to: number, points: number) =>
  Array.from({ length: to - from + 1 }, (_, k) => [`${name} ${String(from + k)}`, 'trooper', points] as const)

const lockKeepers = unit('Lock-keepers', [
  ['Lockmaster Bream', 'leader', 14],
  ['Lock-keeper with horn', 'musician', 9],
  ['Lock-keeper with pennon', 'standard bearer', 9],
  ...troopers('Lock-keeper', 4, 12, 7),
])
const reedPikes = unit('Reed-pikes', [['Pikewarden Sedge', 'leader', 12], ...troopers('Reed-pike', 2, 12, 6)])
const eelNetters = unit('Eel-netters', [
  ['Netmother Lamprey', 'leader', 11],
  ...troopers('Eel-netter', 2, 10, 5),
])
const stiltRiders = unit('Stilt-riders', [
  ...troopers('Stilt-rider', 1, 4, 18),
  ...Array.from({ length: 4 }, (_, k) => [`Wading mount ${String(k + 1)}`, 'mount', 0] as const),
])
const sluiceGun = unit('Sluice gun', [['Sluice gun', 'special', 60], ...troopers('Gun hand', 1, 3, 5)])
const officers = unit('Officers', [
  ['Provost Quill', 'character', 45],
  ['Dame Osier', 'character', 40],
  ['Reeve Marl', 'character', 35],
])

/** The line of the school, with a texture stage and what some units pass by. */
function demoLine(): readonly Stage[] {
  const notNeeded: Readonly<Record<string, readonly UnitId[]>> = {
    Trousers: [eelNetters.id, sluiceGun.id],
    'Edge highlight': [lockKeepers.id, eelNetters.id],
  }
  const stages = (schools[0]?.stages ?? []).map((template): Stage => ({
    ...template,
    id: nextId() as StageId,
    notNeededBy: notNeeded[template.name] ?? [],
    steps: [],
  }))
  const mud: Stage = {
    id: nextId() as StageId,
    name: 'Mud bank',
    material: 'river mud paste',
    touch: { kind: 'base' },
    handsOnSecondsPerModel: minutes(1.5),
    setUpSeconds: minutes(2),
    dryingMinSeconds: minutes(60),
    dryingMaxSeconds: minutes(240),
    notNeededBy: [lockKeepers, reedPikes, eelNetters, sluiceGun].map((each) => each.id),
    tableReady: false,
    cautions: [],
    note: 'Scenic bases only. Thin at the rim, thick under the feet.',
    steps: [],
  }
  return [...stages.slice(0, 2), mud, ...stages.slice(2)]
}

const line = demoLine()
const stageNamed = (name: string): StageId => {
  const stage = line.find((each) => each.name === name)
  if (!stage) throw new RangeError(`no stage ${name}`)
  return stage.id
}

/** Records one clocked stage: started, every model punched in turn, stopped. */
function clocked(
  events: ProgressEvent[],
  stageName: string,
  models: readonly Model[],
  minutesAgo: number,
  minutesEach: number,
): void {
  const stageId = stageNamed(stageName)
  const modelIds = models.map((model) => model.id)
  const startedAt = addSeconds(writtenAt, -minutesAgo * 60)
  const started = nextId() as EventId
  events.push({ kind: 'clock-started', id: started, at: startedAt, stageId, modelIds })
  modelIds.forEach((modelId, index) => {
    const at = addSeconds(startedAt, (index + 1) * minutesEach * 60)
    events.push({ kind: 'punched', id: nextId() as EventId, at, stageId, modelIds: [modelId] })
  })
  const stoppedAt = addSeconds(startedAt, models.length * minutesEach * 60)
  events.push({ kind: 'clock-stopped', id: nextId() as EventId, at: stoppedAt, targetId: started })
}

function punched(
  events: ProgressEvent[],
  stageNames: readonly string[],
  models: readonly Model[],
  daysAgo: number,
): void {
  stageNames.forEach((name, index) => {
    const at: Instant = addSeconds(writtenAt, -daysAgo * 86_400 + index * 1500)
    events.push({
      kind: 'punched',
      id: nextId() as EventId,
      at,
      stageId: stageNamed(name),
      modelIds: models.map((model) => model.id),
    })
  })
}

const schoolNamed = (id: string) => named(recipeSchools, id)
const planNamed = (id: string) => named(bodyPlans, id)

function named<T extends { readonly id: string }>(list: readonly T[], id: string): T {
  const found = list.find((each) => each.id === id)
  if (!found) throw new RangeError(`no ${id}`)
  return found
}

function materialNamed(name: string): MaterialId {
  const found = starterShelf.find((material) => material.name === name)
  if (!found) throw new RangeError(`no material ${name}`)
  return found.id
}

function recipeFor(name: string, units: readonly Unit[], school: string, plan: string): Recipe {
  const recipe = recipeFromSchool(schoolNamed(school), planNamed(plan), name, nextId)
  return { ...recipe, unitIds: units.map((each) => each.id) }
}

/** A recipe a kind of model; that of the officers puts its decal on bare paint and opens a wash twice. */
function demoRecipes(): readonly Recipe[] {
  const school = 'translucent-over-bright'
  const officersRecipe = recipeFor('Officers', [officers], school, 'cloaked-foot')
  const edge = officersRecipe.steps.findIndex((step) => step.technique === 'edge')
  const like = officersRecipe.steps[edge]
  if (!like) throw new RangeError('no edges')
  const decal: Step = {
    ...like,
    id: nextId() as StepId,
    on: ['cloak'],
    mix: [{ materialId: materialNamed('delta heron decal'), parts: 1 }],
    technique: 'decal',
    note: 'The heron on the left shoulder.',
  }
  const wash: Step = {
    ...like,
    id: nextId() as StepId,
    on: ['wood'],
    mix: [{ materialId: materialNamed('dark sepia wash'), parts: 1 }],
    technique: 'wash',
    standard: 'tabletop',
  }
  const steps = [
    ...officersRecipe.steps.slice(0, edge),
    wash,
    like,
    decal,
    ...officersRecipe.steps.slice(edge + 1),
  ]
  return [
    recipeFor('Lock-keepers and reed-pikes', [lockKeepers, reedPikes], school, 'foot'),
    recipeFor('Eel-netters', [eelNetters], school, 'foot'),
    recipeFor('Stilt-riders', [stiltRiders], school, 'rider-and-mount'),
    recipeFor('Sluice gun', [sluiceGun], 'opaque-wash-rehighlight', 'gun-and-crew'),
    { ...officersRecipe, steps },
  ]
}

function usedMaterials(recipes: readonly Recipe[]) {
  const used = new Set(
    recipes.flatMap((recipe) => recipe.steps.flatMap((step) => step.mix.map((part) => part.materialId))),
  )
  return starterShelf.filter((material) => used.has(material.id))
}

function demoEvents(): readonly ProgressEvent[] {
  const events: ProgressEvent[] = []
  const pilot = lockKeepers.models.slice(3, 4)
  const others = lockKeepers.models.filter((model) => !pilot.includes(model))
  const colours = ['Skin', 'Coat', 'Trousers', 'Leather', 'Dark under', 'Steel', 'Shade']
  punched(events, ['Prime', 'Grade', ...colours, 'Grit', 'Base wash', 'Rim', 'Matt'], pilot, 12)
  punched(events, ['Prime', 'Grade', 'Skin', 'Coat', 'Trousers'], others, 7)
  punched(events, ['Leather', 'Dark under', 'Steel', 'Shade', 'Grit'], others, 5)
  punched(events, ['Base wash', 'Rim'], lockKeepers.models.slice(0, 3), 5)
  events.push({
    kind: 'touch-up',
    id: nextId() as EventId,
    at: addSeconds(writtenAt, -4 * 86_400),
    stageId: stageNamed('Steel'),
    modelIds: lockKeepers.models.slice(6, 7).map((model) => model.id),
    note: 'Missed part: bare undercoat behind the shield.',
  })
  punched(events, ['Prime', 'Grade'], reedPikes.models, 5)
  punched(events, ['Prime', 'Grade'], officers.models, 5)
  clocked(events, 'Skin', reedPikes.models, 3 * 1440, 1.6)
  clocked(events, 'Coat', reedPikes.models.slice(0, 6), 3 * 1440 - 40, 3.4)
  clocked(events, 'Mud bank', officers.models, 62, 1.4)
  clocked(events, 'Prime', eelNetters.models.slice(0, 5), 55, 0.6)
  clocked(events, 'Trousers', reedPikes.models.slice(0, 4), 28, 1.7)
  clocked(events, 'Grade', eelNetters.models.slice(0, 5), 10, 0.6)
  return events
}

/** The militia of a drowned river delta, half-way through; all of it invented. */
export function demoProjectFile(): ProjectFileJson {
  const id = nextId() as ProjectId
  const recipes = demoRecipes()
  const file: ProjectFile = {
    format: 'seriatim-project',
    version: 1,
    writtenAt,
    shelf: [...usedMaterials(recipes)],
    project: {
      id,
      name: 'Tallow Fen militia',
      dueOn: '2026-12-19' as LocalDate,
      evenings: { weekdays: [2, 4, 7], startsAt: '19:30', lengthSeconds: seconds(9000), timeZone: 'UTC' },
      batchSize: 6,
      batchesInHand: 4,
      units: [lockKeepers, reedPikes, eelNetters, stiltRiders, sluiceGun, officers].map((each) => ({
        ...each,
        models: [...each.models],
      })),
      recipes,
      line: line.map((stage) => ({
        ...stage,
        touch:
          stage.touch.kind === 'regions'
            ? { kind: 'regions', regions: [...stage.touch.regions] }
            : stage.touch,
        notNeededBy: [...stage.notNeededBy],
        cautions: [...stage.cautions],
      })),
    },
    events: demoEvents().map((event) =>
      'modelIds' in event ? { ...event, modelIds: [...event.modelIds] } : event,
    ),
  }
  return z.encode(projectFileSchema, file)
}
