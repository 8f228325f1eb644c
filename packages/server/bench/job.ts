import { lineTemplates } from '@seriatim/core/presets'
import { v7 } from 'uuid'

/** A job of so many models in units of 25, through so many stages written by hand, as a project file. */
export function jobFile(name: string, models: number, stages: number) {
  const units = Array.from({ length: Math.ceil(models / 25) }, (_, u) => ({
    id: v7(),
    name: `Unit ${String(u + 1)}`,
    standard: 'tabletop',
    models: Array.from({ length: Math.min(25, models - u * 25) }, (_, m) => ({
      id: v7(),
      name: `Pike ${String(u * 25 + m + 1)}`,
      role: 'trooper',
      points: 5,
    })),
  }))
  const templates: readonly object[] = lineTemplates[0]?.stages ?? []
  const line = Array.from({ length: stages }, (_, s) => ({
    ...templates[s % templates.length],
    id: v7(),
    name: `Stage ${String(s + 1)}`,
    material: `pot ${String(s + 1)}`,
    notNeededBy: [],
    limits: [],
    tableReady: s === stages - 1,
  }))
  return {
    format: 'seriatim-project',
    version: 2,
    writtenAt: new Date().toISOString(),
    shelf: [],
    project: {
      id: v7(),
      name,
      dueOn: null,
      evenings: { weekdays: [2, 4], startsAt: '19:30', lengthSeconds: 9000, timeZone: 'Europe/Berlin' },
      batchSize: 10,
      firstBatch: null,
      batchesInHand: null,
      units,
      recipes: [],
      line,
    },
    events: [] as object[],
  }
}

export type Job = ReturnType<typeof jobFile>

const device = v7()
let number = 0

const recorded = (at: number) => ({
  id: v7({ msecs: at }),
  at: new Date(at).toISOString(),
  by: { device, number: (number += 1), painter: 'you' },
})

/** One punch after the other, some seconds apart, up to now: model by model down the first `stages` of the line, and again. */
export function punches(job: Job, count: number, stages = job.project.line.length): object[] {
  const models = job.project.units.flatMap((unit) => unit.models)
  const began = Date.now() - count * 40_000
  return Array.from({ length: count }, (_, index) => ({
    ...recorded(began + index * 40_000 + ((index * 7919) % 9000)),
    kind: 'punched',
    stageId: job.project.line[Math.floor(index / models.length) % stages]?.id,
    modelIds: [models[index % models.length]?.id],
    drySeconds: 900,
    worthSeconds: 60,
  }))
}

/** Laps of five models each, with the clock started and stopped. */
export function laps(job: Job, count: number): object[] {
  const models = job.project.units.flatMap((unit) => unit.models)
  const began = Date.now() - count * 400_000
  return Array.from({ length: count }, (_, index) => {
    const at = began + index * 400_000
    const stageId = job.project.line[index % job.project.line.length]?.id
    const modelIds = models
      .slice((index * 5) % (models.length - 5))
      .slice(0, 5)
      .map((model) => model.id)
    const started = { ...recorded(at), kind: 'clock-started', stageId, modelIds }
    return [
      started,
      { ...recorded(at + 300_000), kind: 'punched', stageId, modelIds, drySeconds: 900, worthSeconds: 60 },
      { ...recorded(at + 310_000), kind: 'clock-stopped', targetId: started.id },
    ]
  }).flat()
}
