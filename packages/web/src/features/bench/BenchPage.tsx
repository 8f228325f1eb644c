import { beyondTheStopLine, sittingNow } from '@seriatim/core/bench'
import { clockOf, dryingShelf, toFollow, type Progress } from '@seriatim/core/progress'
import { splitIntoBatches, type Stage } from '@seriatim/core/trade'
import { addSeconds, type ModelId } from '@seriatim/core/units'
import { useDeferredValue, useMemo, useState } from 'react'
import { useShelf } from '../../shared/api/index.ts'
import { finishText, lastCoatText } from '../../shared/finish-text.ts'
import { useCurrentProject } from '../../shared/project/index.ts'
import { usePainterHere } from '../../shared/device.ts'
import { useProgress, useRecorder } from '../../shared/progress/index.ts'
import { EmptyState, ErrorState, HoleLegend, LoadingState, NothingYet } from '../../shared/ui/index.ts'
import { useFinish } from '../../shared/use-finish.ts'
import { useNowOf } from '../../shared/use-now.ts'
import { useCurrentFigures } from '../../shared/figures.ts'
import { quickEffort, useEstimated, usePlan } from '../../shared/worker/index.ts'
import { ActionBar } from './ActionBar.tsx'
import { DryingShelf } from './DryingShelf.tsx'
import { NowTicket } from './NowTicket.tsx'
import { RoomToCome } from './RoomToCome.tsx'
import { SittingNow } from './SittingNow.tsx'
import { StampMilestone } from './StampMilestone.tsx'
import { Standing } from './Standing.tsx'
import { StripBoard } from './StripBoard.tsx'
import { PainterHere } from './PainterHere.tsx'
import { ThenList } from './ThenList.tsx'
import { ToFollowList } from './ToFollowList.tsx'
import { TouchUpDialog } from './TouchUpDialog.tsx'
import { UsedDialog } from './UsedDialog.tsx'
import { useBenchActions } from './use-bench.ts'
import { useBenchTask } from './use-bench-task.ts'

export function BenchPage() {
  const project = useCurrentProject()
  const { progress, error, refetch } = useProgress(project.id)
  // What to get ready comes with the ticket, not after it; where it failed once, there is the work all the same. (That a
  // query is pending would not do: it is again when a part of the page asks anew.)
  const { data, failureCount, errorUpdateCount } = useShelf()
  if (progress && (data || failureCount + errorUpdateCount > 0)) return <Bench progress={progress} />
  if (error) return <ErrorState error={error} onRetry={() => void refetch()} />
  return <LoadingState what="the bench" />
}

/** So many seconds after its wait a coat may still be said to be tacky. */
const feltWithin = 20 * 60

/** Models and the stage a touch-up is noted for. */
export interface TouchUpWish {
  readonly stage: Stage
  readonly modelIds: readonly ModelId[]
}

