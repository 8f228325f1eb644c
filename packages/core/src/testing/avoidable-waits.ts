import type { PlanInstance, PlanSegment, PlanTask } from '../schedule/instance.ts'

/**
 * Seconds a lone painter waits at the desk though a stage of a batch in hand was allowed, dry and would have been
 * through before the session's end, beyond what leaving it saves in set-ups. Shares no code with the planner.
 */
export function avoidableWaits(
  instance: PlanInstance,
  segments: readonly PlanSegment[],
): { readonly waits: number; readonly avoidable: number } {
  const sessions = instance.painters[0]?.sessions ?? [{ start: 0, end: Number.POSITIVE_INFINITY }]
  const inTime = segments.toSorted((a, b) => a.start - b.start)
  const taskOf = (segment: PlanSegment): PlanTask => instance.batches[segment.batch]!.tasks[segment.task]!
  let waits = 0
  let avoidable = 0
  for (const [at, segment] of inTime.entries()) {
    const session = sessions[segment.session]!
    const before = inTime.slice(0, at)
    const last = before.at(-1)
    const from = last && last.session === segment.session ? last.end : session.start
    const wait = segment.start - from
    if (wait <= 0) continue
    waits += wait
    const inHand = new Set(before.map((each) => each.batch))
    let most = 0
    instance.batches.forEach((batch, index) => {
      if (!inHand.has(index) && !batch.begun) return
      batch.tasks.forEach((task, place) => {
        const isLaid = (some: PlanTask) =>
          before.some((each) => each.batch === index && taskOf(each) === some)
        if (isLaid(task)) return
        const behind = batch.comesAfter?.[place] ?? batch.tasks.slice(0, place).map((_, each) => each)
        if (!behind.every((each) => isLaid(batch.tasks[each]!))) return
        if (task.windows !== null || task.maxWait !== null || task.joins.length > 0) return
        // When each model is dry where the task lands.
        const dryAt = task.models.map((model) =>
          Math.max(
            0,
            ...before.flatMap((each) => {
              if (each.batch !== index || !meets(taskOf(each), task)) return []
              const models = taskOf(each).models.slice(each.from, each.from + each.count)
              const position = models.indexOf(model)
              if (position < 0) return []
              const hands = (each.end - each.start - each.setUp) / each.count
              return [each.start + each.setUp + (position + 1) * hands + taskOf(each).wait]
            }),
            ...batch.drying.flatMap((each) =>
              each.model === model && meetsRegions(each.regions, task.regions) ? [each.readyAt] : [],
            ),
          ),
        )
        const setUp = last && taskOf(last).family === task.family ? 0 : task.setUp
        const begins = Math.max(from + setUp, ...dryAt.map((dry, k) => dry - k * task.perModel)) - setUp
        const ends = begins + setUp + task.models.length * task.perModel
        if (ends > session.end || begins >= segment.start) return
        // Begun here it costs a set-up that its own place may do without.
        const own = inTime.find((each) => each.batch === index && taskOf(each) === task)
        const saved = Math.max(0, task.setUp - (own?.setUp ?? task.setUp))
        most = Math.max(most, Math.min(wait, segment.start - begins) - saved)
      })
    })
    avoidable += most
  }
  return { waits, avoidable }
}

function meets(a: PlanTask, b: PlanTask): boolean {
  return meetsRegions(a.regions, b.regions)
}

function meetsRegions(a: PlanTask['regions'], b: PlanTask['regions']): boolean {
  return a === 'whole' || b === 'whole' || a.some((region) => b.includes(region))
}
