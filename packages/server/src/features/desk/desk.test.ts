import { v7 } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { startTestServer } from '../../testing/test-server.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.stop())

it('the desk keeps whose hours hold there, and takes no project that is not here', async () => {
  expect((await server.call('GET', '/desk')).body).toEqual({ hoursOf: null })
  const { id } = await server.seed()
  expect((await server.call('PUT', '/desk', { hoursOf: id })).body).toEqual({ hoursOf: id })
  expect((await server.call('GET', '/desk')).body).toEqual({ hoursOf: id })
  expect((await server.problem('/desk', 'PUT', { hoursOf: v7() })).status).toBe(404)
  expect((await server.problem('/desk', 'PUT', { hoursOf: 'mine' })).body.errors?.[0]?.path).toBe('hoursOf')
  expect((await server.call('PUT', '/desk', { hoursOf: null })).body).toEqual({ hoursOf: null })
})
