import { eventSchema, mostEvents, type EventVerdict } from '@seriatim/contract'
import { sameJson } from '@seriatim/core/changes'
import type { ProgressEvent } from '@seriatim/core/progress'
import type { EventId, Instant, ProjectId } from '@seriatim/core/units'
import type { Database } from '../../db/client.ts'
import { RequestProblem } from '../../http/problem.ts'
import { createKnownIds } from './known-ids.ts'
import * as rows from './repository.ts'

/** A device's clock may be ahead by so much before its word is set right. */
const aheadMilliseconds = 60_000

/** What one request wants recorded. */
interface Waiting {
  readonly events: readonly ProgressEvent[]
  readonly resolve: (verdicts: ReadonlyMap<EventId, EventVerdict>) => void
  readonly reject: (error: unknown) => void
}

const eventsAtOnce = 1000

/**
 * The way into the log. Requests for one project that come at the same time are written together, one write after
 * the other: this is what keeps a busy desk quick, and the log's numbers in order.
 */
export function createRecorder(db: Database, now: () => Instant) {
  const waiting = new Map<ProjectId, Waiting[]>()
  const writing = new Set<ProjectId>()
  const counts = new Map<ProjectId, number>()
  const unknownIn = createKnownIds()

  /** Judges each event by itself; one that is refused keeps none of the others. */
  async function record(projectId: ProjectId, given: readonly unknown[]): Promise<readonly EventVerdict[]> {
    const seen = new Map<EventId, ProgressEvent>()
    const read = given.map((each): EventVerdict | EventId => {
      const parsed = eventSchema.safeParse(each)
      if (!parsed.success) {
        const [issue] = parsed.error.issues
        const where = issue && issue.path.length > 0 ? ` (${issue.path.join('.')})` : ''
        return refused(idIn(each), `${issue?.message ?? 'This is not an event.'}${where}`)
      }
      const { id } = parsed.data
      const twin = seen.get(id)
      if (twin && !sameJson(plain(twin), plain(parsed.data))) return refused(id, anotherEvent)
      seen.set(id, parsed.data)
      return id
    })
    const verdicts =
      seen.size > 0 ? await enqueue(projectId, [...seen.values()]) : new Map<EventId, EventVerdict>()
    return read.map((each) =>
      typeof each === 'string' ? (verdicts.get(each) ?? refused(each, 'This event was not judged.')) : each,
    )
  }

  function enqueue(
    projectId: ProjectId,
    events: readonly ProgressEvent[],
  ): Promise<ReadonlyMap<EventId, EventVerdict>> {
    return new Promise((resolve, reject) => {
      const queue = waiting.get(projectId) ?? []
      waiting.set(projectId, queue)
      queue.push({ events, resolve, reject })
      void drain(projectId)
    })
  }

  async function drain(projectId: ProjectId): Promise<void> {
    if (writing.has(projectId)) return
    writing.add(projectId)
    for (let turn = take(projectId); turn.length > 0; turn = take(projectId)) {
      try {
        await writeTogether(projectId, turn)
      } catch (error) {
        if (turn.length === 1) turn[0]?.reject(error)
        // What one of them brought on is not to fall on the others.
        else for (const each of turn) await writeTogether(projectId, [each]).catch(each.reject)
      }
    }
    writing.delete(projectId)
    waiting.delete(projectId)
  }

  function take(projectId: ProjectId): readonly Waiting[] {
    const queue = waiting.get(projectId) ?? []
    let count = 0
    const end = queue.findIndex((each) => (count += each.events.length) > eventsAtOnce)
    return queue.splice(0, end < 0 ? queue.length : Math.max(1, end))
  }

  async function writeTogether(projectId: ProjectId, turn: readonly Waiting[]): Promise<void> {
    const verdicts = await write(
      projectId,
      turn.flatMap((each) => each.events),
    )
    for (const each of turn) each.resolve(verdicts)
  }

  async function write(
    projectId: ProjectId,
    events: readonly ProgressEvent[],
  ): Promise<ReadonlyMap<EventId, EventVerdict>> {
    return db.transaction(async (tx) => {
      if (!(await rows.lockLog(tx, projectId)))
        throw new RequestProblem('not-found', 'There is no such project here.')
      const verdicts = new Map<EventId, EventVerdict>()
      const fresh = new Map<EventId, ProgressEvent>()
      const unknown = await unknownIn(tx, projectId, events)
      for (const event of events) {
        const fault = unknown.faultOf(event)
        const twin = fresh.get(event.id)
        if (fault !== null) verdicts.set(event.id, refused(event.id, fault))
        else if (twin && !sameJson(plain(twin), plain(event))) continue
        else fresh.set(event.id, event)
      }
      dropAimless(fresh, verdicts, unknown.isKnownEvent)
      const count = counts.get(projectId) ?? (await rows.countEvents(tx, projectId))
      if (count + fresh.size > mostEvents) {
        const most = mostEvents.toLocaleString('en')
        for (const id of fresh.keys()) verdicts.set(id, refused(id, `A project holds up to ${most} records.`))
        return verdicts
      }
      const moment = now()
      const inserted = await rows.appendEvents(
        tx,
        projectId,
        [...fresh.values()].map((event) => inTime(event, moment)),
      )
      const left = [...fresh.keys()].filter((id) => !inserted.has(id))
      const kept = new Map((await rows.readEventsById(tx, left)).map((each) => [each.event.id, each]))
      for (const event of fresh.values()) {
        const twin = kept.get(event.id)
        const isSame = twin?.projectId === projectId && sameJson(plain(asSent(twin)), plain(event))
        if (inserted.has(event.id)) verdicts.set(event.id, { id: event.id, verdict: 'taken' })
        else if (isSame) verdicts.set(event.id, { id: event.id, verdict: 'known' })
        else verdicts.set(event.id, refused(event.id, anotherEvent))
      }
      counts.set(projectId, count + inserted.size)
      return verdicts
    })
  }

  return { record }
}

