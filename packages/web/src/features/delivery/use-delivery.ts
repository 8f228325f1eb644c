import { useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { toast } from 'sonner'
import { projectListQuery, projectQuery } from '../../shared/api/index.ts'
import { countOn } from '../../shared/device.ts'
import { plural } from '../../shared/format/index.ts'
import { outbox, useOutbox } from '../../shared/outbox/index.ts'
import { progressStore } from '../../shared/progress/index.ts'
import { noteDelivered } from '../../shared/project/index.ts'

/** One toast about what was refused: the list says the rest. */
export const refusedToast = 'refused'

/** Joins the outbox to what the page shows, and sends what waits whenever it may succeed; mounted once by the shell. */
export function useDelivery(onLook: () => void) {
  const client = useQueryClient()
  const state = useOutbox()
  useEffect(() => {
    outbox.listen({
      onDelivered: (parcels, project) => {
        for (const parcel of parcels) {
          if (parcel.kind === 'change')
            noteDelivered(parcel.projectId, parcel.change, project?.revision ?? null)
        }
        if (project) {
          const { queryKey } = projectQuery(project.id)
          const known = client.getQueryData(queryKey)
          if (!known || known.revision <= project.revision) client.setQueryData(queryKey, project)
        } else {
          for (const parcel of parcels)
            if (parcel.kind === 'change')
              void client.invalidateQueries({ queryKey: projectQuery(parcel.projectId).queryKey })
        }
        void client.invalidateQueries({ queryKey: projectListQuery.queryKey })
      },
      onRefused: (refused) => {
        for (const { parcel } of refused)
          if (parcel.kind === 'event') progressStore(parcel.projectId).withdraw([parcel.event.id])
        const [first] = refused
        const others = refused.length > 1 ? ` And ${plural(refused.length - 1, 'more')}.` : ''
        toast.error(`Not taken: ${first?.reason ?? ''}${others}`, {
          id: refusedToast,
          action: { label: 'Look', onClick: onLook },
        })
      },
      onNews: (parcel) => {
        if (parcel.kind === 'event') progressStore(parcel.projectId).record([parcel.event])
      },
    })
    const flush = () => void outbox.flush()
    const heard = (event: StorageEvent) => outbox.heard(event.key, event.newValue)
    flush()
    void outbox.restore().then(countOn)
    window.addEventListener('online', flush)
    window.addEventListener('storage', heard)
    return () => {
      window.removeEventListener('online', flush)
      window.removeEventListener('storage', heard)
    }
  }, [client, onLook])
  const { unsaved } = state
  useEffect(() => {
    if (unsaved === 0) return
    const warn = (event: BeforeUnloadEvent) => event.preventDefault()
    window.addEventListener('beforeunload', warn)
    return () => window.removeEventListener('beforeunload', warn)
  }, [unsaved])
  return state
}
