import { localDateAt, paintedBy } from '@seriatim/core/calendar'
import type { Room } from '@seriatim/core/estimating'
import type { FinishForecast } from '@seriatim/core/forecasting'
import { unplannedUnits, type LinePlan } from '@seriatim/core/plan'
import { mishapPresets } from '@seriatim/core/presets'
import { batchName, batchSizesText, type Project, dateOf } from '@seriatim/core/trade'
import { daysBetween, withCapital } from '@seriatim/core/units'
import { dueText, finishAndOddsText, lastCoatText, percentText } from '../../shared/finish-text.ts'
import { clockText, dayText, durationText, plural, decimalText } from '../../shared/format/index.ts'
import { Figure } from '../../shared/ui/index.ts'

/**
 * The answer: the day that holds in eight of ten simulations, with the odds of the date. Until they are worked out, the plan's
 * own end, and said to be that.
 */
export function planHeadline(
  plan: LinePlan,
  project: Project,
  forecast: (Pick<FinishForecast, 'p80' | 'odds'> & { readonly isFresh?: boolean }) | null,
): string {
  const { timeZone } = project.evenings
  if (unplannedUnits(plan).size > 0) return 'Not all of it can be planned'
  if (forecast && forecast.p80 !== null) return withCapital(finishAndOddsText(forecast, project))
  const finish = `Done by ${dayText(plan.finishesAt, timeZone)} if all goes as planned`
  if (project.dueOn === null) return finish
  const days = daysBetween(localDateAt(plan.finishesAt, timeZone), project.dueOn)
  if (plan.finishesAt > (paintedBy(dateOf(project), project) ?? 0))
    return `${finish}, ${plural(-days, 'day')} late`
  if (days === 0) return `${finish}, on the very day`
  return `${finish}, ${plural(days, 'day')} before the date`
}

interface PlanFiguresProps {
  readonly plan: LinePlan
  readonly project: Project
  readonly room: Room | undefined
}

/** The figures behind the headline; each opens to how it came about. */
export function PlanFigures({ plan, project, room }: PlanFiguresProps) {
  const { timeZone } = project.evenings
  const when = (moment: LinePlan['finishesAt']) =>
    `${dayText(moment, timeZone)} ${clockText(moment, timeZone)}`
  const lastCoat = lastCoatText(project)
  const work = plan.handsOnSeconds - plan.setUpSeconds
  return (
    <p className="flex flex-wrap gap-x-4 gap-y-1">
      {lastCoat === null ? null : <b>{lastCoat}</b>}
      <span>
        if all goes as planned{' '}
        <Figure
          name="The plan’s own end"
          explanation={
            <>
              <p>
                {when(plan.finishesAt)}: if the room the plan leaves in each session is what it takes. The
                headline names the day that holds in eight of ten simulations, once they are worked out.
              </p>
              <p>Source: the plan below, and the odds under it.</p>
            </>
          }
        >
          {dayText(plan.finishesAt, timeZone)}
        </Figure>
      </span>
      {room && plan.room > 0 ? (
        <span>
          room in each session{' '}
          <Figure
            name="Room in each session"
            explanation={<RoomWhy plan={plan} project={project} room={room} />}
          >
            {durationText(roomSeconds(plan, project))}
          </Figure>
        </span>
      ) : null}
      <span>
        hands-on{' '}
        <Figure
          name="Hands-on time left"
          explanation={
            <>
              <p>
                Minutes a model × models still to do, plus a set-up for every pot opened: {durationText(work)}{' '}
                + {durationText(plan.setUpSeconds)} = {durationText(plan.handsOnSeconds)}.
              </p>
              <p>
                Source: the estimates; open a stage under Stages, and it shows what its minutes are made of.
              </p>
            </>
          }
        >
          {durationText(plan.handsOnSeconds)}
        </Figure>
      </span>
      <span>
        idle waits{' '}
        <Figure
          name="Idle waits, and waits covered by other work"
          explanation={
            <>
              <p>
                A batch of n at t minutes hides (n − 1) · t of its drying by itself; other batches, bases and
                nights hide more. What is left is sitting and waiting: {durationText(plan.exposedSeconds)}.
              </p>
              <p>
                {durationText(plan.hiddenSeconds)} of drying that a later stage has to wait for are covered by
                other work.
              </p>
              <p>Source: the middle of each drying range in the stages.</p>
            </>
          }
        >
          {durationText(plan.exposedSeconds)}
        </Figure>
        , {durationText(plan.hiddenSeconds)} covered by other work
      </span>
      <span>
        together{' '}
        <Figure name="Who goes together" explanation={<TogetherWhy plan={plan} />}>
          {togetherText(plan)}
        </Figure>
      </span>
      <span>
        <Figure
          name="Paint changes"
          explanation={
            <p>
              A paint is taken to hand when the stage before used another one, and anew every session. Batches
              that follow one another at the same stage share it.
            </p>
          }
        >
          {plural(plan.potOpenings, 'paint change')}
        </Figure>
      </span>
      <span>
        first batch{' '}
        <Figure
          name="First finished batch"
          explanation={<p>The first batch through all its stages and dry: {when(plan.firstBatchAt)}.</p>}
        >
          {dayText(plan.firstBatchAt, timeZone)}
        </Figure>
      </span>
      <span>
        <Figure
          name="How good this plan is"
          explanation={<Goodness plan={plan} project={project} when={when} />}
        >
          {goodnessText(plan, timeZone)}
        </Figure>
      </span>
    </p>
  )
}

