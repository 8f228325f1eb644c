import { demoProjectId, type BroughtRate, type Hand } from '@seriatim/contract'
import { foldProgress, observeTimes, stageWorks, type ProjectId } from '@seriatim/core'
import type { Database } from '../../db/client.ts'
import { readEvents } from '../progress/repository.ts'
import { listProjectIds, requireProject } from '../projects/service.ts'
import { readShelf } from '../shelf/service.ts'
import { readBroughtRates, replaceBroughtRates } from './repository.ts'

/** Brought rates, and the times of every project but this one and the demo. */
export async function readHand(db: Database, except: ProjectId | null): Promise<Hand> {
  const shelf = new Map((await readShelf(db)).map((material) => [material.id, material]))
  const elsewhere: Hand['elsewhere'][number][] = []
  for (const id of await listProjectIds(db)) {
    if (id === except || id === demoProjectId) continue
    const project = await requireProject(db, id)
    const progress = foldProgress(await readEvents(db, id))
    const unitName = new Map(project.units.map((unit) => [unit.id, unit.name]))
    const stageName = new Map(project.line.map((stage) => [stage.id, stage.name]))
    for (const time of observeTimes(project, stageWorks(project, shelf), progress)) {
      if (time.silent !== null) continue
      elsewhere.push({
        eventId: time.eventId,
        project: project.name,
        unit: unitName.get(time.unitId) ?? '',
        stages: time.stageIds.map((stage) => stageName.get(stage) ?? ''),
        at: time.at,
        technique: time.technique,
        size: time.size,
        models: time.models,
        countedSeconds: time.countedSeconds,
        expectedSeconds: time.expectedSeconds,
        observations: time.observations,
      })
    }
  }
  return { brought: await readBroughtRates(db), elsewhere }
}

/** All rates brought so far make way for these. */
export async function putBroughtRates(db: Database, rates: readonly BroughtRate[]): Promise<void> {
  await db.transaction((tx) => replaceBroughtRates(tx, rates))
}
