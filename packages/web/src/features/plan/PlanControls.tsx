import { rulesOf } from '@seriatim/core/calendar'
import { CalendarDays, UsersRound } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { plural, hoursText } from '../../shared/format/index.ts'
import { useCurrentProject, useEdit, type ShownProject } from '../../shared/project/index.ts'
import { ProjectSettingsForm } from '../../shared/project-settings-form.tsx'
import { Button, Dialog } from '../../shared/ui/index.ts'

/** Beside the plan's headline: who paints, by when, and in which hours. */
export function PlanControls() {
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
