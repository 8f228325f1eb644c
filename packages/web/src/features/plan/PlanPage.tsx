import {
  batchSizesText,
  largestBatchSize,
  planProblemText,
  runSheets,
  splitIntoBatches,
} from '@seriatim/core'
import { CalendarDays } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { useProjectChange } from '../../shared/api/index.ts'
import { durationText, plural, weekdayText } from '../../shared/format/index.ts'
import { ProjectSettingsForm } from '../../shared/project-settings-form.tsx'
import { useCurrentProject } from '../../shared/project-context.ts'
import { useProgress } from '../../shared/progress/index.ts'
import {
  Button,
  Dialog,
  EmptyState,
  ErrorState,
  Headline,
  LoadingState,
  Stepper,
} from '../../shared/ui/index.ts'
import { useNow } from '../../shared/use-now.ts'
import { useEstimate, useProjectInAir, useTimes } from '../../shared/working-project.ts'
import { useBatchSizeComparison, usePlan, usePlanningInput } from '../../shared/worker/index.ts'
import { BatchSizeChart } from './BatchSizeChart.tsx'
import { PlanFigures, planHeadline } from './PlanFigures.tsx'
import { RunSheetTicket } from './RunSheetTicket.tsx'
import { StringChart } from './StringChart.tsx'

const sheetsAtFirst = 3

export function PlanPage() {
  const project = useProjectInAir(useCurrentProject())
  const { progress, error, refetch } = useProgress(project.id)
  const estimate = useEstimate(project, progress)
  const input = usePlanningInput(project, progress, useTimes(estimate))
  const planned = usePlan(input)
  const comparison = useBatchSizeComparison(planned.data?.ok ? input : null)
  const now = useNow(60)
  const [allSheets, setAllSheets] = useState(false)
  const plan = planned.data?.ok ? planned.data.value : null
  const sheets = useMemo(() => (plan ? runSheets(plan, project) : []), [plan, project])

  if (error && !progress) return <ErrorState error={error} onRetry={() => void refetch()} />
  if (planned.error) return <ErrorState error={planned.error} onRetry={() => void planned.refetch()} />
  if (planned.data && !planned.data.ok) {
    const { kind } = planned.data.error
    const way = kind === 'no-models' ? 'roster' : kind === 'all-done' ? 'bench' : 'line'
    return (
      <>
        <Headline actions={<EveningsButton />}>
          {kind === 'all-done' ? 'Everything is painted' : 'Nothing to plan yet'}
        </Headline>
        <EmptyState
          title={kind === 'all-done' ? 'Well done' : 'What is missing'}
          actions={
            <Link to={`../${way}`} className="text-lg font-bold underline underline-offset-4">
              To the {way}
            </Link>
          }
        >
          <p>{planProblemText(planned.data.error)}</p>
        </EmptyState>
      </>
    )
  }
  if (!plan) return <LoadingState what="the plan" />

  const split = batchSizesText(splitIntoBatches(project, project))
  return (
    <>
      <Headline sub={<PlanFigures plan={plan} project={project} />} actions={<PlanControls />}>
        {planHeadline(plan, project)}
      </Headline>
      <div
        aria-busy={planned.isPlaceholderData}
        className={
          planned.isPlaceholderData ? 'outline-2 outline-offset-8 outline-rule outline-dashed' : undefined
        }
      >
        <StringChart plan={plan} project={project} now={now} />
        <h2 className="mt-8 mb-3 text-xl">{plural(sheets.length, 'evening')}, in order</h2>
        <div className="grid items-start gap-4 md:grid-cols-2 xl:grid-cols-3">
          {(allSheets ? sheets : sheets.slice(0, sheetsAtFirst)).map((sheet) => (
            <RunSheetTicket key={sheet.session.startsAt} sheet={sheet} project={project} />
          ))}
        </div>
        {sheets.length > sheetsAtFirst ? (
          <Button weight="quiet" onClick={() => setAllSheets(!allSheets)} aria-expanded={allSheets}>
            {allSheets
              ? 'Only the next evenings'
              : `The other ${plural(sheets.length - sheetsAtFirst, 'evening')}`}
          </Button>
        ) : null}
      </div>
      <div className="mt-8">
        <BatchSizeControl comparison={comparison} chosen={split} />
      </div>
    </>
  )
}

function BatchSizeControl({
  comparison,
  chosen,
}: {
  readonly comparison: ReturnType<typeof useBatchSizeComparison>
  readonly chosen: string
}) {
  const project = useCurrentProject()
  const setSettings = useSettings()
  return (
    <BatchSizeChart
      comparison={comparison}
      project={project}
      chosen={chosen}
      onChoose={({ batchSize, firstBatch, split }) =>
        setSettings({ batchSize, firstBatch }, `Batches of ${split}.`)
      }
    />
  )
}

/** The project's settings with some of them changed. */
function useSettings() {
  const project = useCurrentProject()
  const change = useProjectChange(project.id)
  const { id: _id, revision: _revision, units: _units, line: _line, ...settings } = project
  return (some: Partial<typeof settings>, said: string) =>
    change.mutate({ change: { kind: 'settings', settings: { ...settings, ...some } }, said })
}

function PlanControls() {
  const project = useCurrentProject()
  const setSettings = useSettings()
  const largest = largestBatchSize(project)
  const batches = splitIntoBatches(project, project).length
  const inHand = Math.min(project.batchesInHand ?? batches, batches)
  return (
    <>
      <Stepper
        label="Batch of"
        value={Math.min(project.batchSize, largest)}
        min={1}
        max={largest}
        onChange={(batchSize) => setSettings({ batchSize, firstBatch: null }, '')}
      />
      <Stepper
        label="In hand"
        value={inHand}
        min={1}
        max={batches}
        valueText={inHand >= batches ? 'all' : String(inHand)}
        onChange={(value) => setSettings({ batchesInHand: value >= batches ? null : value }, '')}
      />
      <EveningsButton />
    </>
  )
}

function EveningsButton() {
  const project = useCurrentProject()
  const setSettings = useSettings()
  const [open, setOpen] = useState(false)
  const { weekdays, lengthSeconds } = project.evenings
  return (
    <>
      <Button onClick={() => setOpen(true)}>
        <CalendarDays aria-hidden="true" size={18} />
        {weekdays.map(weekdayText).join(' · ')}, {durationText(lengthSeconds)}
      </Button>
      <Dialog open={open} onOpenChange={setOpen} title="Date and evenings">
        <ProjectSettingsForm
          settings={project}
          submitLabel="Save"
          busy={false}
          onSubmit={({ name, dueOn, evenings }) => {
            setSettings({ name, dueOn, evenings }, 'Date and evenings are saved.')
            setOpen(false)
          }}
        />
      </Dialog>
    </>
  )
}
