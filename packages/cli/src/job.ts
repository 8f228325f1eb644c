import type { ProjectFile } from '@seriatim/contract'
import { followedRecipes, lineOfOrder, orderLine } from '@seriatim/core/ordering'
import { starterShelf } from '@seriatim/core/presets'
import { bodyPlans, materialsOf, recipeFromSchool, recipeSchools } from '@seriatim/core/recipe'
import {
  details,
  plainPlanning,
  sizes,
  standards,
  type Detail,
  type Model,
  type Project,
  type Recipe,
  type Size,
  type Standard,
} from '@seriatim/core/trade'
import {
  instant,
  seconds,
  type ModelId,
  type ProjectId,
  type Result,
  type UnitId,
} from '@seriatim/core/units'
import { sequentialIds } from './demo/ids.ts'

/** Some models alike, painted by a school: what there is to be estimated. */
export interface Job {
  readonly name: string
  readonly school: string
  readonly bodyPlan: string
  readonly models: number
  readonly size: Size
  readonly detail: Detail
  readonly standard: Standard
  readonly perHolder: number
  readonly batchSize: number
  /** What of the school's recipe is not done, and what more is. */
  readonly adapt?: (recipe: Recipe, newId: () => string) => Recipe
}

/** The job as a project file, its line in order. @throws RangeError an unknown school or body plan. */
export function jobFile(job: Job): ProjectFile {
  const newId = sequentialIds(JSON.stringify(job))
  const school = recipeSchools.find((each) => each.id === job.school)
  const plan = bodyPlans.find((each) => each.id === job.bodyPlan)
  if (!school || !plan) throw new RangeError(`no school ${job.school} or no body plan ${job.bodyPlan}`)
  const unitId = newId() as UnitId
  const models = Array.from({ length: job.models }, (_, index): Model => ({
    id: newId() as ModelId,
    name: `Model ${String(index + 1)}`,
    role: 'trooper',
    variants: [],
    points: 0,
  }))
  const { standard, size, detail, perHolder } = job
  const written = recipeFromSchool(school, plan, job.name, newId)
  const recipe = { ...(job.adapt?.(written, newId) ?? written), unitIds: [unitId] }
  const project: Project = {
    id: newId() as ProjectId,
    name: job.name,
    dueOn: null,
    commission: null,
    evenings: {
      weekdays: [2, 4, 7],
      startsAt: '19:30',
      lengthSeconds: seconds(9000),
      also: [],
      timeZone: 'UTC',
    },
    batchSize: job.batchSize,
    firstBatch: null,
    batchesInHand: null,
    planning: plainPlanning,
    units: [
      { id: unitId, name: job.name, standard, size, detail, perHolder, pilot: [], joinedAt: null, models },
    ],
    recipes: [recipe],
    line: [],
  }
  const used = materialsOf(recipe)
  const shelf = starterShelf.filter((material) => used.has(material.id))
  return {
    format: 'seriatim-project',
    version: 2,
    writtenAt: instant(Date.parse('2026-11-24T19:40:00Z')),
    shelf: [...shelf],
    project: withLine(project, shelf, newId),
    events: [],
  }
}

/** The project with its recipes put in order, where it has no line yet. */
export function withLine(project: Project, shelf: ProjectFile['shelf'], newId: () => string): Project {
  const materials = new Map(shelf.map((material) => [material.id, material]))
  const recipes = followedRecipes(project)
  if (project.line.length > 0 || recipes.length === 0) return project
  const order = orderLine({ recipes, shelf: materials, weight: 'fewest pots', tableReady: 'tabletop' })
  return { ...project, line: lineOfOrder(order, project, materials, 'tabletop', newId) }
}

type Values = Readonly<Partial<Record<(typeof jobOptions)[number], string>>>

export const jobOptions = [
  'body',
  'models',
  'size',
  'detail',
  'standard',
  'per-holder',
  'batch-size',
] as const

/** What was typed on the command line, or what is wrong with it. */
export function readJob(schoolId: string, values: Values): Result<Job, string> {
  const school = recipeSchools.find((each) => each.id === schoolId)
  if (!school) return wrong(`one of ${recipeSchools.map((each) => each.id).join(', ')}.`, 'the school')
  const plan = bodyPlans.find((each) => each.id === (values.body ?? 'foot'))
  if (!plan) return wrong(`one of ${bodyPlans.map((each) => each.id).join(', ')}.`, '--body')
  const size = sizes.find((each) => each === (values.size ?? 'foot'))
  if (!size) return wrong(`one of ${sizes.join(', ')}.`, '--size')
  const detail = details.find((each) => each === (values.detail ?? 'usual'))
  if (!detail) return wrong(`one of ${details.join(', ')}.`, '--detail')
  const standard = standards.find((each) => each === (values.standard ?? 'tabletop'))
  if (!standard) return wrong(`one of ${standards.join(', ')}.`, '--standard')
  const models = wholeNumber(values.models ?? '10')
  const perHolder = wholeNumber(values['per-holder'] ?? '1')
  const batchSize = wholeNumber(values['batch-size'] ?? values.models ?? '10')
  if (models === null) return wrong('give a whole number from 1.', '--models')
  if (perHolder === null) return wrong('give a whole number from 1.', '--per-holder')
  if (batchSize === null) return wrong('give a whole number from 1.', '--batch-size')
  const name = `${String(models)} by ${school.name.toLowerCase()}`
  const job = { name, school: school.id, bodyPlan: plan.id, models, size, detail, standard }
  return { ok: true, value: { ...job, perHolder, batchSize } }
}

function wrong(how: string, what: string): Result<never, string> {
  return { ok: false, error: `${what}: ${how}` }
}

function wholeNumber(text: string): number | null {
  return /^[1-9]\d{0,2}$/.test(text) ? Number(text) : null
}
