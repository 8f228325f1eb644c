import { localDateAt } from '@seriatim/core/calendar'
import { whyThen, workName, type LinePlan, type Stretch } from '@seriatim/core/plan'
import { batchName, holderOf, meansBatch, type Planning, type Project } from '@seriatim/core/trade'
import { ChevronsUp, Hand, Pin, PinOff } from 'lucide-react'
import { Link } from 'react-router'
import { clockText, dayText, durationText, plural } from '../../shared/format/index.ts'
import { Button } from '../../shared/ui/index.ts'

interface StretchPanelProps {
  readonly stretch: Stretch
  readonly plan: LinePlan
  readonly project: Project
  readonly onPlanning: (planning: Planning, said: string) => void
}

/** A stretch of the plan in words: what, on which models, from which pot, and why then; and what to do about it. */
export function StretchPanel({ stretch, plan, project, onPlanning }: StretchPanelProps) {
  const batch = plan.batches.find((each) => each.id === stretch.batchId)
  const stage = project.line.find((each) => each.id === stretch.stageId)
  if (!batch || !stage) return null
  const { timeZone } = project.evenings
  const { planning } = project
  const names = new Map(batch.models.map((model) => [model.id, model.name]))
  const painter = plan.painters.length > 1 ? plan.painters[stretch.painter]?.name : undefined
  const pinned = planning.pins.some((pin) => isOf(pin, stretch, plan.batches))
  const others = plan.sessions
    .map((session, index) => ({ session, index }))
    .filter(({ session }) => session.painter === stretch.painter)
    .slice(0, 12)
  return (
    <div className="ticket mt-2 p-3" aria-live="polite">
      <p className="font-heading text-lg font-bold">
        {workName(stage, stretch, project, [batch.unitId])}, {batchName(batch)}
        {painter === undefined ? '' : `, by ${painter}`}
      </p>
      <p>
        {dayText(stretch.startsAt, timeZone)}{' '}
        <span className="figures">
          {clockText(stretch.startsAt, timeZone)}–{clockText(stretch.endsAt, timeZone)}
        </span>
        : {durationText((stretch.endsAt - stretch.startsAt) / 1000)} hands on{' '}
        {plural(stretch.modelIds.length, 'model')}
        {stretch.modelIds.length < batch.models.length
          ? ` (${stretch.modelIds.map((id) => names.get(id) ?? '').join(', ')})`
          : ''}
        . {potSentence(stretch, stage.material)} {whySentence(stretch, plan, project)}
        {stretch.dryAt > stretch.endsAt
          ? ` Then it dries to ${sameDayOr(stretch.dryAt, stretch.endsAt, timeZone)}.`
          : ''}
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        {pinned ? (
          <Button
            onClick={() =>
              onPlanning(
                { ...planning, pins: planning.pins.filter((pin) => !isOf(pin, stretch, plan.batches)) },
                `${stage.name} is no longer pinned.`,
              )
            }
          >
            <PinOff aria-hidden="true" size={18} /> Take the pin back
          </Button>
        ) : null}
        {stretch.touchUp === null ? (
          <label className="flex items-center gap-2 text-sm font-bold">
            <Pin aria-hidden="true" size={18} /> Pin to
            <select
              className="min-h-11 rounded-[3px] border-2 border-rule bg-paper px-2"
              value=""
              onChange={(event) => {
                const session = plan.sessions[Number(event.target.value)]
                if (session) onPlanning(...pinTo(stretch, session, project))
              }}
            >
              <option value="">a session</option>
              {others.map(({ session, index }) => (
                <option key={index} value={String(index)}>
                  {dayText(session.startsAt, timeZone)} {clockText(session.startsAt, timeZone)}
                </option>
              ))}
            </select>
          </label>
        ) : null}
        {plan.painters.length > 1 ? (
          <label className="flex items-center gap-2 text-sm font-bold">
            <Hand aria-hidden="true" size={18} /> In whose hands
            <span className="sr-only">: {batchName(batch)}</span>
            <select
              className="min-h-11 rounded-[3px] border-2 border-rule bg-paper px-2"
              value={holderOf(planning, batch.id, plan.batches)?.painterId ?? ''}
              onChange={(event) => onPlanning(...inHandsOf(event.target.value, batch, plan, planning))}
            >
              <option value="">whoever is free</option>
              {plan.painters.map((each) => (
                <option key={each.id} value={each.id}>
                  {each.name}
                </option>
              ))}
            </select>
          </label>
        ) : null}
        {holderOf(planning, batch.id, plan.batches) ? (
          <Link
            to="../paper?print=hand-over"
            className="min-h-11 content-center underline underline-offset-4"
          >
            The hand-over sheet
          </Link>
        ) : null}
        {planning.held.all ? null : (
          <>
            <Button onClick={() => onPlanning(...holding(planning, 'batches', batch.id, batchName(batch)))}>
              {planning.held.batches.includes(batch.id) ? 'Let it take any order' : 'Keep it to the row'}
              <span className="sr-only">: {batchName(batch)}</span>
            </Button>
            <Button onClick={() => onPlanning(...holding(planning, 'stages', stage.id, stage.name))}>
              {planning.held.stages.includes(stage.id)
                ? 'Let the stage move'
                : 'Keep the stage in its place of the row'}
            </Button>
          </>
        )}
        {planning.first[0] === batch.id ? null : (
          <Button
            onClick={() =>
              onPlanning(
                { ...planning, first: [batch.id, ...planning.first.filter((id) => id !== batch.id)] },
                `${batchName(batch)} first of all.`,
              )
            }
          >
            <ChevronsUp aria-hidden="true" size={18} /> {batchName(batch)} first of all
          </Button>
        )}
      </div>
    </div>
  )
}

