import { type Progress, isOpenHole } from '@seriatim/core/progress'
import { passes, pointsOf } from '@seriatim/core/sheet'
import type { ModelId, StageId } from '@seriatim/core/units'
import { ScanEye } from 'lucide-react'
import { useState } from 'react'
import { toast } from 'sonner'
import { finishText } from '../../shared/finish-text.ts'
import { durationText, plural, shareDoneText } from '../../shared/format/index.ts'
import { Later } from '../../shared/later.tsx'
import { useProgress, useRecorder } from '../../shared/progress/index.ts'
import { useCurrentProject } from '../../shared/project/index.ts'
import { Button, ErrorState, Headline, HoleLegend, LoadingState, NothingYet } from '../../shared/ui/index.ts'
import { useFinish } from '../../shared/use-finish.ts'
import { useCurrentPlan } from '../../shared/current-plan.ts'
import { useSheetLooks } from '../../shared/worker/index.ts'
import { InspectDialog } from './InspectDialog.tsx'
import { LeftOnPurpose } from './LeftOnPurpose.tsx'
import { ModelDialog } from './ModelDialog.tsx'
import { SheetControls } from './SheetControls.tsx'
import { SheetStrips } from './SheetStrips.tsx'
import { sittingText } from './sitting-text.ts'
import { TouchUpRound } from './TouchUpRound.tsx'
import { useSheetRows } from './use-sheet-rows.ts'

/** Charts are fetched when they are wanted. */
const loadBurnUp = () => import('./BurnUp.tsx')

export function SheetPage() {
  const project = useCurrentProject()
  const { progress, error, refetch } = useProgress(project.id)
  if (progress) return <Sheet progress={progress} />
  if (error) return <ErrorState error={error} onRetry={() => void refetch()} />
  return <LoadingState what="the sheet" />
}

/** Every model at every stage: what is done, what dries, what waits for a touch-up. */
function Sheet({ progress }: { readonly progress: Progress }) {
  // Without a date nothing is late, and a plan after every mark would be for nothing.
  const { project, sources, times, left, plan } = useCurrentPlan({
    isWanted: useCurrentProject().dueOn !== null,
  })
  const recorder = useRecorder(project, times)
  const { now, standings, late, groups, wish, setWish } = useSheetRows(project, progress, plan)
  // What goes over all marks follows a moment after the strip that was tapped.
  const looks = useSheetLooks(sources)
  const [openId, setOpenId] = useState<ModelId | null>(null)
  const [inspecting, setInspecting] = useState<readonly ModelId[] | null>(null)
  const due = standings.filter((each) => passes(each, 'to inspect', late))
  const open = standings.find((each) => each.model.id === openId)
  const forecast = useFinish(sources, project.dueOn === null ? undefined : plan)

  if (standings.length === 0 || project.line.length === 0) {
    return (
      <NothingYet headline="The sheet is blank" missing={standings.length === 0 ? 'models' : 'stages'}>
        {standings.length === 0
          ? 'Put a unit on the roster; each of its models gets a strip here.'
          : 'Make a recipe: the stages follow from it, and each stage is a hole in every strip.'}
      </NothingYet>
    )
  }

  const undo = () => {
    if (!progress.lastUndoable) return
    recorder.undo(progress.lastUndoable.id)
    toast('The last entry is taken back.')
  }
  const mark = (stageId: StageId, modelIds: readonly ModelId[]) => {
    const place = project.line.findIndex((stage) => stage.id === stageId)
    const stage = project.line[place]
    if (!stage) {
      // Somebody changed the recipe or the line meanwhile.
      setWish({ ...wish, stageId: null })
      toast.error('That stage is not among the stages any more: nothing was marked.')
      return
    }
    const chosen = new Set(modelIds)
    const taking = standings.filter(
      ({ model, holes }) => chosen.has(model.id) && holes[place]?.kind !== 'not-needed',
    )
    const isOpen = ({ holes }: (typeof taking)[number]) => {
      const hole = holes[place]
      return hole !== undefined && isOpenHole(hole)
    }
    const first = taking.find(({ model }) => model.id === modelIds[0]) ?? taking[0]
    if (!first) return
    const punching = isOpen(first)
    const ids = taking.filter((each) => isOpen(each) === punching).map(({ model }) => model.id)
    if (punching) recorder.punch(stageId, ids)
    else recorder.clear(stageId, ids)
    toast(`${stage.name}: ${plural(ids.length, 'model')} ${punching ? 'marked done' : 'open again'}.`)
  }
  const ready = standings.filter((each) => each.isTableReady)
  const points = pointsOf(standings)

  const waits = standings.some((each) => each.holes.some((hole) => hole.kind === 'touch-up'))
  return (
    <>
      <Headline
        actions={
          due.length > 0 ? (
            <Button weight="main" onClick={() => setInspecting(due.map((each) => each.model.id))}>
              <ScanEye aria-hidden="true" size={18} /> Inspect {plural(due.length, 'model')}
            </Button>
          ) : null
        }
        sub={
          <p className="flex flex-wrap gap-x-4">
            <span>
              {left ? `${durationText(left.leftSeconds)} of work left` : '…'}
              {forecast && left && left.leftSeconds > 0 ? `, ${finishText(forecast, project)}` : ''}
            </span>
            {points > 0 ? (
              <span>
                {pointsOf(ready)} of {plural(points, 'point')} on the table
              </span>
            ) : null}
            {looks?.sitting ? (
              <span>{sittingText(looks.sitting, now, project.evenings.timeZone)}</span>
            ) : null}
          </p>
        }
      >
        {left
          ? `${shareDoneText(1 - left.leftSeconds / Math.max(1, left.totalSeconds))} of the work done, ${String(ready.length)} of ${String(standings.length)} table-ready`
          : `${String(ready.length)} of ${plural(standings.length, 'model')} table-ready`}
      </Headline>
      <TouchUpRound
        round={looks ? looks.round : waits ? undefined : []}
        onMended={(stageId, modelIds) => {
          recorder.punch(stageId, modelIds)
          toast(`${plural(modelIds.length, 'touch-up')} mended.`)
        }}
        onOpen={setOpenId}
      />
      <LeftOnPurpose project={project} times={times} standings={standings} onOpen={setOpenId} />
      <SheetControls
        wish={wish}
        standings={standings}
        late={late}
        line={project.line}
        onWish={setWish}
        onUndo={progress.lastUndoable ? undo : null}
      />
      <SheetStrips
        groups={groups}
        line={project.line}
        now={now}
        stageId={wish.stageId}
        onMark={mark}
        onOpen={setOpenId}
        onUndo={undo}
      />
      <div className="mt-4">
        <HoleLegend />
        <p className="mt-1 text-sm text-ink-soft">
          A green frame: table-ready. A heavy foot under it: inspected. A brown frame: a touch-up waits.
        </p>
      </div>
      {looks && (looks.burnUp.days.at(-1)?.doneSeconds ?? 0) > 0 ? (
        <Later load={loadBurnUp} name="The chart of the work">
          {({ BurnUp }) => (
            <BurnUp {...looks.burnUp} forecast={forecast} now={now} timeZone={project.evenings.timeZone} />
          )}
        </Later>
      ) : null}
      {inspecting ? (
        <InspectDialog
          project={project}
          standings={inspecting.flatMap((id) => standings.find((each) => each.model.id === id) ?? [])}
          recorder={recorder}
          onClose={() => setInspecting(null)}
        />
      ) : null}
      {open ? (
        <ModelDialog
          standing={open}
          project={project}
          now={now}
          recorder={recorder}
          onClose={() => setOpenId(null)}
        />
      ) : null}
    </>
  )
}
