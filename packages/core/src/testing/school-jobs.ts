import { toPlan } from '../plan/to-plan.ts'
import { estimateLine, timesOf } from '../estimating/estimate-line.ts'
import { followedRecipes, lineOfOrder } from '../ordering/line-of-order.ts'
import { orderLine } from '../ordering/order-line.ts'
import { createScheduleBuilder } from '../schedule/schedule-builder.ts'
import type { PlanSegment } from '../schedule/instance.ts'
import { solveLine, type SolvedLine } from '../plan/plan-line.ts'
import { buildSchedule } from '../schedule/task-sequence.ts'
import type { Project } from '../trade/project.ts'
import type { ProjectId } from '../units/ids.ts'
import { bodyPlans } from '../recipe/body-plans.ts'
import { recipeFromSchool } from '../recipe/recipe-from-school.ts'
import { recipeSchools } from '../recipe/schools.ts'
import { noon, project, unit } from './builders.ts'
import { testShelf } from './recipes.ts'

/** Models painted by a school to tabletop, in batches of five, with their line in the order worked out for it. */
export function schoolJob(
  schoolId: string,
  body: string,
  batches: number,
  some: Partial<Project> = {},
): Project {
  let next = 0
  const newId = () => `id ${String(next++)}`
  const own = { ...unit('pikes', batches * 5), standard: 'tabletop' as const }
  const school = recipeSchools.find((each) => each.id === schoolId)
  const plan = bodyPlans.find((each) => each.id === body)
  if (!school || !plan) throw new RangeError(`no school ${schoolId} or no body plan ${body}`)
  const recipe = { ...recipeFromSchool(school, plan, 'Pikes', newId), unitIds: [own.id] }
  const bare = project([own], [], { recipes: [recipe], batchSize: 5, ...some })
  const order = orderLine({
    recipes: followedRecipes(bare),
    shelf: testShelf,
    weight: 'fewest pots',
    tableReady: 'tabletop',
    effort: { width: 4, expansions: 300 },
  })
  return { ...bare, line: [...lineOfOrder(order, bare, testShelf, 'tabletop', newId)] }
}

/** The same job under ids of its own, so that it can stand beside others. */
export function asJob(given: Project, name: string): Project {
  const isOwn = (text: string) => /^(id \d+|pikes(-\d+)?)$/.test(text)
  const renamed = JSON.parse(JSON.stringify(given), (_, value: unknown) =>
    typeof value === 'string' && isOwn(value) ? `${name} ${value}` : value,
  ) as Project
  return { ...renamed, id: name as ProjectId, name }
}

/** @param shelf left out, every batch keeps to the row of the line. */
export function solved(
  given: Project,
  effort = 200_000,
  shelf: typeof testShelf | null = testShelf,
): SolvedLine {
  const times = timesOf(estimateLine({ project: given, shelf: testShelf, now: noon }))
  const result = solveLine({ ...toPlan(given), times, now: noon, effort, ...(shelf ? { shelf } : {}) })
  if (!result.ok) throw new Error(result.error.kind)
  return result.value
}

export function segmentsOf({ instance, found }: SolvedLine): readonly PlanSegment[] {
  const segments: PlanSegment[] = []
  buildSchedule(createScheduleBuilder(instance), found.sequence, found.policy, (segment) =>
    segments.push(segment),
  )
  return segments
}
