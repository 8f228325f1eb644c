import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  demoFile,
  newModel,
  newStage,
  punched,
  settings,
  startTestServer,
} from '../../testing/test-server.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.stop())

describe('projects', () => {
  it('are made once, however often they are sent', async () => {
    const id = v7()
    expect((await server.call('PUT', `/projects/${id}`, settings())).status).toBe(201)
    const again = await server.project(`/projects/${id}`, 'PUT', { ...settings(), name: 'Other' })
    expect(again).toMatchObject({ id, name: 'Tallow Fen', revision: 0, units: [], line: [] })
  })

  it('are listed with the work that is left', async () => {
    const { id, line, unit, path } = await server.seed()
    await server.call('POST', `${path}/events`, { events: [punched(line[0]!.id, [unit.models[0]!.id])] })
    const list = (await server.call('GET', '/projects')).body as { projects: { id: string }[] }
    expect(list.projects.find((project) => project.id === id)).toMatchObject({
      models: 3,
      stages: 2,
      // A minute on a foot model is 1.5 · 1.2 minutes on a large, ornate one.
      totalSeconds: 648,
      leftSeconds: 540,
      modelsTableReady: 0,
    })
  })

  it('can be put away and brought back', async () => {
    const { path } = await server.seed()
    await server.call('DELETE', path)
    expect((await server.call('GET', path)).status).toBe(404)
    await server.call('POST', `${path}/restore`)
    expect((await server.project(path)).units).toHaveLength(1)
  })

  it('answer problem documents with the path of each faulty field', async () => {
    const { status, type, body } = await server.problem(`/projects/${v7()}`, 'PUT', {
      ...settings(),
      name: '',
      evenings: { ...settings().evenings, weekdays: [9] },
    })
    expect(status).toBe(422)
    expect(type).toBe('application/problem+json')
    expect(body).toMatchObject({ type: 'urn:seriatim:problem:invalid-request', status: 422 })
    expect(body.errors?.map((error) => error.path)).toEqual(['name', 'evenings.weekdays[0]'])
  })

  it.each([
    ['GET', '/projects/nonsense'],
    ['GET', `/projects/${v7()}`],
    ['DELETE', `/projects/${v7()}`],
    ['GET', '/nothing'],
  ])('%s %s is not found', async (method, path) => {
    const { status, type } = await server.problem(path, method)
    expect([status, type]).toEqual([404, 'application/problem+json'])
  })

  it('refuse what is not JSON', async () => {
    const response = await server.app.request(`/api/projects/${v7()}`, {
      method: 'PUT',
      body: '{',
      headers: { 'content-type': 'application/json' },
    })
    expect(response.status).toBe(422)
    expect(await response.json()).toMatchObject({
      detail: 'The request is not valid JSON, or not JSON at all.',
    })
  })
})

