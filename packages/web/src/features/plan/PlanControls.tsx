import { hoursText, rulesOf } from '@seriatim/core/calendar'
import type { Progress } from '@seriatim/core/progress'
import { noBatchWish, type LinePlan } from '@seriatim/core/plan'
import { largestBatchSize } from '@seriatim/core/trade'
import { CalendarDays, UsersRound } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { plural } from '../../shared/format/index.ts'
import { useCurrentProject, useEdit, useSettings, type ShownProject } from '../../shared/project/index.ts'
import { ProjectSettingsForm } from '../../shared/project-settings-form.tsx'
import { Button, Dialog, Stepper } from '../../shared/ui/index.ts'
import { useBatchSize } from './use-batch-size.ts'

/** What is wished of a plan beside its headline: how many models at most go together, how many batches are begun at once, and when. */
export function PlanControls({
  plan,
  progress,
}: {
  readonly plan: LinePlan
  readonly progress: Progress | undefined
}) {
  const project = useCurrentProject()
  const setSettings = useSettings()
  const setBatchSize = useBatchSize(project, plan, progress)
  const largest = largestBatchSize(project)
  const batches = plan.batches.length
  const together = Math.min(project.batchSize, largest)
  const inHand = Math.min(project.batchesInHand ?? batches, batches)
  return (
    <>
      <Stepper
        label="Together"
        value={together}
        min={1}
        max={largest}
        valueText={together === largest ? 'any' : String(together)}
        onChange={(value) =>
          setBatchSize(
            { batchSize: value === largest ? noBatchWish(project).batchSize : value, firstBatch: null },
            '',
          )
        }
      />
      <Stepper
        label="At once"
        value={inHand}
        min={1}
        max={batches}
        valueText={inHand >= batches ? 'any' : String(inHand)}
        onChange={(value) => setSettings({ batchesInHand: value >= batches ? null : value }, '')}
      />
      <EveningsButton />
    </>
  )
}

export function EveningsButton() {
  const project = useCurrentProject()
  const edit = useEdit()
  /** The project as the open form shows it. */
  const [opened, setOpened] = useState<ShownProject | null>(null)
  const painters = project.planning.painters.length
  return (
    <>
      <Link
        to="../sessions"
        className="ticket inline-flex min-h-11 items-center gap-2 px-3 font-bold hover:underline"
      >
        <UsersRound aria-hidden="true" size={18} />
        {painters > 1 ? plural(painters, 'painter') : 'Sessions'}
      </Link>
      <Button onClick={() => setOpened(project)}>
        <CalendarDays aria-hidden="true" size={18} />
        {hoursText(rulesOf(project.evenings))}
      </Button>
      <Dialog open={opened !== null} onOpenChange={() => setOpened(null)} title="Date and evenings">
        <ProjectSettingsForm
          settings={opened ?? project}
          submitLabel="Save"
          busy={false}
          onSubmit={({ name, dueOn, evenings, planning: { handOver } }) => {
            const from = opened ?? project
            const planning = { ...from.planning, handOver }
            edit(from, { ...from, name, dueOn, evenings, planning }, 'Date and evenings are saved.')
            setOpened(null)
          }}
        />
      </Dialog>
    </>
  )
}
