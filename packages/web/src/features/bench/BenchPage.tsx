import { beyondTheStopLine } from '@seriatim/core/bench'
import type { Progress } from '@seriatim/core/progress'
import type { Stage } from '@seriatim/core/trade'
import type { ModelId } from '@seriatim/core/units'
import { useState } from 'react'
import { Link } from 'react-router'
import { clockNow } from '../../shared/clock.ts'
import { useShelf } from '../../shared/api/index.ts'
import { useCurrentProject } from '../../shared/project/index.ts'
import { useProgress } from '../../shared/progress/index.ts'
import { EmptyState, ErrorState, HoleLegend, LoadingState, NothingYet } from '../../shared/ui/index.ts'
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
import { usePedal } from '../../shared/use-pedal.ts'
import { useWakeLock } from '../../shared/use-wake-lock.ts'
import { useBench } from './use-bench.ts'

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

/** Models and the stage a touch-up is noted for. */
export interface TouchUpWish {
  readonly stage: Stage
  readonly modelIds: readonly ModelId[]
}

function Bench({ progress }: { readonly progress: Progress }) {
  const bench = useBench(progress)
  const { project, estimate, plan, recorder, clock, batches, drying, task, actions } = bench
  const [touchUp, setTouchUp] = useState<TouchUpWish | null>(null)
  const [otherPaint, setOtherPaint] = useState(false)
  useWakeLock(clock !== null)
  usePedal(clock ? actions.next : actions.start)

  if (batches.length === 0 || project.line.length === 0) {
    return (
      <NothingYet headline="The bench is clear" missing={batches.length === 0 ? 'models' : 'stages'}>
        {batches.length === 0
          ? 'Put a unit on the roster and give it a recipe; what to do first will lie here.'
          : 'Make a recipe: the stages follow from it, and what to do first will lie here.'}
      </NothingYet>
    )
  }

  const askUsed = () => setOtherPaint(task !== null && task.stage.material !== '')
  return (
    <>
      <div className="grid gap-x-8 gap-y-4 pt-5 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <div className="grid content-start gap-3">
          {bench.isByLine ? (
            <p role="status" className="font-bold">
              The plan is long in coming. Until it is there, this is what the stage order has first.
            </p>
          ) : null}
          {task ? (
            <NowTicket
              task={task}
              project={project}
              progress={progress}
              estimate={estimate}
              shelf={drying.shelf}
              clock={clock}
              onUsed={askUsed}
              onStopAt={actions.stopAt}
              onLeaveOut={actions.notNeeded}
              models={{
                done: (id) => recorder.punch(task.stage.id, [id]),
                again: (id) => recorder.clear(task.stage.id, [id]),
                skip: (id) => bench.skip({ stageId: task.stage.id, modelId: id }),
                touchUp: (id) => setTouchUp({ stage: task.stage, modelIds: [id] }),
              }}
              further={beyondTheStopLine(project, progress, estimate, task.batch)}
            />
          ) : bench.isLooking ? (
            <p role="status" className="ticket min-h-104 p-5 font-heading text-3xl text-ink-soft sm:p-7">
              Planning …
            </p>
          ) : (
            <EmptyState title="Nothing left to paint">
              <p>Every model is through every stage. What still dries is on the shelf.</p>
              <ul className="mt-2 flex flex-wrap gap-x-4">
                {project.units.map((unit) => (
                  <li key={unit.id}>
                    <Link
                      to={`../finished/${unit.id}`}
                      className="inline-flex min-h-11 items-center font-bold underline underline-offset-4"
                    >
                      How it went with {unit.name}
                    </Link>
                  </li>
                ))}
              </ul>
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
          <PainterHere project={project} painter={bench.painter} />
          <StampMilestone progress={progress} />
          {bench.isPlanned ? null : <RoomToCome stretches={batches.length * project.line.length - 1} />}
          {bench.sitting ? <SittingNow sitting={bench.sitting} timeZone={project.evenings.timeZone} /> : null}
          <ToFollowList
            waiting={[...drying.waiting, ...drying.driedOut]}
            timeZone={project.evenings.timeZone}
            onAgain={({ stage, untilOf }) =>
              recorder.clear(
                stage.id,
                [...untilOf].flatMap(([id, until]) => (until <= clockNow() ? [id] : [])),
              )
            }
          />
          <ThenList
            plan={plan}
            project={project}
            progress={progress}
            task={task}
            painter={bench.painter}
            busy={clock !== null}
            onChoose={bench.choose}
          />
          <DryingShelf
            shelf={drying.drying}
            justDry={drying.justDry}
            timeZone={project.evenings.timeZone}
            onFeel={bench.feel}
            onWent={bench.went}
            onDry={bench.onDry}
          />
        </aside>
      </div>
      <section className="mt-8" aria-labelledby="strips">
        <Standing left={bench.left} plan={plan} finish={bench.finish} />
        <StripBoard
          project={project}
          batches={batches}
          progress={progress}
          now={bench.stripsNow}
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