const anotherEvent = 'This id is taken by another event.'

function refused(id: string, reason: string): EventVerdict {
  return { id, verdict: 'refused', reason }
}

function idIn(value: unknown): string {
  const id = typeof value === 'object' && value !== null && 'id' in value ? value.id : ''
  return typeof id === 'string' ? id.slice(0, 80) : ''
}

/** An event that aims at one that was refused, or that nobody knows, is refused with it; so are those that aim at it. */
function dropAimless(
  fresh: Map<EventId, ProgressEvent>,
  verdicts: Map<EventId, EventVerdict>,
  isKnown: (id: EventId) => boolean,
): void {
  for (let dropped = true; dropped;) {
    dropped = false
    for (const event of fresh.values()) {
      if (!('targetId' in event) || isKnown(event.targetId)) continue
      if (fresh.has(event.targetId) && event.targetId !== event.id) continue
      fresh.delete(event.id)
      verdicts.set(event.id, refused(event.id, 'There is no such event in this project.'))
      dropped = true
    }
  }
}

/** A moment well ahead of the server's is set to the server's, and what the device said is kept beside it. */
function inTime(event: ProgressEvent, now: Instant): rows.NewEvent {
  return event.at > now + aheadMilliseconds
    ? { event: { ...event, at: now }, claimedAt: event.at }
    : { event, claimedAt: null }
}

function asSent({ event, claimedAt }: rows.KeptEvent): ProgressEvent {
  return claimedAt === null ? event : { ...event, at: claimedAt }
}

/** Which models and stages, not in which order they were named. */
function plain(event: ProgressEvent): object {
  return {
    ...event,
    ...('modelIds' in event ? { modelIds: [...new Set(event.modelIds)].sort() } : {}),
    ...('stageIds' in event ? { stageIds: [...new Set(event.stageIds)] } : {}),
    ...('waits' in event ? { waits: [...event.waits].sort((a, b) => (a.stageId < b.stageId ? -1 : 1)) } : {}),
  }
}
