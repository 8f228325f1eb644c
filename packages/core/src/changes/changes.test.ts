import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Unit } from '../trade/job.ts'
import type { Project } from '../trade/project.ts'
import { project, stage, unit } from '../testing/builders.ts'
import { footRecipe } from '../testing/recipes.ts'
import type { BatchId, PainterId, RecipeId, StageId, UnitId } from '../units/ids.ts'
import type { LocalDate } from '../units/local-date.ts'
import { applyCommand } from './apply-command.ts'
import { clashes, touchedBy } from './clashes.ts'
import type { Command } from './command.ts'
import { commandsBetween } from './commands-between.ts'
import { invertCommand } from './invert-command.ts'
import { withoutDangling } from './without-dangling.ts'

function applyChange(start: Project, commands: readonly Command[]): Project {
  return commands.reduce((now, command) => {
    const next = applyCommand(now, command)
    if (!next.ok) throw new Error(`${next.error.kind}: ${JSON.stringify(command)}`)
    return next.value
  }, start)
}

const recipe = (id: string, steps: number) => ({
  ...footRecipe(Array.from({ length: steps }, () => ['all', 'grey primer, spray', 'spray'])),
  id: id as RecipeId,
})

const someOf = <T>(all: readonly T[]) => fc.shuffledSubarray([...all])

const anyUnit = fc.record({
  size: fc.constantFrom('foot' as const, 'large' as const),
  perHolder: fc.integer({ min: 1, max: 3 }),
  models: someOf(unit('m', 5).models),
})

const anyProject: fc.Arbitrary<Project> = fc
  .record({
    name: fc.constantFrom('Fen', 'Weir'),
    batchSize: fc.integer({ min: 1, max: 3 }),
    rackPlaces: fc.constantFrom(null, 4),
    units: someOf(['a', 'b', 'c', 'd']).chain((ids) =>
      fc.tuple(...ids.map((id) => anyUnit.map((some): Unit => ({ ...unit(id, 0), ...some })))),
    ),
    line: someOf(['p', 'q', 'r', 's', 't']).chain((ids) =>
      fc.tuple(...ids.map((id) => fc.boolean().map((tableReady) => stage(id, { tableReady })))),
    ),
    recipes: someOf(['x', 'y']).chain((ids) =>
      fc.tuple(...ids.map((id) => fc.integer({ min: 0, max: 3 }).map((steps) => recipe(id, steps)))),
    ),
    painters: someOf(['Ada', 'Bo']),
    pins: someOf(['one', 'two']),
  })
  .map(({ name, batchSize, rackPlaces, units, line, recipes, painters, pins }) => {
    const plain = project(units, line, { name, batchSize, recipes })
    const [painter] = plain.planning.painters
    return {
      ...plain,
      planning: {
        ...plain.planning,
        rackPlaces,
        painters: painters.map((id) => ({ ...painter!, id: id as PainterId, name: id })),
        pins: pins.map((id) => ({
          batchId: id as BatchId,
          stageId: 'p' as StageId,
          on: '2026-11-24' as LocalDate,
          at: '19:30',
        })),
      },
    }
  })

