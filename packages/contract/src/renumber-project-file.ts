import type { StageWait } from '@seriatim/core/progress'
import type { ProjectFile } from './project-file.ts'

/** The same project under ids of its own, so that a copy can stand beside the first. `makeId` must not repeat itself. */
export function renumberProjectFile(file: ProjectFile, makeId: () => string): ProjectFile {
  const known = new Map<string, string>()
  const renewWaits = (waits: readonly StageWait[] | undefined) =>
    waits ? { waits: waits.map((wait) => ({ ...wait, stageId: renew(wait.stageId) })) } : {}
  const renew = <Id extends string>(id: Id): Id => {
    const fresh = known.get(id) ?? makeId()
    known.set(id, fresh)
    return fresh as Id
  }
  return {
    ...file,
    project: {
      ...file.project,
      id: renew(file.project.id),
      commission: file.project.commission && {
        ...file.project.commission,
        testModel: file.project.commission.testModel && {
          ...file.project.commission.testModel,
          modelId: renew(file.project.commission.testModel.modelId),
        },
      },
      planning: renumberPlanning(file.project.planning, renew),
      units: file.project.units.map((unit) => ({
        ...unit,
        id: renew(unit.id),
        pilot: unit.pilot.map(renew),
        joinedAt: unit.joinedAt && {
          unitId: renew(unit.joinedAt.unitId),
          stageId: renew(unit.joinedAt.stageId),
        },
        models: unit.models.map((model) => ({ ...model, id: renew(model.id) })),
      })),
      recipes: file.project.recipes.map((recipe) => ({
        ...recipe,
        id: renew(recipe.id),
        unitIds: recipe.unitIds.map(renew),
        steps: recipe.steps.map((step) => ({ ...step, id: renew(step.id) })),
        versions: recipe.versions.map((version) => ({
          ...version,
          steps: version.steps.map((step) => ({ ...step, id: renew(step.id) })),
        })),
      })),
      line: file.project.line.map((stage) => ({
        ...stage,
        id: renew(stage.id),
        notNeededBy: stage.notNeededBy.map(renew),
        limits: stage.limits.map((limit) => ({ ...limit, unitId: renew(limit.unitId) })),
        typed: stage.typed.map((typed) => ({ ...typed, unitId: renew(typed.unitId) })),
        steps: stage.steps.map((step) => ({ recipeId: renew(step.recipeId), stepId: renew(step.stepId) })),
      })),
    },
    events: file.events.map((event) => {
      const id = renew(event.id)
      if ('targetId' in event) return { ...event, id, targetId: renew(event.targetId) }
      const modelIds = event.modelIds.map(renew)
      if (event.kind === 'inspected') return { ...event, id, modelIds }
      return event.kind === 'milestone'
        ? { ...event, id, stageIds: event.stageIds.map(renew), modelIds, ...renewWaits(event.waits) }
        : { ...event, id, stageId: renew(event.stageId), modelIds }
    }),
  }
}

/** A batch is named by the models it begins and ends with, or by an id of its own. */
function renumberPlanning(
  planning: ProjectFile['project']['planning'],
  renew: <Id extends string>(id: Id) => Id,
): ProjectFile['project']['planning'] {
  const renewBatch = <Id extends string>(id: Id): Id => {
    return id
      .split('..')
      .map((model) => renew(model))
      .join('..') as Id
  }
  return {
    ...planning,
    first: planning.first.map(renewBatch),
    holders: planning.holders.map((holder) => ({ ...holder, id: renewBatch(holder.id) })),
    held: {
      ...planning.held,
      batches: planning.held.batches.map(renewBatch),
      stages: planning.held.stages.map(renew),
    },
    pins: planning.pins.map((pin) => ({
      ...pin,
      batchId: renewBatch(pin.batchId),
      stageId: renew(pin.stageId),
    })),
    batches: planning.batches.map(({ id, unitId, modelIds }) => ({
      id: renewBatch(id),
      unitId: renew(unitId),
      modelIds: modelIds.map(renew),
    })),
  }
}
