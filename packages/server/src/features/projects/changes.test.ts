import { commandsBetween, type Command } from '@seriatim/core/changes'
import { bodyPlans, recipeFromSchool, recipeSchools } from '@seriatim/core/recipe'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  newChange,
  newModel,
  newStage,
  punched,
  startTestServer,
  type ChangeAnswer,
} from '../../testing/test-server.ts'

import { stockShelfOnce } from '../shelf/service.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.stop())

const setSize = (value: number): Command => ({ kind: 'set', thing: 'project', field: 'batchSize', value })
const send = async (path: string, change: object) => {
  const answer = await server.call('POST', `${path}/changes`, change)
  return { status: answer.status, body: answer.body as ChangeAnswer }
}

describe('changes', () => {
  it('made on an older state change only what they name', async () => {
    const { path, unit } = await server.seed()
    const from = await server.project(path)
    await server.edit(path, (project) => ({ ...project, name: 'Weir', line: project.line.toReversed() }))
    const mine = commandsBetween(from, { ...from, units: [{ ...from.units[0]!, perHolder: 7 }] })
    const { body } = await send(path, newChange(from.revision, mine))
    expect(body.verdicts).toEqual([{ kind: 'done' }])
    expect(body.project).toMatchObject({
      name: 'Weir',
      revision: 3,
      units: [{ id: unit.id, perHolder: 7 }],
      line: from.line.toReversed(),
    })
  })

  it('three quick steps of one device, each made before the answer to the last, all count', async () => {
    const { path } = await server.seed()
    const { revision } = await server.project(path)
    const device = v7()
    for (const [number, size] of [7, 8, 9].entries()) {
      const change = { ...newChange(revision, [setSize(size)]), device, number: number + 1, own: number }
      expect((await send(path, change)).body.verdicts).toEqual([{ kind: 'done' }])
    }
    expect((await server.project(path)).batchSize).toBe(9)
  })

  it('a form opened before somebody else wrote does not write over it, and is told what there is', async () => {
    const { path } = await server.seed()
    const { revision } = await server.project(path)
    await server.edit(path, (project) => ({ ...project, batchSize: 9 }))
    const rename: Command = { kind: 'set', thing: 'project', field: 'name', value: 'Weir' }
    const { body } = await send(path, newChange(revision, [setSize(2), rename]))
    expect(body.verdicts).toEqual([{ kind: 'clash', theirs: 9 }, { kind: 'done' }])
    expect(body.project).toMatchObject({ batchSize: 9, name: 'Weir' })
  })

  it('of who saw what a restore has taken away write over nothing unasked', async () => {
    const { path, unit } = await server.seed()
    const { revision } = await server.project(path)
    const remove: Command = { kind: 'take', thing: 'unit', in: null, id: unit.id }
    const { body } = await send(path, newChange(revision + 5, [setSize(2), remove]))
    expect(body.verdicts).toMatchObject([{ kind: 'clash', theirs: 6 }, { kind: 'clash' }])
    expect(body.project).toMatchObject({ batchSize: 6, units: [{ id: unit.id }] })
    // Asked, and said again of what there is, it is carried out.
    const again = await send(path, newChange(revision, [setSize(2)]))
    expect(again.body.verdicts).toEqual([{ kind: 'done' }])
  })

  it('two that want the same are not in each other’s way', async () => {
    const { path } = await server.seed()
    const { revision } = await server.project(path)
    await server.edit(path, (project) => ({ ...project, batchSize: 9 }))
    const { body } = await send(path, newChange(revision, [setSize(9)]))
    expect(body.verdicts).toEqual([{ kind: 'done' }])
  })

  it('sent again, or at the same moment, are carried out once and get the same answer', async () => {
    const { path } = await server.seed()
    const from = await server.project(path)
    const change = newChange(
      from.revision,
      commandsBetween(from, { ...from, line: [...from.line, newStage('Grit')] as never }),
    )
    const answers = await Promise.all([send(path, change), send(path, change), send(path, change)])
    answers.push(await send(path, change))
    for (const { status, body } of answers) {
      expect(status).toBe(200)
      expect(body.verdicts).toEqual([{ kind: 'done' }])
      expect(body.project.revision).toBe(from.revision + 1)
    }
    const other = await server.problem(`${path}/changes`, 'POST', { ...change, commands: [setSize(3)] })
    expect([other.status, other.body.type]).toEqual([409, 'urn:seriatim:problem:id-reused'])
    const elsewhere = await server.seed()
    expect((await send(elsewhere.path, change)).status).toBe(409)
  })

  it('at the same moment by many devices are all carried out', async () => {
    const { path, unit } = await server.seed()
    const { revision } = await server.project(path)
    const models = Array.from({ length: 12 }, (_, index) => newModel(index + 10))
    await Promise.all(
      models.map((model) => {
        const ref = { thing: 'model' as const, id: model.id, in: unit.id, after: 'x', before: null }
        return send(path, newChange(revision, [{ kind: 'put', ...ref, value: model as never }]))
      }),
    )
    const after = await server.project(path)
    expect(after.units[0]?.models).toHaveLength(15)
    expect(after.revision).toBe(revision + 12)
  })

  it('that would leave the project wrong are refused whole, with the place', async () => {
    const { path, unit, line } = await server.seed()
    const wrong = async (some: () => object) => {
      const { status, body } = await server.edit(path, some)
      return [status, body.errors?.[0]?.path, body.errors?.[0]?.message]
    }
    const joinedTo = (unitId: string, stageId: string) => () => ({
      ...project,
      name: 'Not this',
      units: [{ ...unit, joinedAt: { unitId, stageId } }],
    })
    const project = await server.project(path)
    expect(await wrong(() => ({ ...project, line: [{ ...line[0]!, dryingMinSeconds: 5000 }] }))).toEqual([
      422,
      'line[0].dryingMaxSeconds',
      'The longest drying cannot be shorter than the shortest.',
    ])
    expect(await wrong(joinedTo(unit.id, line[0]!.id))).toEqual([
      422,
      'units[0].joinedAt.unitId',
      'A unit cannot be joined to itself.',
    ])
    expect(await wrong(joinedTo(v7(), line[0]!.id))).toEqual([
      422,
      'units[0].joinedAt.unitId',
      'There is no such unit in this project.',
    ])
    const twins = [...unit.models, { ...unit.models[0]!, id: v7() }]
    const many = Array.from({ length: 1001 }, (_, index) => newModel(index))
    expect(
      (await server.edit(path, () => ({ ...project, units: [{ ...unit, models: twins }] }))).status,
    ).toBe(200)
    expect(
      (await server.edit(path, (now) => ({ ...now, units: [{ ...now.units[0]!, models: many }] }))).status,
    ).toBe(422)
    expect((await server.project(path)).name).toBe('Tallow Fen')
  })

  it('both ends of a range can be moved past each other in one change', async () => {
    const { path, line } = await server.seed()
    const { body } = await server.edit(path, (project) => ({
      ...project,
      line: [{ ...line[0]!, dryingMinSeconds: 2400, dryingMaxSeconds: 3600 }, line[1]!],
    }))
    expect(body.project.line[0]).toMatchObject({ dryingMinSeconds: 2400, dryingMaxSeconds: 3600 })
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
    const { body } = await server.edit(path, (project) => ({ ...project, line: next }))
    expect(body.project.line).toEqual(next)
    expect((await server.project(path)).line).toEqual(next)
  })

  it('what was taken out comes back as it was, with its history', async () => {
    const { path, line, unit } = await server.seed()
    const event = punched(line[0]!.id, [unit.models[1]!.id])
    await server.call('POST', `${path}/events`, { events: [event] })
    const limited = line.map((stage) => ({ ...stage, notNeededBy: [unit.id] }))
    await server.edit(path, (project) => ({ ...project, line: limited }))
    await server.edit(path, (project) => ({ ...project, units: [] }))
    expect((await server.project(path)).line[0]?.notNeededBy).toEqual([])
    await server.edit(path, (project) => ({ ...project, line: project.line.slice(1) }))
    await server.edit(path, (project) => ({ ...project, units: [unit] }))
    await server.edit(path, (project) => ({ ...project, line: limited }))
    expect(await server.project(path)).toMatchObject({ line: limited, units: [unit] })
    expect(await server.events(path)).toEqual([event])
  })

  it('nothing of another project can be taken over', async () => {
    const [mine, theirs] = [await server.seed(), await server.seed()]
    await stockShelfOnce(server.db)
    const recipe = recipeFromSchool(recipeSchools[0]!, bodyPlans[0]!, 'Fen', () => v7())
    const own = { ...recipe, unitIds: [theirs.unit.id] }
    await server.edit(theirs.path, (project) => ({ ...project, recipes: [own] }))
    for (const taken of [
      { line: theirs.line },
      { units: [theirs.unit] },
      { recipes: [{ ...recipe, name: 'Taken over' }] },
    ]) {
      const refused = await server.edit(mine.path, (project) => ({ ...project, ...taken }))
      expect([refused.status, refused.body.type]).toEqual([422, 'urn:seriatim:problem:unknown-reference'])
    }
    expect(await server.project(theirs.path)).toMatchObject({
      line: theirs.line,
      units: [theirs.unit],
      recipes: [own],
    })
    expect((await server.project(mine.path)).revision).toBe(1)
  })

  it('are kept as a log from which each can be taken back', async () => {
    const { path } = await server.seed()
    const before = await server.project(path)
    await server.edit(path, (project) => ({
      ...project,
      batchSize: 3,
      line: [project.line[1]!, newStage('Grit') as never],
      units: [{ ...project.units[0]!, models: project.units[0]!.models.slice(1), pilot: [] }],
    }))
    const log = (await server.call('GET', `${path}/changes`)).body as { changes: { undo: Command[] }[] }
    expect(log.changes).toHaveLength(2)
    const { body } = await send(path, newChange(2, log.changes[0]!.undo))
    expect(body.verdicts.every((verdict) => verdict.kind === 'done')).toBe(true)
    expect(body.project).toEqual({ ...before, revision: 3 })
    for (const statement of ['update project_change set revision = 9', 'delete from project_change'])
      await expect(server.db.execute(statement)).rejects.toThrow()
  })

  it('name a command that is none at its place', async () => {
    const { path } = await server.seed()
    const refused = await server.problem(`${path}/changes`, 'POST', newChange(1, [setSize(0)]))
    expect(refused.body.errors).toEqual([
      { path: 'commands[0].value', message: 'A batch has at least one model.' },
    ])
    const far = await server.problem(`${path}/changes`, 'POST', newChange(2 ** 53, [setSize(3)]))
    expect(far.status).toBe(422)
  })
})
