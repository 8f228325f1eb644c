import type { FurtherStep } from '@seriatim/core/bench'
import { hasRunOn, type LineEstimate } from '@seriatim/core/estimating'
import { workName } from '@seriatim/core/plan'
import { type Clock, type DryingEntry, longestPause, type Progress, slipText } from '@seriatim/core/progress'
import { cautionText, dryingWait, stagesOf, saysPot, type Project, type Stage } from '@seriatim/core/trade'
import { addSeconds, instant, type Instant, type ModelId } from '@seriatim/core/units'
import { TriangleAlert } from 'lucide-react'
import type { ReactNode } from 'react'
import { clockText, durationText, plural, rangeText, stopwatchText } from '../../shared/format/index.ts'
import { useLessonsAgain } from '../../shared/lessons.tsx'
import { AsAgreed } from '../../shared/model-pictures.tsx'
import { Button } from '../../shared/ui/index.ts'
import { useNow, useNowOf } from '../../shared/use-now.ts'
import { ClockRanOn } from './ClockRanOn.tsx'
import { Countdown } from './Countdown.tsx'
import { LastLook } from './LastLook.tsx'
import { leftOutElsewhere } from './left-out.ts'
import { ModelRow, type ModelActions } from './ModelRow.tsx'
import { PaintLine } from './PaintLine.tsx'
import { SetUpLine } from './SetUpLine.tsx'
import { wetUnder, type BenchTask } from './bench-task.ts'
import { taskWhere } from './use-bench-actions.ts'
import { useSetUpCard } from './use-set-up-card.ts'

interface NowTicketProps {
  readonly task: BenchTask
  readonly project: Project
  readonly progress: Progress
  readonly estimate: LineEstimate | undefined
  readonly shelf: readonly DryingEntry[]
  /** The painter's own clock. */
  readonly clock: Clock | null
  readonly onUsed: () => void
  readonly onStopAt: (moment: Instant) => void
  /** These models go without the stage. */
  readonly onLeaveOut: () => void
  readonly models: ModelActions
  /** What is left beyond the stop line; `null` while the table still asks for something. */
  readonly further: readonly FurtherStep[] | null
}

