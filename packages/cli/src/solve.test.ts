import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { run } from './run.ts'

const cases = new URL('../../core/cases/', import.meta.url).pathname
let folder = ''

beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'solve-'))))
afterAll(() => rmSync(folder, { recursive: true }))

const solved = (path: string) => {
  const { code, out, err } = run(['solve', path, '--seed', '2', '--milliseconds', '200'])
  expect([code, err]).toEqual([0, ''])
  return JSON.parse(out) as { finish: number; setUps: number; tasks: { end: number; hands: number }[] }
}

const wrong = (...args: readonly string[]) => run(['solve', ...args]).err

function written(name: string, text: string): string {
  const path = join(folder, name)
  writeFileSync(path, text)
  return path
}

describe('solve', () => {
  it('prints the blocks of a plan of every stage, whichever kind of case it is', () => {
    expect(solved(`${cases}plan01.json`)).toMatchObject({ finish: 203, setUps: 4 })
    expect(solved(`${cases}free-order/order01.json`).tasks).toHaveLength(8)
    const mixed = solved(`${cases}mixed/mix06.json`)
    expect(mixed.tasks).toHaveLength(26)
    expect(mixed.finish).toBeGreaterThanOrEqual(Math.max(...mixed.tasks.map(({ end }) => end)))
    expect(solved(`${cases}ft06.txt`)).toMatchObject({ finish: 55 })
  })

  it('says what is wrong, and where', () => {
    expect(wrong(join(folder, 'none.json'))).toContain('cannot be read')
    expect(wrong(written('words.json', 'words'))).toContain('neither JSON nor a job shop')
    expect(wrong(written('empty.json', '{"workers": 0}'))).toContain('workers: ')
    expect(wrong(`${cases}plan01.json`, '--milliseconds', '0')).toContain('--milliseconds')
    expect(wrong(`${cases}plan01.json`, '--seed', 'x')).toContain('--seed')
  })
})
