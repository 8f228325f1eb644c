import { localDateAt } from '@seriatim/core/calendar'
import type { PlanChange, KeptPlan } from '@seriatim/core/plan'
import { clockText, dayText, plural } from '../../shared/format/index.ts'

interface ChangesSinceProps {
  readonly before: KeptPlan
  readonly changes: readonly PlanChange[]
  readonly timeZone: string
}

/** What became of an earlier day's plan, in words. */
export function ChangesSince({ before, changes, timeZone }: ChangesSinceProps) {
  return (
    <section aria-labelledby="since" className="ticket p-4">
      <h2 id="since" className="text-xl">
        Since the plan of {dayText(before.takenAt, timeZone)}
      </h2>
      {changes.length === 0 ? (
        <p>Everything stands as it was planned.</p>
      ) : (
        <ul className="mt-1 list-disc pl-5">
          {changes.map((change, index) => (
            <li key={index}>{changeText(change, timeZone)}</li>
          ))}
        </ul>
      )}
    </section>
  )
}

function changeText(change: PlanChange, timeZone: string): string {
  const when = (moment: KeptPlan['takenAt']) => dayText(moment, timeZone)
  switch (change.kind) {
    case 'finish': {
      const sameDay = localDateAt(change.from, timeZone) === localDateAt(change.to, timeZone)
      const text = (moment: KeptPlan['takenAt']) => (sameDay ? clockText(moment, timeZone) : when(moment))
      const day = sameDay ? ` on ${when(change.to)}` : ''
      return `Done ${change.to > change.from ? 'later' : 'sooner'}${day}: ${text(change.from)} → ${text(change.to)}.`
    }
    case 'done':
      return change.works === change.ofPlanned
        ? `All ${plural(change.ofPlanned, 'stage')} planned until now ${change.ofPlanned === 1 ? 'is' : 'are'} done.`
        : `${String(change.works)} of ${plural(change.ofPlanned, 'stage')} planned until now ${change.works === 1 ? 'is' : 'are'} done.`
    case 'ahead':
      return `${plural(change.works, 'stage')} done ahead of the plan.`
    case 'session-lost':
      return `The session of ${when(change.startsAt)} fell out: nothing planned for it was done.`
    case 'slipped':
      return `${change.batchName}, ${change.stageName}: from ${when(change.from)} to ${when(change.to)}.`
    case 'new-work':
      return `${plural(change.works, 'stage')} new in the plan.`
    case 'gone':
      return `${plural(change.works, 'stage')} no longer to be done: the roster, the stages or the batches changed.`
  }
}
