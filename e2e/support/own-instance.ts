import { rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { freePort, Instance } from './instance.ts'
import { test } from './test.ts'

/** A Seriatim for the tests of a file or a group alone, with data of its own; given back once it runs. */
export function ownInstance(name: string): () => Instance {
  const data = fileURLToPath(new URL(`../../.cache/e2e-${name}-data`, import.meta.url))
  let instance: Instance | undefined
  test.beforeAll(async () => {
    rmSync(data, { recursive: true, force: true })
    instance = new Instance(data, await freePort())
    await instance.start()
  })
  test.afterAll(async () => {
    await instance?.stop()
    rmSync(data, { recursive: true, force: true })
  })
  return () => {
    if (!instance) throw new Error('it runs only within a test')
    return instance
  }
}
