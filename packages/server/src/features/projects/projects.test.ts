import type { EventJson, ProjectFileJson } from '@seriatim/contract'
import { bodyPlans, recipeFromSchool, recipeSchools } from '@seriatim/core/recipe'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoFile, newModel, punched, settings, startTestServer } from '../../testing/test-server.ts'

import { stockShelfOnce } from '../shelf/service.ts'

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

  it('are made once when sent twice at the same moment', async () => {
    const id = v7()
    const answers = await Promise.all(
      [1, 2, 3, 4].map(() => server.call('PUT', `/projects/${id}`, settings())),
    )
    expect(answers.map((answer) => answer.status)).toEqual([201, 201, 201, 201])
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

  it('say when they are done as a page worked it out last, without a change to the project', async () => {
    const { id, path } = await server.seed()
    const finishOf = async () => {
      const { projects } = (await server.call('GET', '/projects')).body as {
        projects: { id: string; finish: object | null }[]
      }
      return projects.find((each) => each.id === id)!.finish
    }
    const { revision } = await server.project(path)
    expect(await finishOf()).toBeNull()
    const said = { doneBy: '2026-12-03T20:30:00.000Z', odds: 0.6 }
    expect((await server.call('PUT', `${path}/finish`, said)).status).toBe(200)
    expect(await finishOf()).toMatchObject({ ...said, saidAt: expect.any(String) as string })
    expect((await server.call('PUT', `${path}/finish`, { doneBy: null, odds: null })).status).toBe(200)
    expect(await finishOf()).toMatchObject({ doneBy: null, odds: null })
    expect((await server.project(path)).revision).toBe(revision)
    expect((await server.call('PUT', `${path}/finish`, { doneBy: null, odds: 2 })).status).toBe(422)
    expect((await server.call('PUT', `/projects/${v7()}/finish`, said)).status).toBe(404)
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

describe('the library', () => {
  it('has the recipes of all other projects that are not put away', async () => {
    const copy = await server.project('/projects/import?copy=true', 'POST', demoFile())
    const ofCopy = copy.recipes.map((recipe) => recipe.id)
    const keptBeside = async (id: string) => {
      const { body } = await server.call('GET', `/recipes/beside/${id}`)
      const { kept } = body as { kept: { project: string; recipe: { id: string } }[] }
      return kept.filter((each) => ofCopy.includes(each.recipe.id as never))
    }
    const kept = await keptBeside(v7())
    expect(kept).toHaveLength(ofCopy.length)
    expect(new Set(kept.map((each) => each.project))).toEqual(new Set([copy.name]))
    expect(await keptBeside(copy.id)).toEqual([])
    await server.call('DELETE', `/projects/${copy.id}`)
    expect(await keptBeside(v7())).toEqual([])
  })
})

describe('project files', () => {
  it('come back as they went in', async () => {
    const file = demoFile()
    expect((await server.call('POST', '/projects/import', file)).status).toBe(201)
    const { around, ...back } = (await server.call('GET', `/projects/${file.project.id}/file`))
      .body as ProjectFileJson
    expect(back).toEqual({ ...file, writtenAt: '2026-11-24T21:00:00.000Z' })
    expect(around).toEqual({ readings: [], pace: [], plan: null })
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
    await server.edit(path, (project) => ({
      ...project,
      line: line.slice(0, 1),
      units: [{ ...unit, models: unit.models.slice(0, 2) }],
    }))
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

  it('go out and come back with a removed unit that a recipe followed and a removed stage one was joined at', async () => {
    const { path, line, unit } = await server.seed()
    await stockShelfOnce(server.db)
    const other = { ...unit, id: v7(), name: 'Stilts', pilot: [], models: [newModel(7)] }
    const joined = { ...other, joinedAt: { unitId: unit.id, stageId: line[1]!.id } }
    const recipe = recipeFromSchool(recipeSchools[0]!, bodyPlans[0]!, 'Fen', () => v7())
    const follows = { ...recipe, unitIds: [unit.id, joined.id] }
    await server.edit(path, (project) => ({ ...project, units: [unit, joined], recipes: [follows] }))
    const removeUnit = await server.edit(path, (project) => ({ ...project, units: project.units.slice(1) }))
    expect(removeUnit.body.project.recipes[0]?.unitIds).toEqual([joined.id])
    const without = await server.call('GET', `${path}/file`)
    expect((await server.call('POST', '/projects/import?copy=true', without.body)).status).toBe(201)
    await server.edit(path, (project) => ({ ...project, units: [unit, ...project.units] }))
    expect(await server.project(path)).toMatchObject({
      units: [{ id: unit.id }, { joinedAt: joined.joinedAt }],
      recipes: [{ unitIds: [unit.id, joined.id] }],
    })
    await server.edit(path, (project) => ({ ...project, line: line.slice(0, 1) }))
    const cut = await server.call('GET', `${path}/file`)
    expect((await server.call('POST', '/projects/import?copy=true', cut.body)).status).toBe(201)
  })

  it('keep an undo however far from its target it stands, before or after it', async () => {
    const { path, line, unit } = await server.seed()
    const { body } = await server.call('GET', `${path}/file`)
    const file = body as ProjectFileJson
    const punches = Array.from({ length: 4500 }, () => punched(line[0]!.id, [unit.models[0]!.id]))
    const undo = (target: EventJson) =>
      ({ id: v7(), at: '2026-11-24T20:00:00.000Z', kind: 'undone', targetId: target.id }) as EventJson
    const events = [undo(punches[4000]!), ...punches, undo(punches[0]!)]
    const copy = await server.project('/projects/import?copy=true', 'POST', { ...file, events })
    const again = (await server.call('GET', `/projects/${copy.id}/file`)).body as ProjectFileJson
    expect(again.events).toHaveLength(events.length)
    expect(again.events.filter((event) => event.kind === 'undone')).toHaveLength(2)
  })

  it('of an earlier version are read: batches are named by their models', async () => {
    const { path, line, unit } = await server.seed()
    const { body } = await server.call('GET', `${path}/file`)
    const file = structuredClone(body) as ProjectFileJson
    const pin = { batchId: `${unit.id}/1`, stageId: line[0]!.id, on: '2026-11-26', at: '19:30' }
    file.project.planning = { ...file.project.planning!, first: [`${unit.id}/2`], pins: [pin] }
    const old = { ...file, version: 1, project: { ...file.project, id: v7() } }
    const copy = await server.project('/projects/import?copy=true', 'POST', old)
    const ids = copy.units[0]!.models.map((model) => model.id)
    expect(copy.planning.pins[0]?.batchId).toBe(`${ids[1]}..${ids[1]}`)
    expect(copy.planning.first).toEqual([`${ids[0]}..${ids[2]}`])
  })

  it('whose records are another project’s already are refused', async () => {
    const { path, line, unit } = await server.seed()
    await server.call('POST', `${path}/events`, { events: [punched(line[0]!.id, [unit.models[0]!.id])] })
    const { body } = await server.call('GET', `${path}/file`)
    const file = structuredClone(body) as ProjectFileJson
    const other = {
      ...file,
      project: {
        ...file.project,
        id: v7(),
        units: [
          { ...unit, id: v7(), pilot: [], models: unit.models.map((model) => ({ ...model, id: v7() })) },
        ],
        line: [{ ...line[0]!, id: v7() }],
      },
    }
    const events = file.events.map((event) => ({
      ...event,
      stageId: other.project.line[0]!.id,
      modelIds: [other.project.units[0]!.models[0]!.id],
    }))
    const refused = await server.problem('/projects/import', 'POST', { ...other, events })
    expect([refused.status, refused.body.type]).toEqual([409, 'urn:seriatim:problem:id-reused'])
    expect((await server.call('GET', `/projects/${other.project.id}`)).status).toBe(404)
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
