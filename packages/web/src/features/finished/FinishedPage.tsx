import type { StageReport, UnitReport } from '@seriatim/core/estimating'
import { stageNameFor } from '@seriatim/core/ordering'
import { lessonsOf, type Progress } from '@seriatim/core/progress'
import { saysPot, stagesOf, type Unit } from '@seriatim/core/trade'
import { useMemo } from 'react'
import { Link, useParams } from 'react-router'
import { useCurrentFigures, type ShownSources } from '../../shared/figures.ts'
import { durationText, plural, rangeText, stopwatchText } from '../../shared/format/index.ts'
import { LessonList } from '../../shared/lessons.tsx'
import { ModelPictures } from '../../shared/model-pictures.tsx'
import { useCurrentProject } from '../../shared/project/index.ts'
import { RecipePicture } from '../../shared/recipe-picture.tsx'
import { EmptyState, ErrorState, Headline, LoadingState, ScrollRegion } from '../../shared/ui/index.ts'
import { useLooks, useUnitReport } from '../../shared/worker/index.ts'

/** A unit as it was painted, worth keeping: what it took, what it taught, what comes next. */
export function FinishedPage() {
  const { written: project, progress, sources, error, refetch } = useCurrentFigures()
  const { unitId } = useParams()
  const unit = project.units.find((each) => each.id === unitId)
  if (!unit) {
    return (
      <EmptyState title="There is no such unit">
        <Link to="../roster" className="font-bold underline underline-offset-4">
          To the roster
        </Link>
      </EmptyState>
    )
  }
  if (sources && progress) return <Finished key={unit.id} unit={unit} sources={sources} progress={progress} />
  if (error) return <ErrorState error={error} onRetry={refetch} />
  return <LoadingState what="how it went" />
}

interface FinishedProps {
  readonly unit: Unit
  readonly sources: ShownSources
  readonly progress: Progress
}

function Finished({ unit, sources, progress }: FinishedProps) {
  const project = useCurrentProject()
  const report = useUnitReport(sources, unit)
  const lessons = useMemo(() => {
    const own = new Set(stagesOf(project, unit.id).map(({ id }) => id))
    return lessonsOf(project, progress).filter(({ stageId }) => own.has(stageId))
  }, [project, progress, unit.id])
  if (!report) return <LoadingState what="how it went" />
  const next = project.units.find(
    (each) =>
      each.id !== unit.id && each.models.some((model) => (progress.marks.get(model.id)?.size ?? 0) === 0),
  )
  const [first] = unit.models
  return (
    <>
      <Headline
        sub={<p>{againText(report)}</p>}
        actions={
          <Link
            to={next ? '../bench' : '/new'}
            className="inline-flex min-h-11 items-center rounded-[3px] border-2 border-ink bg-ink px-4 font-bold text-paper"
          >
            {next ? `Next: ${next.name}` : 'The next project'}
          </Link>
        }
      >
        {headlineOf(unit, report)}
      </Headline>
      <div className="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <StageTimes unit={unit} stages={report.stages} />
        <div className="grid gap-4">
          <Looks unit={unit} sources={sources} />
          {first ? <ModelPictures project={project} model={first} /> : null}
        </div>
      </div>
      <LessonList title="Worth knowing the next time" lessons={lessons} />
    </>
  )
}

/** `Reed-pikes are done: 12 models, 6 h 10 on the clock, 40 min less than expected` */
function headlineOf({ name, models }: Unit, report: UnitReport): string {
  const done = report.isDone ? 'done' : 'not done yet'
  const difference = report.clockSeconds - report.expectedSeconds
  const against =
    Math.abs(difference) < 60
      ? 'as expected'
      : `${durationText(Math.abs(difference))} ${difference > 0 ? 'more' : 'less'} than expected`
  const clock =
    report.clockSeconds > 0 ? `, ${durationText(report.clockSeconds)} on the clock, ${against}` : ''
  return `${name}: ${plural(models.length, 'model')} ${done}${clock}`
}

function againText({ againBefore, againNow, timedShare }: UnitReport): string {
  const seen =
    timedShare > 0.99 ? '' : ` The clock saw ${String(Math.round(timedShare * 100))} of 100 minutes of it.`
  return `Such a unit would take ${rangeText(againNow)} from now on; before this one it was ${rangeText(againBefore)}.${seen}`
}

function Looks({ unit, sources }: { readonly unit: Unit; readonly sources: ShownSources }) {
  const { recipes } = useCurrentProject()
  const recipe = recipes.find((each) => each.unitIds.includes(unit.id))
  return recipe ? <LooksOf unit={unit} sources={sources} recipe={recipe} /> : null
}

function LooksOf({
  unit,
  sources,
  recipe,
}: {
  readonly unit: Unit
  readonly sources: ShownSources
  readonly recipe: Parameters<typeof useLooks>[1]
}) {
  const units = useMemo(() => [unit], [unit])
  const [first] = useLooks(sources, recipe, units)?.views ?? []
  return first ? <RecipePicture name={`${unit.name}, as the recipe has them`} bands={first.bands} /> : null
}

function StageTimes({ unit, stages }: { readonly unit: Unit; readonly stages: readonly StageReport[] }) {
  const { recipes } = useCurrentProject()
  return (
    <section className="ticket p-4" aria-labelledby="times">
      <h2 id="times" className="text-xl">
        Minutes a model, with the set-ups that the clock saw
      </h2>
      <ScrollRegion label="Minutes a model, stage by stage">
        <table className="w-full min-w-[28rem] text-left">
          <thead className="text-sm text-ink-soft">
            <tr>
              <th scope="col">Stage</th>
              <th scope="col" className="px-3 text-right">
                Expected
              </th>
              <th scope="col" className="px-3 text-right">
                Clock
              </th>
              <th scope="col" className="text-right">
                Next time
              </th>
            </tr>
          </thead>
          <tbody>
            {stages.map(({ stage, expectedSeconds, clockSeconds, nowSeconds }) => (
              <tr key={stage.id} className="border-t border-paper-edge">
                <th scope="row" className="py-1.5 font-normal">
                  {stageNameFor(stage, recipes, [unit.id])}
                  {saysPot(stage) || stage.material === '' ? null : (
                    <span className="text-sm text-ink-soft"> {stage.material}</span>
                  )}
                </th>
                <td className="figures px-3 text-right text-sm">{stopwatchText(expectedSeconds)}</td>
                <td className="figures px-3 text-right font-bold">
                  {clockSeconds === null ? '–' : stopwatchText(clockSeconds)}
                </td>
                <td className="figures text-right text-sm">{stopwatchText(nowSeconds)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </ScrollRegion>
    </section>
  )
}