const isOf = (pin: Planning['pins'][number], stretch: Stretch, batches: LinePlan['batches']) =>
  pin.stageId === stretch.stageId && meansBatch(pin.batchId, stretch.batchId, batches)

/** The plan's wishes with the stretch pinned to a session, and what to say of it. */
export function pinTo(
  { batchId, stageId }: Pick<Stretch, 'batchId' | 'stageId'>,
  session: LinePlan['sessions'][number],
  project: Project,
): [Planning, string] {
  const { timeZone } = project.evenings
  const { planning } = project
  const pin = {
    batchId,
    stageId,
    on: localDateAt(session.startsAt, timeZone),
    at: clockText(session.startsAt, timeZone),
  }
  const others = planning.pins.filter((each) => each.batchId !== batchId || each.stageId !== stageId)
  const name = project.line.find((stage) => stage.id === stageId)?.name ?? ''
  return [
    { ...planning, pins: [...others, pin] },
    `${name} is pinned to ${dayText(session.startsAt, timeZone)}.`,
  ]
}

/** The plan's wishes with a batch in the hands of one, or of whoever is free. */
function inHandsOf(
  painterId: string,
  batch: LinePlan['batches'][number],
  { batches, painters }: LinePlan,
  planning: Planning,
): [Planning, string] {
  const others = planning.holders.filter((holder) => !meansBatch(holder.id, batch.id, batches))
  const painter = painters.find(({ id }) => id === painterId)
  if (!painter) return [{ ...planning, holders: others }, `${batchName(batch)} goes to whoever is free.`]
  return [
    { ...planning, holders: [...others, { id: batch.id, painterId: painter.id }] },
    `${batchName(batch)} is in ${painter.name}’s hands.`,
  ]
}

/** Holds a batch or a stage to the row of the line, or lets it go. */
function holding<K extends 'batches' | 'stages'>(
  planning: Planning,
  what: K,
  id: Planning['held'][K][number],
  name: string,
): [Planning, string] {
  const ids: readonly string[] = planning.held[what]
  const isHeld = ids.includes(id)
  const next = isHeld ? ids.filter((each) => each !== id) : [...ids, id]
  const said = isHeld ? `${name} may be taken in any sound order.` : `${name} follows the stage order.`
  return [{ ...planning, held: { ...planning.held, [what]: next } }, said]
}

function potSentence({ opensPot, setUpSeconds }: Stretch, material: string): string {
  if (material === '') return ''
  const pot = `${material.slice(0, 1).toUpperCase()}${material.slice(1)}`
  if (opensPot) return `${pot}, opened now (${durationText(setUpSeconds)}).`
  return setUpSeconds > 0
    ? `${pot}, still on the palette (${durationText(setUpSeconds)}).`
    : `${pot}, still open.`
}

function whySentence(stretch: Stretch, plan: LinePlan, project: Project): string {
  const why = whyThen(plan, project, stretch)
  const nameOf = (of: Stretch) => {
    const stage = project.line.find((each) => each.id === of.stageId)?.name ?? ''
    const batch = plan.batches.find((each) => each.id === of.batchId)
    return batch && of.batchId !== stretch.batchId ? `${stage}, ${batchName(batch)}` : stage
  }
  switch (why.kind) {
    case 'pinned':
      return 'Then, because it is pinned to this session.'
    case 'put-off':
      return 'Left for this session, because in the one before it would have been waited for.'
    case 'opens-session':
      return 'Then, because the session begins.'
    case 'wet':
      return `Not sooner, because ${nameOf(why.after)} dries to ${clockText(why.after.dryAt, project.evenings.timeZone)}.`
    case 'hands':
      return `Then, because the hands come from ${nameOf(why.after)}.`
    case 'held':
      return 'Not sooner, because its place, its hours or another pair of hands were not free.'
  }
}

function sameDayOr(moment: Stretch['dryAt'], other: Stretch['endsAt'], timeZone: string): string {
  const clock = clockText(moment, timeZone)
  return localDateAt(moment, timeZone) === localDateAt(other, timeZone)
    ? clock
    : `${dayText(moment, timeZone)} ${clock}`
}
