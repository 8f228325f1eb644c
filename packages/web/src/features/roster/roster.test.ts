import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { grownBy, modelsOfSets, parseSets, unitsOf } from '../../shared/new-models/index.ts'
import { readCsv } from '../../shared/csv/index.ts'
import { rosterReader } from './roster-reader.ts'
import { rosterCsv } from './roster-csv.ts'

const read = (text: string) => readCsv(text, rosterReader('New'))
const where = (text: string) => read(text).faults.map((fault) => `${fault.line} ${fault.column}`)

describe('rosterReader', () => {
  it('reads names, counts, roles and points, with or without a heading', () => {
    const lines = [
      {
        unit: 'New',
        name: 'Warden',
        count: 1,
        role: 'leader',
        variants: [],
        points: 12,
        size: null,
        detail: null,
      },
      {
        unit: 'New',
        name: 'Pike',
        count: 11,
        role: 'trooper',
        variants: [],
        points: 6.5,
        size: null,
        detail: null,
      },
    ]
    expect(read('name,count,role,points\nWarden,1,leader,12\nPike,11,,6.5')).toEqual({
      values: lines,
      faults: [],
    })
    expect(read('Warden,1,leader,12\nPike,11,trooper,6.5').values).toEqual(lines)
    expect(read('points;name;count;role\n12;Warden;1;leader\n6,5;Pike;11;').values).toEqual(lines)
  })

  it('reads size and detail, and says which there are where it is another', () => {
    const { values: lines, faults } = read('name,size,detail\nRider,Mounted,ornate\nHeron,giant,usual')
    expect(lines.map(({ size, detail }) => [size, detail])).toEqual([['mounted', 'ornate']])
    expect(faults).toEqual([
      {
        line: 3,
        column: 'size',
        message: '“giant” is not a size: small, foot, large foot, mounted, large, very large, huge.',
      },
    ])
    expect(unitsOf(lines)[0]).toMatchObject({ size: 'mounted', detail: 'ornate', perHolder: 1 })
  })

  it('reads variants with a plus between them', () => {
    const [line] = read('Warden,1,leader,12,cloak + beard+ cloak').values
    expect(line?.variants).toEqual(['cloak', 'beard'])
  })

  it('reads quoted cells, CRLF and blank lines (RFC 4180)', () => {
    const { values: lines, faults } = read('name,count\r\n"Quill, Provost",1\r\n\r\n"He said ""no""",2\r\n')
    expect(faults).toEqual([])
    expect(lines.map((line) => line.name)).toEqual(['Quill, Provost', 'He said "no"'])
  })

  it('names every fault at its line and column', () => {
    expect(where('name,count,points\n,1,1\nPike,none,1\n\nPike,0,x\nPike,1.5,-3')).toEqual([
      '2 name',
      '3 count',
      '5 count',
      '5 points',
      '6 count',
      '6 points',
    ])
    expect(where('name,count\nPike,1,2,3')).toEqual(['2 '])
    expect(where('name,count')).toEqual(['0 '])
    expect(where('count,role\n3,leader')).toEqual(['0 '])
    expect(where('Pike,999\nEel,999')).toEqual(['2 count'])
  })

  it('never throws, whatever is pasted', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (text) => {
        const { values: lines, faults } = read(text)
        for (const line of lines) expect(line.count).toBeGreaterThan(0)
        expect(Array.isArray(faults)).toBe(true)
      }),
    )
  })
})

describe('unitsOf', () => {
  it('sorts lines into units and numbers models alike', () => {
    const { values: lines } = read('unit,name,count\nPikes,Warden,1\nEels,Eel,2\nPikes,Pike,3')
    expect(unitsOf(lines).map((unit) => [unit.name, unit.models.map((model) => model.name)])).toEqual([
      ['Pikes', ['Warden', 'Pike 1', 'Pike 2', 'Pike 3']],
      ['Eels', ['Eel 1', 'Eel 2']],
    ])
    const ids = unitsOf(lines).flatMap((unit) => unit.models.map((model) => model.id))
    expect(new Set(ids).size).toBe(ids.length)
  })
})

