import type { ModelStanding, SheetGroup } from '@seriatim/core/sheet'
import type { Stage } from '@seriatim/core/trade'

/** Strips that stand side by side; the first line of a group carries its name. */
export interface SheetLine {
  readonly key: string
  readonly group: SheetGroup
  readonly isFirst: boolean
  readonly isLast: boolean
  readonly members: readonly ModelStanding[]
  /** Places of the stages that somebody of the group takes: its strips have these holes alone. */
  readonly places: readonly number[]
  /** Pixels of a hole, and of a strip. */
  readonly hole: number
  readonly strip: number
}

/** Measures of the sheet in a given room, in pixels. */
export interface SheetRoom {
  /** Room left of the strips for the names of groups; 0 where these stand above. */
  readonly names: number
  /** Room for strips. */
  readonly width: number
  /** Of a strip. */
  readonly height: number
}

const gap = 8
/** Of a strip, with its edges and its stop line: without room for them its holes would lose their whole pixels. */
const padding = 16
const [smallestHole, largestHole] = [10, 14] as const

/** @param coarse whether fingers are to hit a strip. */
export function sheetRoom(width: number, coarse: boolean): SheetRoom {
  const names = width < 720 ? 0 : 220
  return { names, width: width - names, height: coarse ? 44 : 30 }
}

/**
 * The sheet cut into lines: of each group as many strips side by side as there is room for. What a strip is drawn from is
 * the same object from one time to the next, so that a tap draws its own strip and no other.
 */
export function createSheetLines() {
  const known = new Map<string, readonly number[]>()
  const same = (places: readonly number[]): readonly number[] => {
    const key = places.join(' ')
    const before = known.get(key)
    if (before) return before
    known.set(key, places)
    return places
  }
  return (groups: readonly SheetGroup[], line: readonly Stage[], room: SheetRoom): readonly SheetLine[] =>
    groups.flatMap((group) => {
      const places = same(placesOf(group, line))
      const least = places.length * smallestHole + padding
      const across = Math.max(1, Math.floor((room.width + gap) / (least + gap)))
      const most = Math.floor((room.width + gap) / across) - gap
      const hole = Math.min(largestHole, Math.floor((most - padding) / Math.max(1, places.length)))
      const strip = Math.min(most, places.length * hole + padding)
      return Array.from({ length: Math.ceil(group.members.length / across) }, (_, index): SheetLine => ({
        key: `${group.key} ${String(index)}`,
        group,
        isFirst: index === 0,
        isLast: (index + 1) * across >= group.members.length,
        members: group.members.slice(index * across, (index + 1) * across),
        places,
        hole,
        strip,
      }))
    })
}

function placesOf({ members }: SheetGroup, line: readonly Stage[]): readonly number[] {
  return line.flatMap((_, place) =>
    members.some(({ holes }) => holes[place] && holes[place].kind !== 'not-needed') ? [place] : [],
  )
}
