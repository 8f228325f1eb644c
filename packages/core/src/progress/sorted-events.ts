import type { ProgressEvent } from './event.ts'

/** Events are taken by moment, then by id. */
function compareEvents(a: Pick<ProgressEvent, 'at' | 'id'>, b: Pick<ProgressEvent, 'at' | 'id'>): number {
  return a.at - b.at || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0)
}

/** Puts an event into a sorted list. @returns whether it became the last. */
export function insertSorted<E extends ProgressEvent>(list: E[], event: E): boolean {
  const place = placeOf(list, event)
  if (place === list.length) {
    list.push(event)
    return true
  }
  list.splice(place, 0, event)
  return false
}

/** Index of the first event that does not come before `event`; most come last, so the end is looked at first. */
export function placeOf(list: readonly ProgressEvent[], event: Pick<ProgressEvent, 'at' | 'id'>): number {
  const last = list.at(-1)
  if (!last || compareEvents(last, event) < 0) return list.length
  let low = 0
  let high = list.length - 1
  while (low < high) {
    const middle = (low + high) >> 1
    const at = list[middle]
    if (at && compareEvents(at, event) < 0) low = middle + 1
    else high = middle
  }
  return low
}
