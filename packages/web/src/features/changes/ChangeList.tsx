import { routes, type LoggedChange } from '@seriatim/contract'
import type { Project } from '@seriatim/core/trade'
import type { ProjectId } from '@seriatim/core/units'
import { useQuery } from '@tanstack/react-query'
import { call } from '../../shared/api/index.ts'
import { deviceId } from '../../shared/device.ts'
import { clockText, dayText, plural } from '../../shared/format/index.ts'
import { commandText, useProject, useTakeBack } from '../../shared/project/index.ts'
import { Button, ErrorState, LoadingState } from '../../shared/ui/index.ts'

const named = 3

export function ChangeList({ projectId }: { readonly projectId: ProjectId }) {
  const { project } = useProject(projectId)
  const { data, error, refetch } = useQuery({
    queryKey: ['changes', projectId, project?.revision],
    queryFn: ({ signal }) => call(routes.readChanges, { params: { id: projectId }, query: {} }, signal),
    placeholderData: (before) => before,
  })
  if (project && data) {
    if (data.changes.length === 0) return <p>Nothing was changed yet.</p>
    return (
      <ol>
        {data.changes.map((change) => (
          <Row key={change.id} change={change} project={project} />
        ))}
      </ol>
    )
  }
  if (error) return <ErrorState error={error} onRetry={() => void refetch()} isPart />
  return <LoadingState what="the changes" isPart />
}

function Row({ change, project }: { readonly change: LoggedChange; readonly project: Project }) {
  const takeBack = useTakeBack(project)
  const painter = project.planning.painters.find((each) => each.id === change.painter)?.name
  const texts = [...new Set(change.done.map((command) => commandText(command, project)))]
  const more = texts.length - named
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-paper-edge py-2">
      <span className="figures w-32 shrink-0 text-sm text-ink-soft">
        {dayText(change.at)} {clockText(change.at)}
      </span>
      <span className="min-w-52 grow">
        {texts.slice(0, named).join(' · ')}
        {more > 0 ? ` · and ${plural(more, 'more')}` : ''}
        <span className="block text-sm text-ink-soft">
          {change.signedBy ?? painter ?? 'Somebody'},{' '}
          {change.device === deviceId ? 'at this device' : 'at another device'}
        </span>
      </span>
      <Button disabled={change.undo.length === 0} onClick={() => takeBack(change)}>
        Take back
      </Button>
    </li>
  )
}
