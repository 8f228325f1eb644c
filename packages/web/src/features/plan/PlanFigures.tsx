import {
  daysBetween,
  endOfDay,
  localDateAt,
  type FinishForecast,
  type LinePlan,
  type Project,
} from '@seriatim/core'
import { clockText, dateText, dayText, durationText, plural } from '../../shared/format/index.ts'
import { Figure } from '../../shared/ui/index.ts'
import { percentText } from './offer-text.ts'

/**
 * The answer: the day that holds in eight of ten futures, with the odds of the date. Until they are worked out, the plan's
 * own end, and said to be that.
 */
export function planHeadline(
  plan: LinePlan,
  project: Project,
  forecast: Pick<FinishForecast, 'p80' | 'odds'> | null,
): string {
  const { timeZone } = project.evenings
  const p80 = forecast?.p80 ?? null
  if (forecast && p80 !== null) {
    const sure = `Done by ${dayText(p80, timeZone)}, in 8 of 10 cases`
    return forecast.odds === null ? sure : `${sure}; odds of the date ${percentText(forecast.odds)}`
  }
  const finish = `Done by ${dayText(plan.finishesAt, timeZone)} if all goes as planned`
  if (project.dueOn === null) return finish
  const days = daysBetween(localDateAt(plan.finishesAt, timeZone), project.dueOn)
  if (plan.finishesAt > endOfDay(project.dueOn, timeZone)) return `${finish}, ${plural(-days, 'day')} late`
  if (days === 0) return `${finish}, on the very day`
  return `${finish}, ${plural(days, 'day')} before the date`
}

interface PlanFiguresProps {
  readonly plan: LinePlan
  readonly project: Project
}

/** The figures behind the headline; each opens to how it came about. */
export function PlanFigures({ plan, project }: PlanFiguresProps) {
  const { timeZone } = project.evenings
  const when = (moment: LinePlan['finishesAt']) =>
    `${dayText(moment, timeZone)} ${clockText(moment, timeZone)}`
  const work = plan.handsOnSeconds - plan.setUpSeconds
  return (
    <p className="flex flex-wrap gap-x-4 gap-y-1">
      <span>
        if all goes as planned{' '}
        <Figure
          name="The plan’s own end"
          explanation={
            <>
              <p>
                {when(plan.finishesAt)}: if every session happens, every guess is met and nothing slips. The
                headline names the day that holds in eight of ten futures, once they are worked out.
              </p>
              <p>Source: the plan below, and the odds under it.</p>
            </>
          }
        >
          {dayText(plan.finishesAt, timeZone)}
        </Figure>
      </span>
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
                Source: the estimates; open a stage on the line, and it shows what its minutes are made of.
              </p>
            </>
          }
        >
          {durationText(plan.handsOnSeconds)}
        </Figure>
      </span>
      <span>
        waits at the desk{' '}
        <Figure
          name="Drying, exposed and hidden"
          explanation={
            <>
              <p>
                A batch of n at t minutes hides (n − 1) · t of its drying by itself; other batches, bases and
                nights hide more. What is left is sitting and waiting: {durationText(plan.exposedSeconds)}.
              </p>
              <p>
                {durationText(plan.hiddenSeconds)} of drying that a later stage has to wait for are hidden.
              </p>
              <p>Source: the middle of each drying range in the line.</p>
            </>
          }
        >
          {durationText(plan.exposedSeconds)}
        </Figure>
        , hidden {durationText(plan.hiddenSeconds)}
      </span>
      <span>
        <Figure
          name="Pot openings"
          explanation={
            <p>
              A pot is opened when the stage before used another one, and anew every evening. Batches that
              follow one another at the same stage share it.
            </p>
          }
        >
          {plural(plan.potOpenings, 'pot')} opened
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
        how good?{' '}
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

function goodnessText(plan: LinePlan, timeZone: string): string {
  const best = localDateAt(plan.earliestFinishAt, timeZone)
  const days = daysBetween(best, localDateAt(plan.finishesAt, timeZone))
  if (plan.gap < 0.0005) return 'proved best'
  return days === 0 ? 'the best possible day' : `at most ${plural(days, 'day')} off the best`
}

interface GoodnessProps extends PlanFiguresProps {
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
          {plural(project.batchesInHand, 'batch', 'batches')} may be. Set “In hand” to all to lift this.
        </p>
      ) : null}
      {project.dueOn === null ? null : <p>The date: {dateText(project.dueOn)}.</p>}
    </>
  )
}