/** Do this now: the stage, the pot, how far, how long. */
export function NowTicket({
  task,
  project,
  progress,
  estimate,
  shelf,
  clock,
  onUsed,
  onStopAt,
  onLeaveOut,
  models,
  further,
}: NowTicketProps) {
  const now = useNowOf(progress, 10)
  const { stage, batch, modelIds, left, later, touchUp } = task
  const { timeZone } = project.evenings
  const stages = stagesOf(project, batch.unitId)
  const running = clock?.stageId === stage.id ? clock : null
  const done = modelIds.length - left.length - later.length
  const next = stage.nextWithinSeconds === null ? undefined : stages[stages.indexOf(stage) + 1]
  const expected = estimate?.stages.find(
    ({ work }) => work.stageId === stage.id && work.unitId === batch.unitId,
  )
  const isOwn = expected?.source === 'laps'
  const dab = touchUp ? expected?.touchUp : undefined
  const each =
    (dab ? dab.dabSeconds + (dab.undercoat?.dabSeconds ?? 0) : expected?.perModel.likely) ??
    stage.handsOnSecondsPerModel
  const setUp = dab ? dab.setUpSeconds + (dab.undercoat?.setUpSeconds ?? 0) : stage.setUpSeconds
  const wet = wetUnder(task, shelf)
  const leftOut = leftOutElsewhere(project, progress, task)
  const card = useSetUpCard(task, project, progress)
  const again = useLessonsAgain([stage])
  const lastPunch = instant(
    Math.max(
      running?.startedAt ?? 0,
      ...modelIds.map((id) => progress.marks.get(id)?.get(stage.id)?.at ?? 0),
    ),
  )

  return (
    <section className="ticket p-5 sm:p-7" aria-label="Do this now">
      <p className="flex flex-wrap justify-between gap-x-6 text-sm font-bold text-ink-soft">
        <span>
          {taskWhere(task)} · stage {stages.indexOf(stage) + 1} of {stages.length}
        </span>
        <span>{running ? `started ${clockText(running.startedAt, timeZone)}` : 'not started'}</span>
      </p>
      <h2 className="mt-1 text-3xl text-balance sm:text-5xl">
        {workName(stage, { touchUp: touchUp ? 'colour' : null, by: task.by }, project, [batch.unitId])}
      </h2>
      {saysPot(stage) ? null : <p className="text-xl font-bold text-ink-soft">{stage.material}</p>}
      {stage.material === '' ? null : <PaintLine task={task} progress={progress} onUsed={onUsed} />}
      {touchUp ? (
        <p className="mt-2 text-lg">
          {notesOf(progress, stage, left).map((note) => `${note.replace(/\.$/, '')}. `)}
          {dab?.undercoat
            ? `Two pots: the ground first, ${durationText(dab.undercoat.drySeconds)} to dry, then the tint.`
            : 'One dab hides the slip.'}
        </p>
      ) : null}
      {stage.note === '' || touchUp ? null : <p className="mt-2 text-lg text-ink-soft">{stage.note}</p>}
      {next && stage.nextWithinSeconds !== null && !touchUp ? (
        <p className="mt-2 text-lg font-bold text-touch-up">
          {later.length > 0 ? `${plural(left.length, 'model')} at a time, then ` : 'Then '}
          {next.name.toLowerCase()} within {durationText(stage.nextWithinSeconds)}
          {later.length > 0 ? `; ${String(later.length)} more after that` : ''}.
        </p>
      ) : null}
      <div className="flex flex-wrap items-end justify-between gap-x-6">
        {card && !touchUp ? (
          <SetUpLine card={card} models={left.length} again={again.filter(({ kind }) => kind !== 'missed')} />
        ) : (
          <span />
        )}
        <AsAgreed project={project} stage={stage} />
      </div>
      {stage.cautions.map((caution) => (
        <p key={caution} className="mt-2 flex gap-2 text-sm">
          <TriangleAlert aria-hidden="true" size={18} className="mt-0.5 shrink-0 text-touch-up" />
          {cautionText[caution]}
        </p>
      ))}
      {leftOut === null ? null : (
        <p className="mt-2 flex flex-wrap items-center gap-x-3 font-bold">
          Left out on {leftOut}. Here too?
          <Button weight="quiet" className="px-1!" onClick={onLeaveOut}>
            Leave it out
          </Button>
        </p>
      )}
      {further ? (
        <p className="mt-2 text-done">
          <b>Table-ready: this batch may end here.</b> What is left is by choice:{' '}
          {further.map(({ name, seconds }) => `${name.toLowerCase()} ${durationText(seconds)}`).join(', ')}.
        </p>
      ) : null}
      {wet ? (
        <p role="status" className="mt-2 font-bold text-drying">
          Still wet after {wet.stage.name.toLowerCase()}: dry at {clockText(wet.until, timeZone)}, in{' '}
          <Countdown until={wet.until} />.
        </p>
      ) : null}
      {running &&
      (now - lastPunch > longestPause || hasRunOn((now - lastPunch) / 1000, each * left.length)) ? (
        <ClockRanOn since={lastPunch} now={now} timeZone={timeZone} onStopThere={() => onStopAt(lastPunch)} />
      ) : null}
      <dl className="mt-5 grid grid-cols-2 gap-x-6 gap-y-4 md:grid-cols-4">
        <Reading name="models done" big>
          {done} <span className="text-2xl text-ink-soft">/ {modelIds.length}</span>
        </Reading>
        <Reading
          name={
            running ? (
              `this one; ${isOwn ? 'usually' : 'planned'} ${durationText(each)}`
            ) : expected && !touchUp ? (
              <>
                a model, {isOwn ? 'by your laps' : 'as planned'}:{' '}
                <span className="whitespace-nowrap">{rangeText(expected.perModel)}</span>
              </>
            ) : (
              'a model'
            )
          }
        >
          {running ? <Stopwatch since={lastPunch} /> : estimate ? durationText(each) : '…'}
        </Reading>
        <Reading name={running ? 'this stage ends about' : 'for the models left'}>
          {running
            ? clockText(addSeconds(now, Math.max(0, each * left.length - (now - lastPunch) / 1000)), timeZone)
            : estimate
              ? durationText(setUp + each * left.length)
              : '…'}
        </Reading>
        <Reading name="drying afterwards">
          {dryingWait(stage) === 0 ? 'none' : durationText(dryingWait(stage))}
        </Reading>
      </dl>
      <ModelRow task={task} progress={progress} now={now} actions={models} />
      {card && !touchUp ? (
        <LastLook
          card={card}
          here={left.length}
          again={again.filter(({ kind }) => kind === 'missed')}
          setUpSeconds={setUp}
        />
      ) : null}
    </section>
  )
}

function Stopwatch({ since }: { readonly since: Instant }) {
  return stopwatchText((useNow() - since) / 1000)
}

function Reading({
  name,
  big = false,
  children,
}: {
  readonly name: ReactNode
  readonly big?: boolean
  readonly children: ReactNode
}) {
  return (
    <div className="flex flex-col-reverse justify-end">
      {/* Two lines, one of them for a range that is worked out yet: what stands below is not to move under a finger. */}
      <dt className="text-sm text-ink-soft md:min-h-[2lh]">{name}</dt>
      <dd
        className={
          big
            ? 'font-heading text-5xl leading-none font-extrabold'
            : 'figures text-3xl leading-[1.6] font-medium'
        }
      >
        {children}
      </dd>
    </div>
  )
}

/** What was noted of the slips, each once. */
function notesOf(progress: Progress, stage: Stage, models: readonly ModelId[]): readonly string[] {
  const notes = models.flatMap((id) => {
    const mark = progress.marks.get(id)?.get(stage.id)
    const said = mark?.kind === 'touch-up' ? slipText(mark) : ''
    return said === '' ? [] : [said]
  })
  return [...new Set(notes)]
}
