import { workName, type LinePlan, type Stretch } from '@seriatim/core/plan'
import { batchName, type Project } from '@seriatim/core/trade'
import type { Progress } from '@seriatim/core/progress'
import type { PainterId } from '@seriatim/core/units'
import { useState } from 'react'
import { clockText, dayText } from '../../shared/format/index.ts'
import { Button } from '../../shared/ui/index.ts'
import { comesAfter, type BenchTask, type Choice } from './bench-task.ts'

interface ThenListProps {
  readonly plan: LinePlan | null
  readonly project: Project
  readonly progress: Progress
  readonly task: BenchTask | null
  /** Whose hands are at this desk: what is planned for others says whose it is. */
  readonly painter: PainterId
  /** While the clock runs, another task can't be taken up. */
  readonly busy: boolean
  readonly onChoose: (choice: Choice) => void
}

export const shownAtFirst = 4

/** What the plan has next for these hands, and then for all; any of it can be taken up instead. */
export function ThenList({ plan, project, progress, task, painter, busy, onChoose }: ThenListProps) {
  const { timeZone } = project.evenings
  const [isLong, setLong] = useState(false)
  const all = comesAfter(task, plan?.stretches ?? [], project, progress)
  if (!plan || all.length === 0) return null
  const dayOf = (stretch: Stretch | undefined) => stretch && dayText(stretch.startsAt, timeZone)
  const own = all.filter((stretch) => plan.painters[stretch.painter]?.id === painter)
  const first = (own.length > 0 ? own : all).slice(0, shownAtFirst)
  const next = isLong ? all : first
  return (
    <section aria-labelledby="then">
      <h2 id="then" className="text-2xl">
        Then
      </h2>
      <ol className="mt-1">
        {next.map((stretch, index) => (
          <li
            key={`${stretch.batchId}-${stretch.stageId}-${String(stretch.startsAt)}-${String(stretch.painter)}`}
            className="flex gap-3 border-b border-rule py-2"
          >
            <time
              className="figures w-14 shrink-0 pt-px text-ink-soft"
              dateTime={new Date(stretch.startsAt).toISOString()}
            >
              {clockText(stretch.startsAt, timeZone)}
            </time>
            <div className="min-w-0 grow">
              <ThenText stretch={stretch} plan={plan} project={project} painter={painter} />
              {dayOf(stretch) === dayOf(next[index - 1]) ? null : (
                <span className="block text-sm text-ink-soft">{dayOf(stretch)}</span>
              )}
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
      {all.length > first.length ? (
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
  painter,
}: {
  readonly stretch: Stretch
  readonly plan: LinePlan
  readonly project: Project
  readonly painter: PainterId
}) {
  const batch = plan.batches.find((each) => each.id === stretch.batchId)
  const stage = project.line.find((each) => each.id === stretch.stageId)
  if (!batch || !stage) return null
  const planned = plan.painters[stretch.painter]
  return (
    <span className="block leading-snug">
      <b>{workName(stage, stretch, project, [batch.unitId])}</b>, {batchName(batch)} (
      {stretch.modelIds.length}){planned && planned.id !== painter ? `, ${planned.name}` : null}
    </span>
  )
}
