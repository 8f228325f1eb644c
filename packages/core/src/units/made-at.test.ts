import { describe, expect, it } from 'vitest'
import { madeAt } from './made-at.ts'

describe('madeAt', () => {
  it('reads the example of RFC 9562, A.6', () => {
    // Tuesday, February 22, 2022 2:22:22.00 PM GMT-05:00
    expect(madeAt('017F22E2-79B0-7CC3-98C4-DC0C0C07398F')).toBe(Date.parse('2022-02-22T14:22:22-05:00'))
  })

  it.each(['919108f7-52d1-4320-9bac-f847db4148a8', '2ed6657d-e927-568b-95e1-2665a8aea6a2', 'u1', ''])(
    'says nothing of %j',
    (id) => {
      expect(madeAt(id)).toBeNull()
    },
  )
})