describe('changes', () => {
  it('a change from a stale revision is refused and changes nothing', async () => {
    const { path, line } = await server.seed()
    const stale = await server.problem(`${path}/line`, 'PUT', { revision: 1, line: line.slice(0, 1) })
    expect(stale.status).toBe(409)
    expect(stale.body.type).toBe('urn:seriatim:problem:stale-revision')
    expect((await server.project(path)).line).toHaveLength(2)
  })

  it('of two changes from the same revision one wins', async () => {
    const { path } = await server.seed()
    const answers = await Promise.all(
      ['A', 'B', 'C'].map((name) =>
        server.call('PUT', `${path}/settings`, { revision: 2, settings: { ...settings(), name } }),
      ),
    )
    expect(answers.map((answer) => answer.status).sort()).toEqual([200, 409, 409])
  })

  it('the line keeps its order, its touches and who needs a stage', async () => {
    const { path, line, unit } = await server.seed()
    const base = newStage('Grit', {
      touch: { kind: 'base' },
      notNeededBy: [unit.id],
      tableReady: true,
      cautions: ['dust'],
    })
    const known = { unitId: unit.id, bestSeconds: 60, likelySeconds: 90, worstSeconds: 240 }
    const skin = newStage('Skin', {
      technique: 'wash',
      typed: [known],
      touch: { kind: 'regions', regions: ['skin', 'hands'] },
      note: 'Thin.',
    })
    const few = newStage('Cloak', { limits: [{ unitId: unit.id, roles: ['cloak', 'leader'] }] })
    const next = [skin, line[1]!, base, few, line[0]!]
    const after = await server.project(`${path}/line`, 'PUT', { revision: 2, line: next })
    expect(after.line).toEqual(next)
    expect(after.revision).toBe(3)
  })

  it('a removed stage, unit or model comes back with its history', async () => {
    const { path, line, unit } = await server.seed()
    const event = punched(line[0]!.id, [unit.models[1]!.id])
    await server.call('POST', `${path}/events`, { events: [event] })
    await server.call('PUT', `${path}/line`, { revision: 2, line: line.slice(1) })
    const less = { ...unit, pilot: [], models: unit.models.slice(0, 1) }
    await server.call('PUT', `${path}/units/${unit.id}`, { revision: 3, unit: less })
    expect(await server.project(path)).toMatchObject({ line: [line[1]], units: [less] })
    await server.call('DELETE', `${path}/units/${unit.id}`, { revision: 4 })
    expect((await server.project(path)).units).toEqual([])
    await server.call('PUT', `${path}/units/${unit.id}`, { revision: 5, unit })
    await server.call('PUT', `${path}/line`, { revision: 6, line })
    expect(await server.project(path)).toMatchObject({ line, units: [unit] })
    expect((await server.call('GET', `${path}/events`)).body).toEqual({ events: [event] })
  })

  it('models keep the order they are sent in', async () => {
    const { path, unit } = await server.seed()
    const turned = { ...unit, name: 'Turned', models: [...unit.models.toReversed(), newModel(9)] }
    const after = await server.project(`${path}/units/${unit.id}`, 'PUT', { revision: 2, unit: turned })
    expect(after.units).toEqual([turned])
  })

  it('nothing of another project can be taken over', async () => {
    const [mine, theirs] = [await server.seed(), await server.seed()]
    const line = await server.problem(`${mine.path}/line`, 'PUT', { revision: 2, line: theirs.line })
    const unit = await server.problem(`${mine.path}/units/${theirs.unit.id}`, 'PUT', {
      revision: 2,
      unit: theirs.unit,
    })
    expect([line.status, unit.status]).toEqual([422, 422])
    expect(await server.project(theirs.path)).toMatchObject({ line: theirs.line, units: [theirs.unit] })
    expect((await server.project(mine.path)).revision).toBe(2)
  })
})

describe('project files', () => {
  it('come back as they went in', async () => {
    const file = demoFile()
    expect((await server.call('POST', '/projects/import', file)).status).toBe(201)
    expect((await server.call('GET', `/projects/${file.project.id}/file`)).body).toEqual(file)
  })

  it('are refused a second time, and loaded beside the first as a copy', async () => {
    const file = demoFile()
    await server.call('POST', '/projects/import', file)
    const again = await server.problem('/projects/import', 'POST', file)
    expect([again.status, again.body.type]).toEqual([409, 'urn:seriatim:problem:project-exists'])
    const copy = await server.project('/projects/import?copy=true', 'POST', file)
    expect(copy.id).not.toBe(file.project.id)
    expect(copy.units.map((unit) => unit.name)).toEqual(file.project.units.map((unit) => unit.name))
  })

  it('leave out what speaks only of removed stages and models', async () => {
    const { path, line, unit } = await server.seed()
    const [kept, lost] = [
      punched(
        line[0]!.id,
        unit.models.map((model) => model.id),
      ),
      punched(line[1]!.id, [unit.models[0]!.id]),
    ]
    const undo = { id: v7(), at: '2026-11-24T20:00:00.000Z', kind: 'undone', targetId: lost.id }
    await server.call('POST', `${path}/events`, { events: [kept, lost, undo] })
    await server.call('PUT', `${path}/line`, { revision: 2, line: line.slice(0, 1) })
    await server.call('PUT', `${path}/units/${unit.id}`, {
      revision: 3,
      unit: { ...unit, models: unit.models.slice(0, 2) },
    })
    const { body } = await server.call('GET', `${path}/file`)
    const { events } = body as { events: { id: string; modelIds: string[] }[] }
    expect(events.map((event) => event.id)).toEqual([kept.id])
    expect(events[0]!.modelIds.toSorted()).toEqual(
      unit.models
        .slice(0, 2)
        .map((model) => model.id)
        .toSorted(),
    )
    expect((await server.call('POST', '/projects/import?copy=true', body)).status).toBe(201)
  })

  it('a faulty file is named at its fault and leaves nothing behind', async () => {
    const file = demoFile()
    file.project.id = v7()
    file.project.line[3]!.name = ''
    const { status, body } = await server.problem('/projects/import', 'POST', file)
    expect(status).toBe(422)
    expect(body.errors).toEqual([{ path: 'project.line[3].name', message: 'Give the stage a name.' }])
    expect((await server.call('GET', `/projects/${file.project.id}`)).status).toBe(404)
  })
})
