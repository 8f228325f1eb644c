import { describe, expect, it } from 'vitest'
import { eventId, noon, project, stage, unit } from '../testing/builders.ts'
import { addSeconds } from '../units/instant.ts'
import type { ProgressEvent } from './event.ts'
import { foldProgress } from './fold-progress.ts'
import { coatsTaken, lessonsAgain, lessonsOf } from './lessons.ts'

const pikes = unit('pikes', 3)
const line = [stage('coat', { material: 'moss' }), stage('hood', { material: 'Moss' }), stage('metal')]
const given = project([pikes], line)
const [coat, hood, metal] = line.map((each) => each.id)

let number = 0
const event = (kind: string, stageId: unknown, some: object) =>
  ({
    id: eventId((number += 1)),
    at: addSeconds(noon, number),
    kind,
    stageId,
    modelIds: [pikes.models[0]!.id],
    ...some,
  }) as ProgressEvent

describe('lessons', () => {
  it('are one where the same was noted of a pot, the most frequent first', () => {
    const progress = foldProgress([
      event('touch-up', coat, { note: 'inside the cloak', region: 'cloak' }),
      event('judged', metal, { verdict: 'keep', note: 'thin it more' }),
      event('touch-up', hood, { note: 'Inside the cloak', region: 'cloak' }),
      event('touch-up', coat, { note: '', region: null }),
    ])
    expect(
      lessonsOf(given, progress).map(({ kind, stageId, text, times }) => [kind, stageId, text, times]),
    ).toEqual([
      ['missed', hood, 'cloak, Inside the cloak', 2],
      ['said', metal, 'thin it more', 1],
    ])
  })

  it('say what a paint did over which ground, until it is taken back', () => {
    const primed = { line: [stage('prime', { material: 'Grey primer' }), ...line] }
    const another = event('went', coat, { outcome: 'another coat' })
    const events = [
      another,
      event('went', hood, { outcome: 'another coat' }),
      event('went', hood, { outcome: 'covered' }),
    ]
    const lessons = lessonsOf(primed, foldProgress(events))
    expect(lessons.map(({ kind, text, times }) => [kind, text, times])).toEqual([
      ['went', 'covered at once over moss', 1],
      ['went', 'needed another coat over moss', 1],
      ['went', 'needed another coat over grey primer', 1],
    ])
    expect(coatsTaken(lessons, 'moss')).toEqual({ atOnce: 1, another: 2 })
    expect(coatsTaken(lessons, 'rust')).toBeNull()
    const undone = event('undone', coat, { targetId: another.id })
    expect(coatsTaken(lessonsOf(primed, foldProgress([...events, undone])), 'moss')?.another).toBe(1)
  })

  it('of other projects are told where their pot is opened again', () => {
    const told = (pot: string, at: number, times: number) => ({ pot, at: addSeconds(noon, at), times })
    const elsewhere = [told('moss', 1, 1), told('rust', 2, 9), told('moss', 3, 1), told('moss', 2, 4)]
    expect(lessonsAgain(line, elsewhere)).toEqual([
      told('moss', 2, 4),
      told('moss', 3, 1),
      told('moss', 1, 1),
    ])
  })

  it('go with the stage that left the line', () => {
    const progress = foldProgress([event('touch-up', coat, { note: 'bare', region: null })])
    expect(lessonsOf({ line: line.slice(2) }, progress)).toEqual([])
  })
})
