import { surprises, type LineEstimate } from '@seriatim/core/estimating'
import { useMemo } from 'react'
import { durationText, plural } from '../../shared/format/index.ts'
import { useCurrentProject } from '../../shared/project/index.ts'

const shown = 5

/** The stages that went furthest from what was expected, on which unit and by how much. */
export function Surprises({ estimate }: { readonly estimate: LineEstimate }) {
  const { line, units } = useCurrentProject()
  const found = useMemo(() => surprises(estimate.observed), [estimate])
  if (found.length === 0) return null
  return (
    <section className="ticket mt-5 p-4" aria-labelledby="surprises">
      <h2 id="surprises" className="text-xl">
        The biggest surprises
      </h2>
      <p className="text-sm text-ink-soft">
        What the clock showed against the presets for the same models; the estimates have learned it since.
      </p>
      <ul className="mt-1">
        {found.slice(0, shown).map(({ stageId, unitId, models, tookSeconds, expectedSeconds }) => {
          const more = tookSeconds > expectedSeconds
          return (
            <li
              key={`${stageId} ${unitId}`}
              className="grid grid-cols-[minmax(0,1fr)_auto] items-baseline gap-x-4 border-t border-paper-edge py-1.5 sm:grid-cols-[minmax(0,1fr)_15rem_9rem]"
            >
              <span className="min-w-0">
                <b>
                  {line.find((stage) => stage.id === stageId)?.name ?? 'a stage no longer among the stages'}
                </b>
                <span className="text-sm text-ink-soft">
                  {' '}
                  {units.find((unit) => unit.id === unitId)?.name ?? ''}, {plural(models, 'model')}
                </span>
              </span>
              <span className="figures text-sm">
                {durationText(tookSeconds)}, expected {durationText(expectedSeconds)}
              </span>
              <b className={`text-right ${more ? 'text-touch-up' : 'text-done'}`}>
                {durationText(Math.abs(tookSeconds - expectedSeconds))} {more ? 'more' : 'less'}
              </b>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