/** So many batches are told one by one. */
const fewBatches = 8

/** Those of which something is left to do. */
export function batchesLeft({ batches, stretches }: LinePlan): LinePlan['batches'] {
  const left = new Set(stretches.map(({ batchId }) => batchId))
  return batches.filter(({ id }) => left.has(id))
}

/** `10 · 10 · 5`, or how many there are. */
function togetherText(plan: LinePlan): string {
  const batches = batchesLeft(plan)
  return batches.length > fewBatches ? plural(batches.length, 'batch', 'batches') : batchSizesText(batches)
}

function TogetherWhy({ plan }: { readonly plan: LinePlan }) {
  const batches = batchesLeft(plan)
  return (
    <>
      <p>
        {batches.map((batch) => `${batchName(batch)}: ${plural(batch.models.length, 'model')}`).join(', ')}.
      </p>
      <p>
        The plan decides: it lays the units whole, and divided into two, three and four, and takes what is
        done in the soonest session; of those alike, the fewest changes of paint. “Together” and “At once” say
        what you would rather have.
      </p>
    </>
  )
}

/** Of a usual evening, to the minute. */
function roomSeconds(plan: LinePlan, { evenings }: Project): number {
  return Math.round((plan.room * evenings.lengthSeconds) / 60) * 60
}

function RoomWhy({
  plan,
  project,
  room,
}: {
  readonly plan: LinePlan
  readonly project: Project
  readonly room: Room
}) {
  return (
    <>
      <p>
        Every session is laid {percentText(1 - plan.room)} full, so that the plan’s end is the one in the
        middle of all simulations: {percentText(room.skipped)} of sessions fall out, and the work takes{' '}
        {percentText(room.longer - 1)} longer than the sum of likely times, since slow models weigh more than
        quick ones save, some models slip ({percentText(mishapPresets.slips)}) and some months are slow.
      </p>
      <p>
        1 − (1 − {percentText(room.skipped)}) ÷ {decimalText(room.longer, 2)} = {percentText(plan.room)} of{' '}
        {durationText(project.evenings.lengthSeconds)}. Laps make it smaller.
      </p>
      <p>
        Source: the share of sessions is set under Sessions, the rest comes of the estimates and their ranges.
      </p>
    </>
  )
}

function goodnessText(plan: LinePlan, timeZone: string): string {
  const best = localDateAt(plan.earliestFinishAt, timeZone)
  const days = daysBetween(best, localDateAt(plan.finishesAt, timeZone))
  if (plan.gap < 0.0005) return 'proved best'
  return days === 0 ? 'the best possible day' : `could be up to ${plural(days, 'day')} sooner`
}

interface GoodnessProps extends Omit<PlanFiguresProps, 'room'> {
  readonly when: (moment: LinePlan['finishesAt']) => string
}

function Goodness({ plan, project, when }: GoodnessProps) {
  const limited = plan.habits.stageByStage < plan.finishesAt
  return (
    <>
      <p>
        Finish: <b>{when(plan.finishesAt)}</b>. No plan at all can finish before {when(plan.earliestFinishAt)}{' '}
        (the work laid without a gap, or the longest batch alone, whichever is later).
      </p>
      <p>
        By hand habit: a batch to its end, then the next: {when(plan.habits.batchByBatch)}. Every stage over
        everything: {when(plan.habits.stageByStage)}.
      </p>
      {limited && project.batchesInHand !== null ? (
        <p>
          That habit is sooner because it has every model in hand at once; here at most{' '}
          {plural(project.batchesInHand, 'batch', 'batches')} may be. Set “At once” to any to lift this.
        </p>
      ) : null}
      {project.dueOn === null ? null : <p>The date: {dueText(project)}.</p>}
    </>
  )
}
