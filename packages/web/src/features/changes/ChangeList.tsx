import { changesAtOnce, routes, type LoggedChange, type NewChange } from '@seriatim/contract'
import type { Project } from '@seriatim/core/trade'
import type { ProjectId } from '@seriatim/core/units'
import { useInfiniteQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { call } from '../../shared/api/index.ts'
import { deviceId } from '../../shared/device.ts'
import { clockText, dayText, plural } from '../../shared/format/index.ts'
import {
  commandText,
  revisionOf,
  useProject,
  useTakeBack,
  type ShownProject,
} from '../../shared/project/index.ts'
import { useWaiting } from '../../shared/outbox/index.ts'
import { Button, ErrorState, LoadingState } from '../../shared/ui/index.ts'

const named = 3

export function ChangeList({ projectId }: { readonly projectId: ProjectId }) {
  const { project, error, refetch } = useProject(projectId)
  if (project) return <Changes project={project} />
  if (error) return <ErrorState error={error} onRetry={() => void refetch()} isPart />
  return <LoadingState what="the changes" isPart />
}

function Changes({ project }: { readonly project: ShownProject }) {
  const { asOf, show, follow } = useAsOf(project)
  const log = useInfiniteQuery({
    queryKey: ['changes', project.id, asOf],
    queryFn: ({ signal, pageParam }) =>
      call(routes.readChanges, { params: { id: project.id }, query: { before: pageParam } }, signal),
    initialPageParam: asOf + 1,
    getNextPageParam: ({ changes }) =>
      changes.length < changesAtOnce ? undefined : changes.at(-1)?.revision,
    placeholderData: (before) => before,
  })
  const takeBack = useTakeBack(project)
  if (!log.data) {
    if (log.error) return <ErrorState error={log.error} onRetry={() => void log.refetch()} isPart />
    return <LoadingState what="the changes" isPart />
  }
  const changes = log.data.pages.flatMap((page) => page.changes)
  if (changes.length === 0 && asOf === project.revision) return <p>Nothing was changed yet.</p>
  const newer = project.revision - asOf
  return (
    <>
      <p role="status" className="mb-2 flex min-h-11 items-center gap-4 text-ink-soft">
        {newer > 0 ? (
          <>
            {plural(newer, 'newer change')} <Button onClick={show}>Show</Button>
          </>
        ) : (
          'Nothing newer.'
        )}
      </p>
      <ol>
        {changes.map((change) => (
          <Row
            key={change.id}
            change={change}
            project={project}
            onTakeBack={() => follow(takeBack(change))}
          />
        ))}
      </ol>
      {log.hasNextPage ? (
        <Button
          className="mt-2"
          onClick={() => {
            if (!log.isFetchingNextPage) void log.fetchNextPage()
          }}
        >
          {log.isFetchingNextPage ? 'Looking for older changes …' : 'Show older changes'}
        </Button>
      ) : null}
      {log.isFetchNextPageError ? (
        <p role="alert" className="mt-2 font-bold text-hands">
          {log.error.message}
        </p>
      ) : null}
    </>
  )
}

/**
 * Up to which revision the list goes: what is written while it is open would move its rows under a finger, so it comes
 * where it is asked for, and where it was on its way from here at the opening or is the taking back of a row.
 */
function useAsOf(project: ShownProject) {
  const waiting = useWaiting(project.id)
  const [asOf, setAsOf] = useState(project.revision)
  const [followed, setFollowed] = useState(() => waiting.map(({ change }) => change.id))
  const reached = Math.max(0, ...followed.map((id) => revisionOf(id) ?? 0))
  if (reached > asOf) setAsOf(Math.max(reached, project.revision))
  return {
    asOf,
    show: () => setAsOf(project.revision),
    follow: (change: NewChange | null) => change && setFollowed([...followed, change.id]),
  }
}

interface RowProps {
  readonly change: LoggedChange
  readonly project: Project
  readonly onTakeBack: () => void
}

function Row({ change, project, onTakeBack }: RowProps) {
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
      <Button disabled={change.undo.length === 0} onClick={onTakeBack}>
        Take back
      </Button>
    </li>
  )
}
