import { describe, expect, it } from 'vitest'
import { stage } from '../testing/builders.ts'
import { seconds } from '../units/seconds.ts'
import { isSameLine, lineDifference } from './line-difference.ts'

const line = ['prime', 'skin', 'coat', 'wash', 'edge'].map((name) => stage(name))
const [prime, skin, coat, wash, edge] = line
const names = (before: typeof line, after: typeof line) => {
  const { fresh, leaving, moved, changed } = lineDifference(before, after)
  return [fresh, leaving, moved, changed].map((stages) => stages.map((each) => each.name))
}

describe('lineDifference', () => {
  it('finds nothing between a line and itself, whatever its stages are called or how long they take', () => {
    const renamed = line.map((each) => ({
      ...each,
      name: `${each.name}!`,
      note: 'x',
      handsOnSecondsPerModel: seconds(1),
    }))
    expect(isSameLine(line, renamed)).toBe(true)
  })

  it('names what comes, what goes, what passes others by and what is done otherwise', () => {
    const rim = stage('rim')
    const after = [prime!, coat!, { ...wash!, material: 'soot wash' }, skin!, rim]
    expect(names(line, after)).toEqual([['rim'], ['edge'], ['skin'], ['wash']])
  })

  it('moves the fewest: one stage that went to the end, not all that stood before it', () => {
    expect(names(line, [skin!, coat!, wash!, edge!, prime!])[2]).toEqual(['prime'])
    expect(names(line, [edge!, prime!, skin!, coat!, wash!])[2]).toEqual(['edge'])
  })
})
