import { describe, expect, it } from 'vitest'
import { noon } from '../testing/builders.ts'
import type { PainterId } from '../units/ids.ts'
import { addSeconds } from '../units/instant.ts'
import { minutes } from '../units/seconds.ts'
import { fairShares } from './fair-shares.ts'

const load = (name: string, work: number) => ({
  id: name as PainterId,
  name,
  handsOnSeconds: minutes(work),
  doneAt: null,
})
const session = (painter: number, from: number, until: number) => ({
  painter,
  startsAt: addSeconds(noon, from * 60),
  endsAt: addSeconds(noon, until * 60),
})
const at = (shares: ReturnType<typeof fairShares>) =>
  shares.map((each) => [each.workSeconds / 60, each.deskSeconds / 60, each.evenSeconds / 60])

describe('fair shares', () => {
  it('are by the hours each has until all is done, and sum up to the work', () => {
    const shares = fairShares(
      {
        painters: [load('Marn', 100), load('Tiss', 20)],
        // Tiss has twice the hours; the last of them lie after the end, and the first before now.
        sessions: [session(1, -60, 60), session(0, 0, 60), session(1, 90, 150), session(1, 180, 300)],
        finishesAt: addSeconds(noon, 150 * 60),
      },
      noon,
    )
    expect(at(shares)).toEqual([
      [100, 60, 40],
      [20, 120, 80],
    ])
  })

  it('are whole seconds, however the hours divide', () => {
    const shares = fairShares(
      {
        painters: [load('Marn', 100), load('Tiss', 0), load('Odile', 0)],
        sessions: [session(0, 0, 60), session(1, 0, 60), session(2, 0, 47)],
        finishesAt: addSeconds(noon, 60 * 60),
      },
      noon,
    )
    expect(shares.map((each) => each.evenSeconds)).toEqual([2156, 2156, 1689])
  })

  it('are nothing where nobody has a session', () => {
    const none = { painters: [load('Marn', 0)], sessions: [], finishesAt: noon }
    expect(at(fairShares(none, noon))).toEqual([[0, 0, 0]])
  })
})
