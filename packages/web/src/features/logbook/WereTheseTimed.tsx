import { askedAbout, type ObservedTime } from '@seriatim/core/estimating'
import { seconds } from '@seriatim/core/units'
import { clockText, dayText, plural, stopwatchText } from '../../shared/format/index.ts'
import { useCurrentProject } from '../../shared/project/index.ts'
import { useRecorder } from '../../shared/progress/index.ts'
import { Button } from '../../shared/ui/index.ts'

/** Asked once, here and not at the desk: who says nothing has said no, and nothing is learned from a tick. */
export function WereTheseTimed({ observed }: { readonly observed: readonly ObservedTime[] }) {
  const project = useCurrentProject()
  const recorder = useRecorder(project)
  const asked = askedAbout(observed)
  if (asked.length === 0) return null
  const { timeZone } = project.evenings
  const stageName = (time: ObservedTime) =>
    project.line.find((stage) => stage.id === time.stageIds[0])?.name ?? 'A stage'
  const unitName = (time: ObservedTime) => project.units.find((unit) => unit.id === time.unitId)?.name ?? ''
  const answer = (time: ObservedTime, timed: boolean) =>
    recorder.correctLap(
      time.eventId,
      timed ? seconds(Math.max(1, Math.round(time.clockSeconds))) : null,
      timed ? 'timed, as asked' : 'ticked, not timed',
    )
  return (
    <section className="ticket mt-5 border-l-8 border-l-touch-up p-4" aria-labelledby="asked">
      <div className="flex flex-wrap items-center gap-x-4">
        <h2 id="asked" className="grow text-xl">
          {asked.length === 1 ? 'Was this timed, or ticked off?' : 'Were these timed, or ticked off?'}
        </h2>
        {asked.length > 1 ? (
          <Button onClick={() => asked.forEach((time) => answer(time, false))}>All ticked off</Button>
        ) : null}
      </div>
      <p className="text-sm text-ink-soft">
        Far quicker than such models take, or tapped as evenly as no brush works. Until you say they were
        timed, nothing is learned from them.
      </p>
      <ul className="mt-2">
        {asked.map((time) => (
          <li
            key={time.eventId}
            className="flex flex-wrap items-center gap-x-4 border-t border-paper-edge py-1"
          >
            <span className="min-w-0 grow basis-60">
              <b>{stageName(time)}</b>, {unitName(time)}
              <span className="block text-sm text-ink-soft">
                {plural(time.models, 'model')} in {stopwatchText(time.clockSeconds)}, expected{' '}
                {stopwatchText(time.expectedSeconds)} · {dayText(time.at, timeZone)}{' '}
                {clockText(time.at, timeZone)}
              </span>
            </span>
            <Button onClick={() => answer(time, true)}>Timed</Button>
            <Button onClick={() => answer(time, false)}>Ticked off</Button>
          </li>
        ))}
      </ul>
    </section>
  )
}
