import { workName, type LinePlan, type Stretch } from '@seriatim/core/plan'
import { batchName, type Project } from '@seriatim/core/trade'
import type { Progress } from '@seriatim/core/progress'
import { useState } from 'react'
import { clockText, dayText } from '../../shared/format/index.ts'
import { Button } from '../../shared/ui/index.ts'
import { comesAfter, type BenchTask, type Choice } from './bench-task.ts'

interface ThenListProps {
  readonly plan: LinePlan | null
  readonly project: Project
  readonly progress: Progress
  readonly task: BenchTask | null
  /** While the clock runs, another task can't be taken up. */
  readonly busy: boolean
  readonly onChoose: (choice: Choice) => void
}

export const shownAtFirst = 4

/** What the plan says comes next; any of it can be taken up instead. */
export function ThenList({ plan, project, progress, task, busy, onChoose }: ThenListProps) {
  const { timeZone } = project.evenings
  const [isLong, setLong] = useState(false)
  const all = comesAfter(task, plan?.stretches ?? [], project, progress)
  if (!plan || all.length === 0) return null
  const next = isLong ? all : all.slice(0, shownAtFirst)
  return (
    <section aria-labelledby="then">
      <h2 id="then" className="text-2xl">
        Then
      </h2>
      <ol className="mt-1">
        {next.map((stretch, index) => (
          <li
            key={`${stretch.batchId}-${stretch.stageId}-${String(stretch.startsAt)}`}
            className="flex gap-3 border-b border-rule py-2"
          >
            <time
              className="figures w-14 shrink-0 pt-px text-ink-soft"
              dateTime={new Date(stretch.startsAt).toISOString()}
            >
              {clockText(stretch.startsAt, timeZone)}
            </time>
            <div className="min-w-0 grow">
              <ThenText stretch={stretch} plan={plan} project={project} />
              {index === 0 || stretch.session !== next[index - 1]?.session ? (
                <span className="block text-sm text-ink-soft">{dayText(stretch.startsAt, timeZone)}</span>
              ) : null}
            </div>
            {busy ? null : (
              <button
                type="button"
                className="min-h-12 shrink-0 self-center rounded-[3px] px-2 text-sm underline underline-offset-4"
                onClick={() =>
                  onChoose({
                    batchId: stretch.batchId,
                    stageId: stretch.stageId,
                    touchUp: stretch.touchUp !== null,
                    by: stretch.by,
                  })
                }
              >
                Do it now
              </button>
            )}
          </li>
        ))}
      </ol>
      {all.length > shownAtFirst ? (
        <Button weight="quiet" aria-expanded={isLong} onClick={() => setLong(!isLong)}>
          {isLong ? 'Only what comes next' : `All ${String(all.length)} that come, to take up any of them`}
        </Button>
      ) : null}
    </section>
  )
}

function ThenText({
  stretch,
  plan,
  project,
}: {
  readonly stretch: Stretch
  readonly plan: LinePlan
  readonly project: Project
}) {
  const batch = plan.batches.find((each) => each.id === stretch.batchId)
  const stage = project.line.find((each) => each.id === stretch.stageId)
  if (!batch || !stage) return null
  return (
    <span className="block leading-snug">
      <b>{workName(stage.name, stretch)}</b>, {batchName(batch)} ({stretch.modelIds.length})
    </span>
  )
}