function Bench({ progress }: { readonly progress: Progress }) {
  const { project, sources } = useCurrentFigures()
  const { estimate, times, left } = useEstimated(sources) ?? {}
  // The first plan is quick as well: what comes next matters more here than the last set-up saved.
  const planned = usePlan(sources, quickEffort)
  const plan = planned.data?.ok ? planned.data.value : null
  const isPlanned = planned.data !== undefined || planned.isError
  const painter = usePainterHere(project)
  const recorder = useRecorder(project, times)
  // A clock of before painters were told apart is the first painter's.
  const clock =
    clockOf(progress, painter) ??
    (painter === project.planning.painters[0]?.id ? clockOf(progress, null) : null)
  const now = useNowOf(progress, 10)
  // The strips are many: of what changes them by the clock alone they follow at once only what a finger felt here.
  const [felt, setFelt] = useState(0)
  const stripsNow = useNowOf(felt, 10)
  const [touchUp, setTouchUp] = useState<TouchUpWish | null>(null)
  const [otherPaint, setOtherPaint] = useState(false)
  const batches = useMemo(() => splitIntoBatches(project, project), [project])
  const shelf = useMemo(() => dryingShelf(project, batches, progress, now), [project, batches, progress, now])
  // So does what stands beside the work.
  const settled = useDeferredValue(useMemo(() => ({ progress, now }), [progress, now]))
  const drying = useMemo(
    () => dryingShelf(project, batches, settled.progress, settled.now),
    [project, batches, settled],
  )
  const waiting = useMemo(() => toFollow(project, batches, progress, now), [project, batches, progress, now])
  const justDry = useMemo(() => {
    const wet = new Set(drying.map((entry) => `${entry.batch.id} ${entry.stage.id}`))
    const before = dryingShelf(project, batches, settled.progress, addSeconds(settled.now, -feltWithin))
    return before.filter((each) => each.until <= settled.now && !wet.has(`${each.batch.id} ${each.stage.id}`))
  }, [project, batches, settled, drying])
  const forecast = useFinish(sources, plan)
  const sitting = useMemo(
    () => plan && sittingNow(project, settled.progress, plan, estimate, painter, settled.now),
    [project, settled, plan, estimate, painter],
  )
  const { task, isLooking, isByLine, choose, skip } = useBenchTask({
    project,
    batches,
    progress,
    plan,
    isPlanned,
    shelf,
    painter,
    clock,
    waiting,
    now,
  })
  const actions = useBenchActions(project, progress, task, recorder, clock)

  if (batches.length === 0 || project.line.length === 0) {
    return (
      <NothingYet headline="The bench is clear" missing={batches.length === 0 ? 'models' : 'stages'}>
        {batches.length === 0
          ? 'Put a unit on the roster and give it a recipe; what to do first will lie here.'
          : 'Make a recipe: the line follows from it, and what to do first will lie here.'}
      </NothingYet>
    )
  }

  const askUsed = () => setOtherPaint(task !== null && task.stage.material !== '')
  const lastCoat = lastCoatText(project)
  const finish = [forecast && plan ? finishText(forecast, project) : null, lastCoat]
    .flatMap((said) => (said === null ? [] : [`, ${said}`]))
    .join('')
  return (
    <>
      <div className="grid gap-x-8 gap-y-4 pt-5 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <div className="grid content-start gap-3">
          {isByLine ? (
            <p role="status" className="font-bold">
              The plan is long in coming. Until it is there, this is what the line has first.
            </p>
          ) : null}
          {task ? (
            <NowTicket
              task={task}
              project={project}
              progress={progress}
              estimate={estimate}
              shelf={shelf}
              clock={clock}
              onUsed={askUsed}
              onStopAt={actions.stopAt}
              models={{
                done: (id) => recorder.punch(task.stage.id, [id]),
                again: (id) => recorder.clear(task.stage.id, [id]),
                skip: (id) => skip({ stageId: task.stage.id, modelId: id }),
                touchUp: (id) => setTouchUp({ stage: task.stage, modelIds: [id] }),
              }}
              further={beyondTheStopLine(project, progress, estimate, task.batch)}
            />
          ) : isLooking ? (
            <p role="status" className="ticket min-h-104 p-5 font-heading text-3xl text-ink-soft sm:p-7">
              Looking what comes first …
            </p>
          ) : (
            <EmptyState title="Nothing left to paint">
              <p>Every model is through every stage. What still dries is on the shelf.</p>
            </EmptyState>
          )}
          <ActionBar
            actions={actions}
            project={project}
            progress={progress}
            task={task}
            running={clock !== null}
            onUsed={askUsed}
            onTouchUp={() => {
              if (task) setTouchUp({ stage: task.stage, modelIds: task.modelIds })
            }}
          />
        </div>
        <aside className="grid content-start gap-6" aria-label="Next, and what is drying">
          <PainterHere project={project} painter={painter} />
          {isPlanned ? null : <RoomToCome stretches={batches.length * project.line.length - 1} />}
          {sitting ? <SittingNow sitting={sitting} timeZone={project.evenings.timeZone} /> : null}
          <StampMilestone progress={progress} />
          <ToFollowList waiting={waiting} timeZone={project.evenings.timeZone} />
          <ThenList
            plan={plan}
            project={project}
            progress={progress}
            task={task}
            painter={painter}
            busy={clock !== null}
            onChoose={choose}
          />
          <DryingShelf
            shelf={drying}
            justDry={justDry}
            timeZone={project.evenings.timeZone}
            onFeel={({ stage, modelIds }, feels) => {
              recorder.feel(stage.id, modelIds, feels)
              setFelt((count) => count + 1)
            }}
          />
        </aside>
      </div>
      <section className="mt-8" aria-labelledby="strips">
        <Standing left={left} plan={plan} finish={finish} />
        <StripBoard
          project={project}
          batches={batches}
          progress={progress}
          now={stripsNow}
          onPunch={recorder.punch}
          onClear={recorder.clear}
          onTouchUp={setTouchUp}
          onUndo={actions.undo}
        />
        <div className="mt-3">
          <HoleLegend />
        </div>
      </section>
      {otherPaint && task ? (
        <UsedDialog
          task={task}
          project={project}
          onClose={() => setOtherPaint(false)}
          onUsed={(mix, note) => {
            recorder.used(task.stage.id, task.modelIds, mix, note)
            setOtherPaint(false)
          }}
        />
      ) : null}
      {touchUp ? (
        <TouchUpDialog
          wish={touchUp}
          project={project}
          onClose={() => setTouchUp(null)}
          onNote={(modelIds, note, region) => {
            recorder.touchUp(touchUp.stage.id, modelIds, note, region)
            setTouchUp(null)
          }}
        />
      ) : null}
    </>
  )
}
