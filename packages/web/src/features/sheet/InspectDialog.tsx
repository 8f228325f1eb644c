import { type InspectionVerdict, isThroughHole } from '@seriatim/core/progress'
import { inspectionChecklist, type ModelStanding } from '@seriatim/core/sheet'
import type { Project } from '@seriatim/core/trade'
import type { ModelId } from '@seriatim/core/units'
import { useState } from 'react'
import { plural } from '../../shared/format/index.ts'
import { ModelPictures } from '../../shared/model-pictures.tsx'
import type { useRecorder } from '../../shared/progress/index.ts'
import { usePageKeys } from '../../shared/use-page-keys.ts'
import { Button, Dialog, Kbd } from '../../shared/ui/index.ts'
import { DefectForm, LeaveForm, RedoForm } from './verdict-forms.tsx'

interface InspectDialogProps {
  readonly project: Project
  /** Those to be looked at when it was opened, and how they stand now. */
  readonly standings: readonly ModelStanding[]
  readonly recorder: Pick<ReturnType<typeof useRecorder>, 'inspect' | 'touchUp' | 'clear'>
  readonly onClose: () => void
}

type Asking = 'touch-up' | 'left' | 'redo' | null

/** One model after the other, from a metre and then in the hand; each gets its verdict by one key. */
export function InspectDialog({ project, standings, recorder, onClose }: InspectDialogProps) {
  const [at, setAt] = useState(0)
  const [asking, setAsking] = useState<Asking>(null)
  const standing = standings[at]
  const next = () => {
    setAsking(null)
    if (at + 1 < standings.length) setAt(at + 1)
    else onClose()
  }
  const verdict = (modelIds: readonly ModelId[], which: InspectionVerdict, note = '') => {
    recorder.inspect(modelIds, which, note)
    if (modelIds.length > 1) onClose()
    else next()
  }
  const keys = {
    p: () => {
      if (standing?.touchUps === 0) verdict([standing.model.id], 'passed')
    },
    l: () => {
      if (standing?.touchUps === 0) setAsking('left')
    },
    t: () => setAsking('touch-up'),
    r: () => setAsking('redo'),
    ArrowRight: () => setAt(Math.min(standings.length - 1, at + 1)),
    ArrowLeft: () => setAt(Math.max(0, at - 1)),
  }
  // A form that is open has the keys.
  usePageKeys(asking === null ? keys : {}, 'dialog')
  if (!standing) return null
  const { model, unit, touchUps } = standing
  const { metre, hand } = inspectionChecklist(project, unit)
  // What waits for a touch-up is looked at again when that is done.
  const waits = touchUps > 0
  const rest = standings.slice(at).flatMap((each) => (each.touchUps === 0 ? [each.model.id] : []))
  const done = project.line.filter((_, place) => {
    const hole = standing.holes[place]
    return hole !== undefined && isThroughHole(hole)
  })
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title={`Inspect ${model.name}`}
      description={`${String(at + 1)} of ${String(standings.length)} · ${unit.name}, to ${unit.standard}${touchUps > 0 ? ` · ${plural(touchUps, 'touch-up')} noted` : ''}`}
    >
      <div className="grid gap-4 sm:grid-cols-2">
        <Looks title="From a metre" looks={metre} />
        <Looks title="In the hand" looks={hand} />
      </div>
      <ModelPictures project={project} model={model} />
      {asking === null ? (
        <div className="mt-5 grid grid-cols-2 gap-2 sm:grid-cols-4">
          <Button weight="main" disabled={waits} onClick={() => verdict([model.id], 'passed')}>
            Pass <Kbd>P</Kbd>
          </Button>
          <Button onClick={() => setAsking('touch-up')}>
            Touch up <Kbd>T</Kbd>
          </Button>
          <Button disabled={waits} onClick={() => setAsking('left')}>
            Leave it <Kbd>L</Kbd>
          </Button>
          <Button onClick={() => setAsking('redo')}>
            Redo <Kbd>R</Kbd>
          </Button>
          {rest.length > 1 && !waits ? (
            <Button weight="quiet" className="col-span-full" onClick={() => verdict(rest, 'passed')}>
              Pass this and the other {plural(rest.length - 1, 'model')}
            </Button>
          ) : null}
        </div>
      ) : null}
      {asking === 'touch-up' ? (
        <DefectForm
          project={project}
          standing={standing}
          stages={done}
          onCancel={() => setAsking(null)}
          onNote={(stage, region, cause) => {
            recorder.touchUp(stage.id, [model.id], cause, region)
            setAsking(null)
          }}
        />
      ) : null}
      {asking === 'left' ? (
        <LeaveForm onCancel={() => setAsking(null)} onLeave={(why) => verdict([model.id], 'left', why)} />
      ) : null}
      {asking === 'redo' ? (
        <RedoForm
          stages={done}
          onCancel={() => setAsking(null)}
          onRedo={(from) => {
            for (const stage of done.slice(done.indexOf(from))) recorder.clear(stage.id, [model.id])
            next()
          }}
        />
      ) : null}
      <div className="mt-4 flex justify-between border-t border-paper-edge pt-2">
        <Button weight="quiet" disabled={at === 0} onClick={() => setAt(at - 1)}>
          The one before
        </Button>
        <Button weight="quiet" onClick={next}>
          {at + 1 < standings.length ? 'The next one' : 'That was the last'}
        </Button>
      </div>
    </Dialog>
  )
}

function Looks({ title, looks }: { readonly title: string; readonly looks: readonly string[] }) {
  return (
    <section>
      <h3 className="font-bold">{title}</h3>
      <ul className="list-disc pl-5 text-sm">
        {looks.map((look) => (
          <li key={look}>{look}</li>
        ))}
      </ul>
    </section>
  )
}
