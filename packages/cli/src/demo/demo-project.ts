import { demoProjectId, projectFileSchema, type ProjectFile, type ProjectFileJson } from '@seriatim/contract'
import { followedRecipes, lineOfOrder, orderLine } from '@seriatim/core/ordering'
import { usualBatchSize } from '@seriatim/core/plan'
import type { ProgressEvent, Verdict } from '@seriatim/core/progress'
import {
  takesStage,
  type Model,
  plainPlanning,
  usualHandOver,
  type Project,
  type Stage,
} from '@seriatim/core/trade'
import {
  addSeconds,
  instant,
  seconds,
  type EventId,
  type Instant,
  type LocalDate,
  type StageId,
} from '@seriatim/core/units'
import { z } from 'zod'
import { nextId } from './ids.ts'
import { recipes, shelf } from './recipes.ts'
import { eelNetters, lockKeepers, officers, reedPikes, units } from './roster.ts'

const writtenAt = instant(Date.parse('2026-11-24T19:40:00Z'))

const evenings = {
  weekdays: [2, 4, 7],
  startsAt: '19:30',
  lengthSeconds: seconds(9000),
  also: [],
  timeZone: 'UTC',
}

const unordered: Project = {
  id: demoProjectId,
  name: 'Tallow Fen militia',
  commission: null,
  dueOn: '2026-12-19' as LocalDate,
  evenings,
  batchSize: usualBatchSize,
  firstBatch: null,
  batchesInHand: null,
  planning: {
    ...plainPlanning,
    handOver: { at: '10:00', ...usualHandOver },
    painters: plainPlanning.painters.map((painter) => ({
      ...painter,
      off: [{ from: '2026-12-24' as LocalDate, until: '2026-12-26' as LocalDate }],
    })),
  },
  units,
  recipes,
  line: [],
}

/** The recipes in order; then, by hand and by mistake, the tufts go on before the varnish. */
function demoLine(): readonly Stage[] {
  const materials = new Map(shelf.map((material) => [material.id, material]))
  const order = orderLine({
    recipes: followedRecipes(unordered),
    shelf: materials,
    weight: 'fewest pots',
    tableReady: 'tabletop',
  })
  const stages = lineOfOrder(order, unordered, materials, 'tabletop', nextId)
  const tufts = stages.find((stage) => stage.material === 'reed tuft')
  const isMatt = (stage: Stage) => stage.material === 'matt varnish, spray'
  return stages
    .filter((stage) => stage !== tufts)
    .flatMap((stage) => (isMatt(stage) && tufts ? [tufts, stage] : [stage]))
}

const line = demoLine()

function stageOf(material: string): StageId {
  const stage = line.find((each) => each.material === material)
  if (!stage) throw new RangeError(`no stage with ${material}`)
  return stage.id
}

/** Records one clocked stage: started, every model punched in turn, stopped. */
function clocked(
  events: ProgressEvent[],
  material: string,
  models: readonly Model[],
  minutesAgo: number,
  minutesEach: number,
): void {
  const stageId = stageOf(material)
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
  materials: readonly string[],
  models: readonly Model[],
  daysAgo: number,
): void {
  materials.forEach((material, index) => {
    const at: Instant = addSeconds(writtenAt, -daysAgo * 86_400 + index * 1500)
    events.push({
      kind: 'punched',
      id: nextId() as EventId,
      at,
      stageId: stageOf(material),
      modelIds: models.map((model) => model.id),
    })
  })
}

const undercoat = ['black primer, spray', 'ivory primer, spray']
const colours = [
  'warm flesh translucent',
  'hide ochre translucent',
  'saddle translucent',
  'rust translucent',
  'reed grey translucent',
  'moss translucent',
  'peat brown translucent',
]
const metal = ['soot black', 'bright steel']
const base = ['white glue', 'river grit', 'silt brown wash', 'dark peat']

const pilotMinutes = [3.9, 3.7, 2.4, 1.9, 1.9, 1.9, 3.1, 4.4, 3.4, 2.3, 2.6, 2.9, 1.3, 1.2, 1.6, 1.3, 3.8]

/** One model through everything with the clock on, twelve days ago; then looked at beside the others. */
function pilotLaps(events: ProgressEvent[], materials: readonly string[], pilot: readonly Model[]): void {
  let ago = 12 * 1440
  const [first] = pilot
  materials.forEach((material, index) => {
    const stage = line.find((each) => each.id === stageOf(material))
    if (!stage || !first || !takesStage(stage, lockKeepers.id, first)) return
    const spent = pilotMinutes[index] ?? 1
    clocked(events, material, pilot, ago, spent)
    ago -= spent + 9
  })
  const judged = (material: string, verdict: Verdict, note: string) => {
    const modelIds = pilot.map((model) => model.id)
    const at = addSeconds(writtenAt, -ago * 60)
    events.push({
      kind: 'judged',
      id: nextId() as EventId,
      at,
      stageId: stageOf(material),
      modelIds,
      verdict,
      note,
    })
    ago -= 1
  }
  judged('silt brown wash', 'did nothing', 'The mud is as dark without it.')
  judged('moss translucent', 'too little', 'The coats look flat from a metre; quick highlights on the folds.')
}

function demoEvents(): readonly ProgressEvent[] {
  const events: ProgressEvent[] = []
  const pilot = lockKeepers.models.slice(3, 4)
  const others = lockKeepers.models.filter((model) => !pilot.includes(model))
  const first = [...undercoat, ...colours]
  const rest = [...metal, 'dark sepia wash', ...base]
  pilotLaps(events, [...first, ...rest, 'matt varnish, spray'], pilot)
  punched(events, first, others, 7)
  punched(events, rest.slice(0, 5), others, 5)
  punched(events, rest.slice(5), lockKeepers.models.slice(0, 3), 4)
  events.push({
    kind: 'touch-up',
    id: nextId() as EventId,
    at: addSeconds(writtenAt, -4 * 86_400),
    stageId: stageOf('bright steel'),
    modelIds: lockKeepers.models.slice(6, 7).map((model) => model.id),
    note: 'Missed part: bare undercoat behind the shield.',
  })
  punched(events, undercoat, reedPikes.models, 5)
  punched(events, undercoat, officers.models, 5)
  clocked(events, 'warm flesh translucent', reedPikes.models, 3 * 1440, 1.6)
  // The telephone rang in the middle of it.
  clocked(events, 'reed grey translucent', reedPikes.models.slice(0, 6), 3 * 1440 - 40, 6.5)
  clocked(events, 'white glue', officers.models, 62, 1.4)
  clocked(events, 'river grit', officers.models, 57, 0.8)
  clocked(events, 'black primer, spray', eelNetters.models.slice(0, 5), 55, 0.6)
  clocked(events, 'moss translucent', reedPikes.models.slice(0, 4), 28, 2.9)
  clocked(events, 'ivory primer, spray', eelNetters.models.slice(0, 5), 10, 0.6)
  return events
}

/** The militia of a drowned river delta, half-way through; all of it invented. */
export function demoProjectFile(): ProjectFileJson {
  const file: ProjectFile = {
    format: 'seriatim-project',
    version: 2,
    writtenAt,
    shelf: [...shelf],
    project: {
      ...unordered,
      evenings,
      units: units.map((each) => ({ ...each, models: [...each.models] })),
      recipes: [...recipes],
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
    events: demoEvents(),
  }
  return z.encode(projectFileSchema, file)
}
