import { workName, type LinePlan, type Stretch } from '@seriatim/core/plan'
import { batchName, type Project } from '@seriatim/core/trade'
import { clockText, durationText, plural } from '../../shared/format/index.ts'
import type { BatchString } from './string-layout.ts'

interface StretchNoteProps {
  readonly hands: BatchString['hands'][number]
  readonly plan: LinePlan
  readonly project: Project
  readonly width: number
}

const noteWidth = 250

/** What one slanted line means. */
export function StretchNote({ hands: { stretch, to }, plan, project, width }: StretchNoteProps) {
  const batch = plan.batches.find((each) => each.id === stretch.batchId)
  const stage = project.line.find((each) => each.id === stretch.stageId)
  if (!batch || !stage) return null
  const { timeZone } = project.evenings
  const work = (stretch.endsAt - stretch.startsAt) / 1000
  const drying = (stretch.dryAt - stretch.endsAt) / 1000
  return (
    <div
      className="ticket pointer-events-none absolute z-5 p-3 text-sm shadow-lg"
      style={{
        width: noteWidth,
        left: Math.min(to.x + 12, width - noteWidth - 4),
        top: Math.max(0, to.y - 110),
      }}
    >
      <p className="font-heading text-base font-bold">
        {workName(stage, stretch, project, [batch.unitId])}, {batchName(batch)}
      </p>
      <p className="text-ink-soft">
        {clockText(stretch.startsAt, timeZone)}–{clockText(stretch.endsAt, timeZone)}: {durationText(work)}{' '}
        hands on {plural(stretch.modelIds.length, 'model')}
        {potText(stretch)}
        {drying > 0 ? `; then ${durationText(drying)} drying, to ${clockText(stretch.dryAt, timeZone)}` : ''}
      </p>
    </div>
  )
}

function potText({ opensPot, setUpSeconds }: Stretch): string {
  if (opensPot) return `, pot opened (${durationText(setUpSeconds)})`
  return setUpSeconds > 0 ? `, still on the palette (${durationText(setUpSeconds)})` : ', pot still open'
}
