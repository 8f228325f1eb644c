import { projectFileSchema } from '@seriatim/contract'
import { eveningsOf, readHours } from '@seriatim/core/calendar'
import { readSaidUnits } from '@seriatim/core/notes'
import { starterShelf } from '@seriatim/core/presets'
import type { Instant, ProjectId } from '@seriatim/core/units'
import { v7 } from 'uuid'
import { describe, expect, it } from 'vitest'
import { countText, draftFile, draftProject, draftRecipes, draftUnits, withUsual } from './draft.ts'
import { readLastTime, recordOf } from './last-time.ts'

const said = (text: string) => readSaidUnits(text).units
const evenings = () => {
  const read = readHours('Tue, Thu 19:30–22:00, Sat 14:00–18:00')
  return read.ok ? eveningsOf(read.rules, 'UTC')! : expect.unreachable()
}

describe('a project as it is said', () => {
  it('has a unit for each that was named, in squads, and a recipe for each kind of model', () => {
    const units = draftUnits(said('30 foot in 3 squads red blue green, 5 riders, 10 pikes'), {})
    expect(units.map(({ said }) => countText(said))).toEqual(['3 × 10 = 30', '5', '10'])
    expect(units[0]!.unit.models.filter(({ variants }) => variants.includes('blue mark'))).toHaveLength(10)
    const recipes = draftRecipes(units, 'dip', new Map())
    expect(recipes.map(({ name, bodyPlan, school }) => [name, bodyPlan, school])).toEqual([
      ['Foot and Pikes', 'foot', 'dip'],
      ['Riders', 'rider-and-mount', 'dip'],
    ])
  })

  it('follows what is put right: another kind is of its usual size, another method a recipe of its own', () => {
    const corrections = { Pikes: { bodyPlan: 'armoured-foot' }, Foot: { method: 'dark-under' } }
    const units = draftUnits(said('10 foot, 10 pikes, 10 bows'), corrections)
    expect(units.map(({ unit }) => unit.size)).toEqual(['foot', 'large foot', 'foot'])
    expect(draftRecipes(units, 'dip', new Map()).map(({ name, school }) => [name, school])).toEqual([
      ['Foot', 'dark-under'],
      ['Pikes', 'dip'],
      ['Bows', 'dip'],
    ])
  })

  it('takes what is called the same on the own shelf, and is a file that can be read', () => {
    const own = {
      ...starterShelf.find(({ kind }) => kind === 'primer')!,
      id: v7() as never,
      stockMl: 90,
    }
    const shelf = new Map([[own.id, own]])
    const units = draftUnits(said('3 foot to display'), {})
    const settings = { id: v7() as ProjectId, name: 'Foot', dueOn: null, evenings: evenings() }
    const recipes = draftRecipes(units, 'translucent-over-bright', shelf)
    const project = draftProject(
      settings,
      units.map(({ unit }) => unit),
      recipes,
    )
    const last = readLastTime({ models: '', took: 'about 3 evenings of 2 h' }, units[0]!.unit, 'dip')
    expect(last).toMatchObject({ seconds: 6 * 3600, unit: { models: 3, standard: 'display' } })
    const file = draftFile(project, withUsual(shelf), [recordOf(last.unit!, 0 as Instant)], 0 as Instant)
    const read = projectFileSchema.parse(file)
    expect(read.shelf.filter(({ name }) => name === own.name)).toEqual([own])
    expect(read.shelf.filter(({ stockMl }) => stockMl !== 0)).toEqual([own])
    expect(read.project.evenings.also).toHaveLength(1)
  })
})

describe('what the last unit took', () => {
  const like = draftUnits(said('10 foot'), {})[0]!.unit
  it('may be left out', () => {
    expect(readLastTime({ models: '', took: ' ' }, like, 'dip')).toEqual({
      unit: null,
      seconds: 0,
      fault: undefined,
    })
  })
  it.each([
    [{ models: 'many', took: '3 h' }, 'Give a whole number of models.'],
    [{ models: '10', took: 'long' }, 'Say how long: 6 hours, three evenings of two hours, 20 minutes each.'],
  ])('%o is asked about', (told, fault) => {
    expect(readLastTime(told, like, 'dip')).toMatchObject({ unit: null, fault })
  })
})
