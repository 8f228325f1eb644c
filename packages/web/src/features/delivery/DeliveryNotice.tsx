import { useCallback, useState } from 'react'
import { toast } from 'sonner'
import type { ProjectId } from '@seriatim/core/units'
import { useParams } from 'react-router'
import { useIsRemembered } from '../../shared/progress/index.ts'
import { plural } from '../../shared/format/index.ts'
import { Button } from '../../shared/ui/index.ts'
import { NotDelivered } from './NotDelivered.tsx'
import { refusedToast, useDelivery } from './use-delivery.ts'

/** Says what is on its way to the server and cannot get there, and what the server did not take. */
export function DeliveryNotice() {
  const [open, setOpen] = useState(false)
  const look = useCallback(() => {
    toast.dismiss(refusedToast)
    setOpen(true)
  }, [])
  const { waiting, refused, trouble, unsaved } = useDelivery(look)
  const { projectId } = useParams()
  return (
    <div className="mx-auto max-w-[1360px] px-4 sm:px-6">
      <div role="status">
        {trouble !== null && waiting.length > 0 ? (
          <p className="ticket mt-3 flex flex-wrap items-center gap-x-4 gap-y-1 border-l-8 border-l-touch-up px-4 py-2">
            <span className="grow">
              <b>{trouble}</b> Go on painting: {plural(waiting.length, 'entry', 'entries')}{' '}
              {waiting.length === 1 ? 'is' : 'are'} kept in this browser and sent as soon as it runs again.
            </span>
            <Button weight="quiet" onClick={look}>
              What waits
            </Button>
          </p>
        ) : null}
        {projectId !== undefined && waiting.length === 0 ? (
          <Remembered projectId={projectId as ProjectId} />
        ) : null}
        {unsaved > 0 ? (
          <p className="ticket mt-3 border-l-8 border-l-hands px-4 py-2">
            <b>This browser’s storage is full.</b> {plural(unsaved, 'entry', 'entries')}{' '}
            {unsaved === 1 ? 'is' : 'are'} kept only while this page is open: leave it open until the server
            has {unsaved === 1 ? 'it' : 'them'}, or write {unsaved === 1 ? 'it' : 'them'} to a file.{' '}
            <Button weight="quiet" onClick={look}>
              To the list
            </Button>
          </p>
        ) : null}
        {refused.length > 0 ? (
          <p className="ticket mt-3 flex flex-wrap items-center gap-x-4 gap-y-1 border-l-8 border-l-hands px-4 py-2">
            <span className="grow">
              <b>{plural(refused.length, 'entry', 'entries')} the server did not take.</b> Nothing of it is
              lost: look at it, and decide.
            </span>
            <Button weight="main" onClick={look}>
              Look at {refused.length === 1 ? 'it' : 'them'}
            </Button>
          </p>
        ) : null}
      </div>
      {open ? (
        <NotDelivered onOpenChange={setOpen} waiting={waiting} refused={refused} trouble={trouble} />
      ) : null}
    </div>
  )
}

/** The server is away, and nothing waits for it: the page is a memory, and may be worked on. */
function Remembered({ projectId }: { readonly projectId: ProjectId }) {
  if (!useIsRemembered(projectId)) return null
  return (
    <p className="ticket mt-3 border-l-8 border-l-touch-up px-4 py-2">
      <b>The server does not answer.</b> Here is what this device knew last. Go on painting: what you record
      is kept in this browser, and sent as soon as it answers.
    </p>
  )
}