describe('parseSets', () => {
  const said = (text: string) => {
    const parsed = parseSets(text)
    return parsed.ok ? parsed.sets.map(({ count, role }) => `${String(count)} ${role}`) : parsed.error
  }

  it('reads a unit as people say it; the largest set is the rank and file', () => {
    expect(said('10')).toEqual(['10 trooper'])
    expect(said('10 pikes, leader, horn')).toEqual(['10 trooper', '1 leader', '1 horn'])
    expect(said('leader, 2 x horns, 12× netters')).toEqual(['1 leader', '2 horns', '12 trooper'])
    expect(said('troopers, 3 riders')).toEqual(['1 trooper', '3 riders'])
    expect(said('Dame Osier')).toEqual(['1 Dame Osier'])
  })

  it('says what is wrong at its place', () => {
    expect(said('')).toMatch(/^Say how many/)
    expect(said('0 pikes')).toBe('“0 pikes” is not a number of models from 1 to 999.')
    expect(said('900, 200 pikes')).toBe('1100 models are more than 999.')
    expect(said('10 pikes 2')).toBe('“10 pikes 2”: put a comma between two sets.')
  })

  it('lets a unit grow as people say it: by a mark that some carry, or a role', () => {
    const models = modelsOfSets('Pikes', [{ count: 2, role: 'trooper', called: '', word: '' }], ['green'], 3)
    const grown = (text: string) => {
      const more = grownBy({ name: 'Pikes', models }, text)
      return 'error' in more
        ? more.error
        : more.models.map(({ name, role, variants, points }) => [name, role, ...variants, points])
    }
    expect(grown('+2 green')).toEqual([
      ['Pikes green 3', 'trooper', 'green mark', 3],
      ['Pikes green 4', 'trooper', 'green mark', 3],
    ])
    expect(grown('2, leader')).toEqual([
      ['Pikes 3', 'trooper', 3],
      ['Pikes 4', 'trooper', 3],
      ['Pikes leader 5', 'leader', 3],
    ])
    expect(grown('+')).toMatch(/^Say how many/)
  })

  it('names models after unit, squad and set, and marks the squads', () => {
    const parsed = parseSets('2 pikes, leader')
    const models = modelsOfSets('Fen', parsed.ok ? parsed.sets : [], ['red', 'blue'], 3)
    expect(models.map(({ name, role, variants }) => [name, role, ...variants])).toEqual([
      ['Fen red 1', 'trooper', 'red mark'],
      ['Fen red 2', 'trooper', 'red mark'],
      ['Fen red, leader', 'leader', 'red mark'],
      ['Fen blue 1', 'trooper', 'blue mark'],
      ['Fen blue 2', 'trooper', 'blue mark'],
      ['Fen blue, leader', 'leader', 'blue mark'],
    ])
  })
})

describe('rosterCsv', () => {
  const word = fc
    .string({ minLength: 1, maxLength: 20 })
    .map((text) => text.trim())
    .filter((text) => text !== '' && !/[+\0\r\n]/.test(text) && !text.includes('\uFEFF'))
  const anyModel = fc.record({
    name: word,
    role: word,
    points: fc.integer({ min: 0, max: 999 }).map((points) => points / 2),
    variants: fc.uniqueArray(word, { maxLength: 3, selector: (each) => each.toLowerCase() }),
  })

  it('comes back as it went out, whatever the models are called', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ name: word, models: fc.array(anyModel, { minLength: 1, maxLength: 4 }) }), {
          minLength: 1,
          maxLength: 3,
        }),
        (made) => {
          const units = made.map((unit, index) => ({
            ...unitsOf([])[0],
            ...unit,
            name: `${String(index)} ${unit.name}`,
            size: 'mounted',
            detail: 'ornate',
          })) as unknown as Parameters<typeof rosterCsv>[0]
          const { values: lines, faults } = read(rosterCsv(units))
          expect(faults).toEqual([])
          const plain = (list: typeof units) =>
            list.map(({ name, size, detail, models }) => ({
              name,
              size,
              detail,
              models: models.map(({ name: model, role, points, variants }) => [
                model,
                role,
                points,
                variants,
              ]),
            }))
          expect(plain(unitsOf(lines))).toEqual(plain(units))
        },
      ),
    )
  })

  it('holds nothing that a spreadsheet computes', () => {
    const [unit] = unitsOf(read('name,role\nx,y').values)
    const evil = {
      ...unit!,
      name: '=1+1',
      models: unit!.models.map((model) => ({ ...model, name: '@SUM(A1)' })),
    }
    expect(rosterCsv([evil])).toContain("'=1+1,'@SUM(A1)")
  })
})
