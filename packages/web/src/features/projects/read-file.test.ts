import { expect, it } from 'vitest'
import { readFile } from './read-file.ts'

const studio = {
  format: 'seriatim-studio',
  version: 1,
  writtenAt: '2026-11-24T19:41:00Z',
  name: 'Own desk',
  hoursOf: null,
  shelf: [],
  air: [],
  rates: [],
  clients: [],
  prices: null,
  projects: [],
}

it('tells a studio’s file from a project’s, and names the faults of either at their place', () => {
  expect(readFile('all.json', JSON.stringify(studio))).toEqual({ kind: 'studio', json: studio })
  const wrong = { ...studio, clients: [{ id: 'x', name: '', contact: '', note: '' }] }
  expect(readFile('all.json', JSON.stringify(wrong))).toMatchObject({
    kind: 'wrong',
    errors: [expect.stringContaining('clients[0].id') as string, 'clients[0].name: Give the client a name.'],
  })
  expect(readFile('x.json', '{"format":"x"}')).toMatchObject({
    kind: 'wrong',
    errors: expect.arrayContaining(['format: This is not a Seriatim project file.']) as string[],
  })
  expect(readFile('x.json', '{')).toEqual({ kind: 'wrong', errors: ['x.json is not JSON.'] })
})
