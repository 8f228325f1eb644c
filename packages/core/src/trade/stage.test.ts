import { describe, expect, it } from 'vitest'
import { drying, stage } from '../testing/builders.ts'
import { minutes, seconds } from '../units/seconds.ts'
import { cautionText } from './cautions.ts'
import { regionsMeet } from './regions.ts'
import { withOwnNames } from './stage-names.ts'
import { dryingWait, potOf, touchedRegions } from './stage.ts'

describe('a stage', () => {
  it('dries for the middle of its range, to the second', () => {
    expect(dryingWait({ dryingMinSeconds: minutes(15), dryingMaxSeconds: minutes(30) })).toBe(minutes(22.5))
    expect(dryingWait({ dryingMinSeconds: seconds(1), dryingMaxSeconds: seconds(2) })).toBe(2)
    expect(dryingWait(drying(0))).toBe(0)
  })

  it('shares a pot with stages of the same material, however it is written', () => {
    expect(potOf(stage('a', { material: ' Bright Steel' }))).toBe(
      potOf(stage('b', { material: 'bright steel' })),
    )
    expect(potOf(stage('a', { material: ' ' }))).not.toBe(potOf(stage('b', { material: '' })))
  })

  it('touches what it says', () => {
    expect(touchedRegions({ kind: 'whole' })).toBe('whole')
    expect(touchedRegions({ kind: 'base' })).toEqual(['base'])
    expect(regionsMeet(['a', 'b'], ['c', 'b'])).toBe(true)
    expect(regionsMeet(['a'], ['b'])).toBe(false)
    expect(regionsMeet('whole', [])).toBe(true)
  })
})

describe('cautions', () => {
  it('every caution defers to the product’s sheet', () => {
    for (const text of Object.values(cautionText)) expect(text).toContain('product’s own sheet')
  })
})

describe('withOwnNames', () => {
  const named = (some: readonly (readonly [string, string])[]) =>
    withOwnNames(some.map(([name, material], index) => stage(String(index), { name, material }))).map(
      (each) => each.name,
    )

  it('leaves names that tell stages apart, and puts the pot before those that do not', () => {
    expect(
      named([
        ['Base coat, hair', 'rust'],
        ['Base coat, hair', 'ochre'],
        ['Wash', 'sepia'],
      ]),
    ).toEqual(['Rust: base coat, hair', 'Ochre: base coat, hair', 'Wash'])
  })

  it('counts what the pot does not tell apart either, and changes nothing that is told apart', () => {
    const names = named([
      ['Coat', 'rust'],
      ['Coat', 'rust'],
      ['Coat', ''],
    ])
    expect(names).toEqual(['Rust: coat 1', 'Rust: coat 2', 'Coat'])
    const line = names.map((name, index) => stage(String(index), { name, material: 'rust' }))
    expect(withOwnNames(line)).toBe(line)
  })
})
