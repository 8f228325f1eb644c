import type { PlanInstance, PlanSegment } from '../schedule/instance.ts'
import { createScheduleBuilder } from '../schedule/schedule-builder.ts'
import type { SearchResult } from '../schedule/search.ts'
import { buildSchedule } from '../schedule/task-sequence.ts'

/** A sequence laid from the beginning: what it costs, and every stretch of it. */
export function laidOut(
  instance: PlanInstance,
  { sequence, policy }: Pick<SearchResult, 'sequence' | 'policy'>,
) {
  const segments: PlanSegment[] = []
  const builder = createScheduleBuilder(instance)
  const cost = buildSchedule(builder, sequence, policy, (segment) => segments.push(segment))
  return { cost, segments }
}
