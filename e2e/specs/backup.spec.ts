import { execFile } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { promisify } from 'node:util'
import { request as requests } from '@playwright/test'
import { expect, test } from '../support/test.ts'
import { freePort, Instance } from '../support/instance.ts'
import { demoId, newId } from '../support/projects.ts'

const root = fileURLToPath(new URL('../..', import.meta.url))
const folder = `${root}.cache/e2e-backup`
const [first, second] = [`${folder}/first`, `${folder}/second`]
const file = `${folder}/evening.backup`

test.beforeAll(() => {
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
})
test.afterAll(() => rmSync(folder, { recursive: true, force: true }))

function tool(name: 'backup' | 'restore', data: string, path: string) {
  const env = { ...process.env, SERIATIM_DATA: data }
  const options = { cwd: root, env }
  return new Promise<{ code: number; said: string }>((done) => {
    execFile(process.execPath, [`tools/${name}.mjs`, path], options, (error, stdout, stderr) => {
      done({ code: error ? 1 : 0, said: error ? stderr : stdout })
    })
  })
}

/** The rows of every table, as PostgreSQL writes them out of a backup; the database's own id apart. */
async function rowsIn(backup: string): Promise<string[]> {
  const bytes = readFileSync(backup)
  const dump = `${backup}.dump`
  writeFileSync(dump, bytes.subarray(bytes.indexOf('\n') + 1))
  const majors = ['15', '16', '17', '18'].filter((major) => existsSync(`/usr/lib/postgresql/${major}/bin`))
  const { stdout } = await promisify(execFile)(
    `/usr/lib/postgresql/${majors.at(-1) ?? ''}/bin/pg_restore`,
    ['--data-only', '--file=-', dump],
    { maxBuffer: 200_000_000 },
  )
  const lines = stdout.split('\n').filter((line) => !line.startsWith('--') && !line.startsWith('\\'))
  const own = lines.findIndex((line) => line.startsWith('COPY public.installation'))
  return lines.filter((_, place) => place !== own + 1)
}

test('a backup made while it runs comes back into empty data, row by row, and nothing is overwritten', async () => {
  const port = await freePort()
  const instance = new Instance(first, port)
  const other = new Instance(second, port)
  await instance.start()
  try {
    const request = await requests.newContext({ baseURL: instance.origin })
    const path = `/api/projects/${demoId}`
    const { line, units } = (await (await request.get(path)).json()) as {
      line: { id: string }[]
      units: { models: { id: string }[] }[]
    }
    const punch = {
      id: newId(),
      at: new Date().toISOString(),
      kind: 'punched',
      stageId: line[0]?.id,
      modelIds: [units[0]?.models[0]?.id],
    }
    await request.post(`${path}/events`, { data: { events: [punch] } })
    const before: unknown = await (await request.get(`${path}/export`)).json()
    expect(await tool('backup', first, file)).toMatchObject({ code: 0 })
    expect((await tool('restore', first, file)).said).toContain('Seriatim is already running with these data')
    await request.dispose()
    await instance.stop()

    expect((await tool('restore', first, file)).said).toContain('There are data already')
    expect((await tool('restore', second, `${folder}/none.backup`)).said).toContain('cannot be read')
    const bytes = readFileSync(file)
    writeFileSync(`${folder}/cut.backup`, bytes.subarray(0, bytes.length - 10))
    expect((await tool('restore', second, `${folder}/cut.backup`)).said).toContain('is damaged')
    bytes[bytes.length - 100] = (bytes[bytes.length - 100] ?? 0) ^ 1
    writeFileSync(`${folder}/bent.backup`, bytes)
    expect((await tool('restore', second, `${folder}/bent.backup`)).said).toContain('is damaged')
    writeFileSync(`${folder}/letter.backup`, 'Dear desk,\n')
    expect((await tool('restore', second, `${folder}/letter.backup`)).said).toContain('is no backup')
    expect((await tool('backup', `${folder}/nowhere`, file)).said).toContain('There are no data')

    expect(await tool('restore', second, file)).toMatchObject({ code: 0 })
    const again = `${folder}/again.backup`
    expect(await tool('backup', second, again)).toMatchObject({ code: 0 })
    const rows = await rowsIn(file)
    expect(rows.some((row) => row.includes(punch.id))).toBe(true)
    expect(await rowsIn(again)).toEqual(rows)

    await other.start()
    const restored = await requests.newContext({ baseURL: other.origin })
    const after: unknown = await (await restored.get(`${path}/export`)).json()
    expect({ ...(after as object), writtenAt: '' }).toEqual({ ...(before as object), writtenAt: '' })
    await restored.dispose()
  } finally {
    await instance.stop()
    await other.stop()
  }
})
