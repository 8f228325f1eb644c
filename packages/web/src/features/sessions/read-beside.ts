import { wrap } from 'comlink'
import type { CalendarReader } from './calendar.worker.ts'
import type { CalendarText, CalendarWish } from './read-calendar.ts'

const longest = 8000

/** Reads a calendar beside the page, and gives up on one that takes too long: whatever is in it, the page goes on. */
export async function readCalendarBeside(wish: CalendarWish): Promise<CalendarText> {
  const worker = new Worker(new URL('./calendar.worker.ts', import.meta.url), { type: 'module' })
  const failed = new Promise<CalendarText>((resolve) => {
    const giveUp = (error: string) => () => resolve({ ok: false, error })
    setTimeout(
      giveUp('This calendar takes too long to read: it is very large, or repeats without end.'),
      longest,
    )
    worker.onerror = giveUp('This calendar could not be read here.')
  })
  try {
    return await Promise.race([wrap<CalendarReader>(worker).readCalendar(wish), failed])
  } finally {
    worker.terminate()
  }
}
