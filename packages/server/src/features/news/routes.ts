import { newsStream } from '@seriatim/contract'
import type { DeviceId } from '@seriatim/core/units'
import type { Hono } from 'hono'
import { streamSSE } from 'hono/streaming'
import type { Database } from '../../db/client.ts'
import type { Asking } from '../../http/serve-route.ts'
import type { News } from '../../db/news.ts'
import type { StudioId } from '../../db/schema/columns.ts'
import { RequestProblem } from '../../http/problem.ts'
import { requireRevision } from '../projects/service.ts'

/**
 * So often something is sent, so that nothing between takes the line for dead, and a page that went is noticed; and so often
 * it is asked whether whoever listens still may.
 */
const pulse = 5_000
/** A page listens while it is looked at; beyond so many the others ask now and then instead. */
const mostListeners = 500

/** Tells pages that there is something new in a project; what it is they ask for themselves, from where they are. */
export function newsRoutes(
  app: Hono<{ Bindings: Asking }>,
  db: Database,
  news: News,
  studio: StudioId,
): void {
  let listeners = 0
  app.get(newsStream.path, async (context) => {
    const params = newsStream.params.safeParse(context.req.param())
    if (!params.success) throw new RequestProblem('not-found', 'This address names nothing here.')
    const { id } = params.data
    await requireRevision(db, id)
    if (listeners >= mostListeners)
      throw new RequestProblem('busy', 'Too many pages listen; ask now and then.')
    listeners += 1
    return streamSSE(context, async (stream) => {
      let waiting: (() => void) | null = null
      let told: (DeviceId | null)[] = []
      const wake = () => waiting?.()
      const end = news.subscribe(studio, id, (writer) => {
        told.push(writer)
        wake()
      })
      stream.onAbort(wake)
      let askedAt = Date.now()
      try {
        while (!stream.aborted && !stream.closed && !news.isClosed()) {
          if (Date.now() - askedAt >= pulse) {
            if (!(await context.env.isStillIn())) break
            askedAt = Date.now()
          }
          const now = told
          told = []
          for (const writer of new Set(now))
            await stream.writeSSE({ event: newsStream.event, data: writer ?? '' })
          if (now.length === 0) await stream.write(': here\n\n')
          if (told.length > 0) continue
          let timer: NodeJS.Timeout | undefined
          await new Promise<void>((resolve) => {
            waiting = resolve
            timer = setTimeout(resolve, pulse)
          })
          clearTimeout(timer)
        }
      } finally {
        end()
        listeners -= 1
      }
    })
  })
}
