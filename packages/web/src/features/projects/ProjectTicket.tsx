import type { ProjectSummary } from '@seriatim/contract'
import { withCapital } from '@seriatim/core/units'
import { useQueryClient } from '@tanstack/react-query'
import { Download, Trash2 } from 'lucide-react'
import { Link } from 'react-router'
import { toast } from 'sonner'
import { exportProjectFile, projectListQuery, setProjectRemoved } from '../../shared/api/index.ts'
import { saveText } from '../../shared/csv/index.ts'
import { finishText } from '../../shared/finish-text.ts'
import { dateText, dayText, durationText, plural, shareDoneText } from '../../shared/format/index.ts'
import { IconButton } from '../../shared/ui/index.ts'

export function ProjectTicket({ project }: { readonly project: ProjectSummary }) {
  const client = useQueryClient()
  const done = project.totalSeconds === 0 ? 0 : 1 - project.leftSeconds / project.totalSeconds

  const setRemoved = async (removed: boolean) => {
    await setProjectRemoved(project.id, removed)
    await client.invalidateQueries({ queryKey: projectListQuery.queryKey })
  }
  const remove = () => {
    setRemoved(true).then(() => {
      toast(`${project.name} is put away.`, {
        action: { label: 'Undo', onClick: () => void setRemoved(false).catch(complain) },
      })
    }, complain)
  }
  const save = () => {
    exportProjectFile(project.id).then(
      (text) => saveText(`${project.name}.seriatim.json`, text, 'application/json'),
      complain,
    )
  }

  return (
    <article className="ticket p-5">
      <div className="flex items-start gap-2">
        <h2 className="grow text-xl">
          <Link to={`/projects/${project.id}`} className="underline-offset-4 hover:underline">
            {project.name}
          </Link>
        </h2>
        <IconButton label={`Save ${project.name} as a file`} onClick={save}>
          <Download aria-hidden="true" size={18} />
        </IconButton>
        <IconButton label={`Put ${project.name} away`} onClick={remove}>
          <Trash2 aria-hidden="true" size={18} />
        </IconButton>
      </div>
      <p className="text-ink-soft">
        {plural(project.models, 'model')}, {plural(project.stages, 'stage')}
        {project.dueOn === null ? ', no date' : `, due ${dateText(project.dueOn)}`}
      </p>
      <div className="mt-4 h-3 border border-rule bg-paper-dim" aria-hidden="true">
        <div className="h-full bg-done" style={{ width: `${String(done * 100)}%` }} />
      </div>
      <p className="mt-2">
        <b>{shareDoneText(done)} of the work done</b>, {durationText(project.leftSeconds)} left;{' '}
        {project.modelsTableReady} of {project.models} table-ready
      </p>
      {project.finish && project.leftSeconds > 0 ? <p>{finishSaid(project.finish)}</p> : null}
    </article>
  )
}

/** `Done by Thu 7 Jan in 8 of 10 cases, as of Tue 24 Nov`: as the project's own pages said it last. */
function finishSaid({ doneBy, saidAt }: NonNullable<ProjectSummary['finish']>): string {
  return `${withCapital(finishText({ p80: doneBy }))}, as of ${dayText(saidAt)}`
}

function complain(error: unknown): void {
  toast.error(error instanceof Error ? error.message : String(error))
}
