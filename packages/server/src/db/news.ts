import type { DeviceId, ProjectId } from '@seriatim/core/units'
import { sql, type SQL } from 'drizzle-orm'
import pg from 'pg'
import type { Logger } from 'pino'
import type { Database } from './client.ts'
import type { StudioId } from './schema/columns.ts'

const channel = 'seriatim_news'
const tryAgainAfter = 1000

/** Hears of what was written; the device that wrote it, where it was one and is known. */
type Hear = (writer: DeviceId | null) => void

/** Hears which project was written to; `null` where some may have been missed. */
type HearAll = (written: { readonly studio: StudioId; readonly projectId: ProjectId } | null) => void

/** What any process on this database writes, as PostgreSQL's own notifications tell it. */
export interface News {
  /** Hears once as soon as nothing is missed any more, at first and after a lost connection. @returns what ends it. */
  readonly subscribe: (studio: StudioId, projectId: ProjectId, hear: Hear) => () => void
  /** Hears of every project of every studio. @returns what ends it. */
  readonly subscribeAll: (hear: HearAll) => () => void
  readonly isClosed: () => boolean
  /** Everybody hears once more, and then nothing. */
  readonly close: () => Promise<void>
}

/** An expression that tells everybody when its transaction is through. @param writer who need not hear of it. */
export function newsOf(projectId: ProjectId, writer: DeviceId | null): SQL {
  return sql`pg_notify(${channel}, concat_ws(' ', this_studio(), ${projectId}::text, ${writer}::text))`
}

export async function tellNews(db: Database, projectId: ProjectId, writer: DeviceId | null): Promise<void> {
  await db.execute(sql`select ${newsOf(projectId, writer)}`)
}

/** One connection that listens for all who subscribe here; it is made with the first and made anew when it breaks. */
export function openNews(url: string, log: Logger): News {
  /** By studio and project: two studios may hold the same file. */
  const heard = new Map<string, Set<Hear>>()
  const heardAll = new Set<HearAll>()
  let connection: Promise<pg.Client> | null = null
  let current: pg.Client | null = null
  let isListening = false
  let isClosed = false

  const isWanted = () => heard.size > 0 || heardAll.size > 0
  const tellEverybody = () => {
    for (const hear of [...heard.values()].flatMap((each) => [...each])) hear(null)
    for (const hear of heardAll) hear(null)
  }

  function onNews(text: string): void {
    const [studio = '', projectId = '', writer] = text.split(' ')
    for (const hear of heard.get(`${studio} ${projectId}`) ?? [])
      hear((writer as DeviceId | undefined) ?? null)
    for (const hear of heardAll) hear({ studio: studio as StudioId, projectId: projectId as ProjectId })
  }

  async function connect(): Promise<pg.Client> {
    const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 3000 })
    client.on('notification', ({ payload }) => onNews(payload ?? ''))
    client.on('error', (error) => {
      log.warn({ reason: error.message }, 'news broke off')
    })
    current = client
    // One that was given up long ago may still end.
    client.on('end', () => {
      if (current === client) again()
    })
    await client.connect()
    await client.query(`listen ${channel}`)
    isListening = true
    tellEverybody()
    return client
  }

  function listen(): void {
    const own = connect()
    connection = own
    own.catch((error: unknown) => {
      log.warn({ reason: error instanceof Error ? error.message : String(error) }, 'news cannot be heard')
      if (connection === own) again()
    })
  }

  /** While somebody listens: what broke is made anew, once. */
  function again(): void {
    if (connection === null || isClosed) return
    connection = null
    current = null
    isListening = false
    setTimeout(() => {
      if (connection === null && !isClosed && isWanted()) listen()
    }, tryAgainAfter).unref()
  }

  /** Whoever joins those that listen already hears at once that nothing is missed from here on. */
  function begin(hear: () => void): void {
    if (isListening) queueMicrotask(hear)
    else if (connection === null && !isClosed) listen()
  }

  return {
    subscribe: (studio, projectId, hear) => {
      const key = `${studio} ${projectId}`
      const own = heard.get(key) ?? new Set()
      heard.set(key, own.add(hear))
      begin(() => hear(null))
      return () => {
        own.delete(hear)
        if (own.size === 0 && heard.get(key) === own) heard.delete(key)
      }
    },
    subscribeAll: (hear) => {
      heardAll.add(hear)
      begin(() => hear(null))
      return () => heardAll.delete(hear)
    },
    isClosed: () => isClosed,
    close: async () => {
      isClosed = true
      tellEverybody()
      heard.clear()
      heardAll.clear()
      const client = await connection?.catch(() => null)
      await client?.end()
    },
  }
}
