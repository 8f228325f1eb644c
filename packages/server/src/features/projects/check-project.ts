import {
  fieldErrors,
  lineSchema,
  pathText,
  projectSettingsSchema,
  recipesSchema,
  unitsSchema,
  type StoredProject,
} from '@seriatim/contract'
import { namedMaterials } from '@seriatim/core/recipe'
import type { MaterialId } from '@seriatim/core/units'
import type { z } from 'zod'
import { RequestProblem } from '../../http/problem.ts'

/**
 * Refuses a project that a change would leave wrong in itself or larger than there can be. Only what the change
 * touched is looked at: what was there before is nobody's fault now.
 * @throws RequestProblem with the path of each fault.
 */
export function checkProject(
  before: StoredProject,
  after: StoredProject,
  isOnShelf: (id: MaterialId) => boolean,
): void {
  const errors: { path: string; message: string }[] = []
  const check = (schema: z.ZodType, value: unknown, path: readonly PropertyKey[]) => {
    const parsed = schema.safeParse(value)
    if (parsed.success) return
    const issues = parsed.error.issues.map((issue) => ({ ...issue, path: [...path, ...issue.path] }))
    errors.push(...fieldErrors(issues))
  }
  if (after.units !== before.units) {
    check(unitsSchema, after.units, ['units'])
    checkModels(after, errors)
    checkJoins(before, after, errors)
  }
  if (after.line !== before.line) check(lineSchema, after.line, ['line'])
  if (after.recipes !== before.recipes) {
    check(recipesSchema, after.recipes, ['recipes'])
    after.recipes.forEach((recipe, r) => {
      if (before.recipes.includes(recipe)) return
      for (const { id, path } of namedMaterials(recipe))
        if (!isOnShelf(id))
          errors.push({
            path: pathText(['recipes', r, ...path]),
            message: 'This material is not on the shelf.',
          })
    })
  }
  check(projectSettingsSchema, after, [])
  const [first] = errors
  if (first) throw new RequestProblem('invalid-request', first.message, errors)
}

type Errors = { path: string; message: string }[]

function checkModels({ units }: StoredProject, errors: Errors): void {
  const seen = new Set<string>()
  units.forEach((unit, u) => {
    unit.models.forEach((model, m) => {
      if (seen.has(model.id))
        errors.push({ path: pathText(['units', u, 'models', m, 'id']), message: 'Two models share this id.' })
      seen.add(model.id)
    })
  })
}

function checkJoins(before: StoredProject, after: StoredProject, errors: Errors): void {
  const units = new Set(after.units.map((unit) => unit.id))
  const stages = new Set(after.line.map((stage) => stage.id))
  const known = new Map(before.units.map((unit) => [unit.id, unit]))
  after.units.forEach(({ id, joinedAt }, u) => {
    if (!joinedAt || known.get(id)?.joinedAt === joinedAt) return
    const refuse = (field: string, message: string) =>
      errors.push({ path: pathText(['units', u, 'joinedAt', field]), message })
    if (!units.has(joinedAt.unitId)) refuse('unitId', 'There is no such unit in this project.')
    if (!stages.has(joinedAt.stageId)) refuse('stageId', 'There is no such stage in this project.')
  })
}