describe('commands', () => {
  it('between two states make one of the other, and taken back in turn the first again', () => {
    fc.assert(
      fc.property(anyProject, anyProject, (from, to) => {
        const commands = commandsBetween(from, to)
        const back: Command[] = []
        let now = from
        for (const command of commands) {
          const inverse = invertCommand(now, command)
          now = applyChange(now, [command])
          if (inverse) back.unshift(inverse)
        }
        expect(now).toEqual(to)
        expect(applyChange(now, back)).toEqual(from)
        expect(commandsBetween(to, to)).toEqual([])
      }),
      { numRuns: 500 },
    )
  })

  it('one stage dragged is one move, however far', () => {
    const line = ['a', 'b', 'c', 'd', 'e'].map((name) => stage(name))
    const [a, b, c, d, e] = line
    const commands = commandsBetween(project([], line), project([], [e!, a!, b!, c!, d!]))
    expect(commands).toEqual([{ kind: 'move', thing: 'stage', id: 'e', in: null, after: null, before: 'a' }])
  })

  it('made on an older state change only what they name', () => {
    const before = project([unit('a', 4)], [stage('p'), stage('q')])
    const mine = commandsBetween(before, { ...before, units: [{ ...before.units[0]!, perHolder: 5 }] })
    const theirs = { ...before, batchSize: 7, line: [before.line[1]!, before.line[0]!] }
    const after = applyChange(theirs, mine)
    expect(after).toEqual({ ...theirs, units: [{ ...before.units[0]!, perHolder: 5 }] })
  })

  it('a thing whose neighbours are gone is put at the end, and one that is gone is said to be', () => {
    const before = project([], [stage('p'), stage('q')])
    const put = commandsBetween(before, { ...before, line: [before.line[0]!, stage('n'), before.line[1]!] })
    expect(applyChange({ ...before, line: [stage('z')] }, put).line.map((each) => each.id)).toEqual([
      'z',
      'n',
    ])
    const set = commandsBetween(before, { ...before, line: [stage('p', { note: 'thin' }), before.line[1]!] })
    expect(applyCommand({ ...before, line: [] }, set[0]!)).toEqual({ ok: false, error: { kind: 'gone' } })
  })

  it('put again changes nothing; put with another content it is refused', () => {
    const before = project([], [])
    const [put] = commandsBetween(before, project([unit('a', 1)], []))
    const once = applyChange(before, [put!])
    expect(applyChange(once, [put!])).toBe(once)
    const other = { ...put!, value: unit('a', 2) } as Command
    expect(applyCommand(once, other)).toEqual({ ok: false, error: { kind: 'taken' } })
  })
})

describe('clashes', () => {
  const before = project([unit('a', 2)], [stage('p'), stage('q')])
  const change = (to: Partial<Project>) => commandsBetween(before, { ...before, ...to })
  const clash = (mine: Partial<Project>, theirs: Partial<Project>) => {
    const touched = new Set(change(theirs).map(touchedBy))
    return change(mine).map((command) => clashes(command, touched))
  }
  const unitWith = (some: Partial<Unit>) => ({ units: [{ ...before.units[0]!, ...some }] })

  it('are only where the same field, the same place or a thing taken out meet', () => {
    expect(clash({ batchSize: 2 }, { batchSize: 9 })).toEqual([true])
    expect(clash({ batchSize: 2 }, { name: 'Weir' })).toEqual([false])
    expect(clash(unitWith({ perHolder: 2 }), unitWith({ size: 'large' }))).toEqual([false])
    expect(clash({ units: [] }, unitWith({ size: 'large' }))).toEqual([true])
    expect(clash({ units: [] }, unitWith({ models: [] }))).toEqual([true])
    expect(
      clash({ line: [stage('q'), stage('p')] }, { line: [stage('p', { note: 'x' }), stage('q')] }),
    ).toEqual([false])
  })
})

describe('withoutDangling', () => {
  it('passes over what names a thing that has left, and lets it speak again when it is back', () => {
    const [a, b] = [
      unit('a', 1),
      { ...unit('b', 1), joinedAt: { unitId: 'a' as UnitId, stageId: 'p' as StageId } },
    ]
    const follows = { ...recipe('x', 1), unitIds: [a.id, b.id] }
    const line = [stage('p', { notNeededBy: [a.id] })]
    const whole = project([a, b], line, { recipes: [follows] })
    expect(withoutDangling(whole)).toEqual(whole)
    expect(withoutDangling(whole).line).toBe(line)
    const less = withoutDangling({ ...whole, units: [b] })
    expect(less.units[0]?.joinedAt).toBeNull()
    expect(less.recipes[0]?.unitIds).toEqual(['b'])
    expect(less.line[0]?.notNeededBy).toEqual([])
  })
})
