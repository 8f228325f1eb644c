import type { LinePlan } from '@seriatim/core/plan'
import type { Clock, DryingEntry, Progress, ToFollow } from '@seriatim/core/progress'
import type { Batch, Project } from '@seriatim/core/trade'
import type { Instant, PainterId } from '@seriatim/core/units'
import { useEffect, useState } from 'react'
import { usePlanBefore } from '../../shared/worker/index.ts'
import {
  currentTask,
  isInGroups,
  withoutSkipped,
  type BenchTask,
  type Choice,
  type Skipped,
} from './bench-task.ts'

interface TaskInput {
  readonly project: Project
  readonly batches: readonly Batch[]
  readonly progress: Progress
  readonly plan: LinePlan | null
  /** Whether the planner has answered. */
  readonly isPlanned: boolean
  readonly shelf: readonly DryingEntry[]
  /** Whose hands are at this desk. */
  readonly painter: PainterId
  /** The painter's own clock. */
  readonly clock: Clock | null
  readonly waiting: readonly ToFollow[]
  readonly now: Instant
}

interface TaskHeld {
  /** What lies on the desk; `null`: nothing, or nothing yet. */
  readonly task: BenchTask | null
  /** What comes first is not known yet: what the line has first would change under the finger when the plan is there. */
  readonly isLooking: boolean
  /** The plan is long in coming: it is what the line has first. */
  readonly isByLine: boolean
  readonly choose: (choice: Choice) => void
  readonly skip: (model: Skipped) => void
}

/** So long the desk waits for a plan; then it goes on without, and says so. */
const longestLook = 5_000

/** What to do now. Until the plan is laid it is what the clock runs on, or what the plan before has first. */
export function useBenchTask(input: TaskInput): TaskHeld {
  const { project, batches, progress, plan, isPlanned, shelf, painter, clock, waiting, now } = input
  const [choice, choose] = useState<Choice | null>(null)
  const [skipped, setSkipped] = useState<readonly Skipped[]>([])
  const before = usePlanBefore(project) ?? null
  const first = currentTask({
    project,
    batches,
    progress,
    plan: isPlanned ? plan : before,
    choice,
    shelf,
    running: clock,
    waiting,
    painter: project.planning.painters.findIndex((each) => each.id === painter),
    now,
  })
  const isKnown =
    first === null || isPlanned || ((before !== null || clock !== null) && !isInGroups(project, first))
  const [isLate, setLate] = useState(false)
  useEffect(() => {
    if (isKnown) return
    const late = setTimeout(() => setLate(true), longestLook)
    return () => clearTimeout(late)
  }, [isKnown])
  return {
    task: isKnown || isLate ? withoutSkipped(first, skipped) : null,
    isLooking: !isKnown && !isLate,
    isByLine: !isKnown && isLate,
    choose,
    skip: (model) => setSkipped([...skipped, model]),
  }
}
