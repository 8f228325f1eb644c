import { starterShelf } from '@seriatim/core/presets'
import { v7 } from 'uuid'
import { describe, expect, it } from 'vitest'
import { readCsv } from '../../shared/csv/index.ts'
import { shelfCsv, shelfReader } from './shelf-csv.ts'

const shelf = new Map(starterShelf.map((material) => [material.id, material]))
const read = (text: string) => readCsv(text, shelfReader(shelf, v7))

describe('a shelf as CSV', () => {
  it('comes back as it went out', () => {
    expect(read(shelfCsv(starterShelf))).toEqual({ values: starterShelf, faults: [] })
  })

  it('needs a name and a kind; the rest comes from the kind', () => {
    const { values: materials, faults } = read('name;kind\nHeron blue;translucent')
    expect(faults).toEqual([])
    expect(materials[0]).toMatchObject({
      name: 'Heron blue',
      opacity: 0.25,
      dryingMinSeconds: 900,
      potMl: 18,
    })
  })

  it('changes what is there by its name and leaves the rest of it alone', () => {
    const { values: materials } = read('name,kind,stock ml\nMOSS GREEN,opaque,12')
    const moss = starterShelf.find((material) => material.name === 'moss green')
    expect(materials).toEqual([{ ...moss, name: 'MOSS GREEN', stockMl: 12 }])
  })

  it.each([
    ['name,stock\nx,3', 0, 'No column is “kind”'],
    ['name,kind\n,opaque', 2, 'The name is missing.'],
    ['name,kind\nx,paint', 2, '“paint” is not a kind'],
    ['name,kind\nx,opaque\nX,wash', 3, '“X” is there twice.'],
    ['name,kind,coverage cm2/ml\nx,opaque,20 cm', 2, '“20 cm” is not a number'],
    ['name,kind,stock ml\nx,opaque,-3', 2, '“-3” is not a number'],
    ['name,kind,dry from\nx,opaque,soon', 2, '“soon” is not a time in minutes.'],
    ['name,kind,dry from,dry to\nx,opaque,30,10', 2, 'It cannot be dry after 10 min at most'],
    ['name,kind,colour\nx,opaque,green', 2, '“green” is not a colour'],
    ['name,kind,base\nx,opaque,beer', 2, '“beer” is not a base'],
    ['name,kind\nx,opaque,y', 2, 'There are more cells than columns'],
  ])('%j is refused at its line', (text, line, message) => {
    const { faults } = read(text)
    expect(faults[0]?.line).toBe(line)
    expect(faults[0]?.message).toContain(message)
  })

  it('takes 5,000 rows and no more', () => {
    const rows = (count: number) =>
      ['name,kind', ...Array.from({ length: count }, (_, index) => `paint ${String(index)},opaque`)].join(
        '\n',
      )
    expect(read(rows(5000)).values).toHaveLength(5000)
    expect(read(rows(5001)).faults[0]?.message).toBe('Up to 5000 rows at a time; these are 5001.')
  })
})
