import type { ModelStanding, SheetGroup } from '@seriatim/core/sheet'
import type { Stage } from '@seriatim/core/trade'
import { describe, expect, it } from 'vitest'
import { createSheetLines, sheetRoom } from './sheet-lines.ts'

const line = Array.from({ length: 20 }, (_, index) => ({ id: `stage ${String(index)}` }) as Stage)
const group = (name: string, models: number, takes: (place: number) => boolean): SheetGroup => ({
  key: name,
  name,
  points: 0,
  pointsOnTable: 0,
  members: Array.from(
    { length: models },
    () =>
      ({
        holes: line.map((_, place) => ({ kind: takes(place) ? 'to-do' : 'not-needed' })),
      }) as unknown as ModelStanding,
  ),
})

describe('the lines of the sheet', () => {
  it('have the holes that somebody of the group takes, as many strips as fit, and every model once', () => {
    const groups = [group('all', 7, () => true), group('half', 5, (place) => place % 2 === 0)]
    const room = sheetRoom(1000, false)
    const lines = createSheetLines()(groups, line, room)
    const [first] = lines
    expect(first).toMatchObject({ isFirst: true, places: line.map((_, place) => place) })
    for (const each of lines) {
      const strips = each.members.length
      expect(strips * each.strip + (strips - 1) * 8).toBeLessThanOrEqual(room.width)
      expect(each.hole).toBeGreaterThanOrEqual(10)
    }
    const half = lines.filter((each) => each.group.name === 'half')
    expect(half[0]!.places).toHaveLength(10)
    expect(half[0]!.members.length).toBeGreaterThan(first!.members.length)
    for (const { name, members } of groups) {
      const own = lines.filter((each) => each.group.name === name)
      expect(own.flatMap((each) => each.members)).toEqual(members)
      expect(own.map((each) => each.isLast)).toEqual(own.map((_, index) => index === own.length - 1))
    }
  })

  it('in a narrow room stand one below the other and shrink to it', () => {
    const room = sheetRoom(180, true)
    const lines = createSheetLines()([group('all', 3, () => true)], line, room)
    expect(room).toEqual({ names: 0, width: 180, height: 44 })
    expect(lines.map((each) => each.members.length)).toEqual([1, 1, 1])
    expect(lines[0]!.strip).toBeLessThanOrEqual(180)
  })

  it('keep what a strip is drawn from, so that a tap draws no other', () => {
    const make = createSheetLines()
    const room = sheetRoom(1000, false)
    const [before] = make([group('all', 3, () => true)], line, room)
    const [after] = make([group('all', 3, () => true)], line, room)
    expect(after!.places).toBe(before!.places)
  })
})
