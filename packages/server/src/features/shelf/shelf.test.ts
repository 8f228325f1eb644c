import { starterShelf } from '@seriatim/core/presets'
import { recipeFromSchool, recipeSchools, bodyPlans } from '@seriatim/core/recipe'
import type { Material } from '@seriatim/core/trade'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoFile, startTestServer } from '../../testing/test-server.ts'
import { stockShelfOnce } from './service.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.stop())

const shelfNames = async () => {
  const { body } = await server.call('GET', '/shelf')
  return (body as { materials: Material[] }).materials.map((material) => material.name)
}
const own = (name: string, some: Partial<Material> = {}) => ({
  ...starterShelf[0],
  id: v7(),
  name,
  ...some,
})
const put = (path: string, recipes: readonly object[]) =>
  server.edit(path, (project) => ({ ...project, recipes }))
const firstRecipe = () => recipeFromSchool(recipeSchools[0]!, bodyPlans[0]!, 'Reed-pikes', () => v7())

describe('the shelf', () => {
  it('begins with generic materials, once', async () => {
    expect(await shelfNames()).toEqual([])
    await stockShelfOnce(server.db)
    expect(await shelfNames()).toHaveLength(starterShelf.length)
    const [any] = starterShelf
    expect((await server.call('DELETE', `/shelf/${any?.id}`)).status).toBe(200)
    await stockShelfOnce(server.db)
    expect(await shelfNames()).toHaveLength(starterShelf.length - 1)
    expect((await server.call('PUT', '/shelf', { materials: [any] })).status).toBe(200)
    expect(await shelfNames()).toHaveLength(starterShelf.length)
  })

  it('takes new and changed materials, all or none', async () => {
    const fresh = own('Heron blue')
    expect((await server.call('PUT', '/shelf', { materials: [fresh] })).status).toBe(200)
    expect((await server.call('PUT', '/shelf', { materials: [{ ...fresh, stockMl: 12 }] })).status).toBe(200)
    const twin = await server.problem('/shelf', 'PUT', {
      materials: [own('Sedge green'), own('heron BLUE')],
    })
    expect(twin).toMatchObject({
      status: 422,
      body: {
        errors: [{ path: 'materials[1].name', message: 'A material of this name is on the shelf already.' }],
      },
    })
    expect(await shelfNames()).not.toContain('Sedge green')
  })

  it('of two who change different fields of one both are kept; of the same field both words are said', async () => {
    const opened = own('Two hands')
    await server.call('PUT', '/shelf', { materials: [opened] })
    const change = (some: Partial<Material>, before: object = opened) =>
      server.call('PUT', '/shelf', { materials: [{ ...opened, ...some }], before: [before] })
    expect((await change({ stockMl: 12 })).status).toBe(200)
    expect((await change({ dryingMaxSeconds: 7200 as never })).status).toBe(200)
    const kept = async () =>
      ((await server.call('GET', '/shelf')).body as { materials: Material[] }).materials.find(
        ({ id }) => id === opened.id,
      )
    expect(await kept()).toMatchObject({ stockMl: 12, dryingMaxSeconds: 7200 })
    expect(await change({ stockMl: 20 })).toMatchObject({
      status: 409,
      body: { errors: [{ path: 'materials[0].stockMl', message: '12 there, 20 here' }] },
    })
    expect(await kept()).toMatchObject({ stockMl: 12 })
    // Who has seen the twelve may make it twenty.
    expect((await change({ stockMl: 20 }, await kept())).status).toBe(200)
  })

  it('two that swap their names both get them', async () => {
    const [one, two] = [own('Silt'), own('Peat')]
    await server.call('PUT', '/shelf', { materials: [one, two] })
    const swapped = [
      { ...one, name: 'Peat' },
      { ...two, name: 'Silt' },
    ]
    expect((await server.call('PUT', '/shelf', { materials: swapped })).status).toBe(200)
    const { body } = await server.call('GET', '/shelf')
    const { materials } = body as { materials: Material[] }
    expect(materials.find((material) => material.id === one.id)?.name).toBe('Peat')
  })

  it('takes a name once when it is sent twice at the same moment', async () => {
    const send = () => server.call('PUT', '/shelf', { materials: [own('Twin ochre')] })
    const answers = await Promise.all([send(), send(), send()])
    expect(answers.map((answer) => answer.status).sort()).toEqual([200, 422, 422])
  })

  it('names the field that is wrong', async () => {
    const wrong = await server.problem('/shelf', 'PUT', {
      materials: [own('x', { colour: '#12', opacity: 3 })],
    })
    expect(wrong.status).toBe(422)
    expect(wrong.body.errors?.map((each) => each.path)).toEqual([
      'materials[0].colour',
      'materials[0].opacity',
    ])
  })

  it('keeps what a recipe uses', async () => {
    const { path } = await server.seed()
    const recipe = firstRecipe()
    expect((await put(path, [recipe])).status).toBe(200)
    const used = recipe.steps[0]?.mix[0]?.materialId
    expect(await server.problem(`/shelf/${used}`, 'DELETE')).toMatchObject({
      status: 409,
      body: { detail: 'The recipe “Reed-pikes” uses this material. Take it out there first.' },
    })
    expect(await server.problem(`/shelf/${v7()}`, 'DELETE')).toMatchObject({ status: 404 })
  })
})

describe('recipes', () => {
  it('are stored as they are, taken out, and come back when put again', async () => {
    const { path } = await server.seed()
    const recipe = firstRecipe()
    await put(path, [recipe])
    expect((await server.project(path)).recipes).toEqual([recipe])
    await put(path, [])
    expect((await server.project(path)).recipes).toEqual([])
    await put(path, [{ ...recipe, name: 'Again' }])
    expect((await server.project(path)).recipes[0]?.name).toBe('Again')
  })

  it('refuse a material that is not on the shelf and a region they do not have, at its path', async () => {
    const { path } = await server.seed()
    const recipe = firstRecipe()
    const [step, ...rest] = recipe.steps
    const unknown = { ...recipe, steps: [{ ...step!, mix: [{ materialId: v7(), parts: 1 }] }, ...rest] }
    expect(await put(path, [unknown])).toMatchObject({
      status: 422,
      body: { errors: [{ path: 'recipes[0].steps[0].mix[0].materialId' }] },
    })
    const nowhere = { ...recipe, steps: [{ ...step!, on: ['tail'] }, ...rest] }
    expect(await put(path, [nowhere])).toMatchObject({
      status: 422,
      body: {
        errors: [
          { path: 'commands[0].value.steps[0].on[0]', message: 'The recipe has no region of this name.' },
        ],
      },
    })
    await put(path, [recipe])
    const off = recipe.steps.map((each) => (each === step ? { ...each, on: ['tail'] } : each))
    expect(await put(path, [{ ...recipe, steps: off }])).toMatchObject({
      status: 422,
      body: { errors: [{ path: 'recipes[0].steps[0].on[0]' }] },
    })
  })

  it('takes no stand-in that is not on the shelf, in a kept version neither', async () => {
    const { path } = await server.seed()
    const recipe = firstRecipe()
    const [step, ...rest] = recipe.steps
    const steps = [{ ...step!, substitutes: [v7()] }, ...rest]
    const { regions, preferences } = recipe
    const versions = [{ number: 1, keptOn: '2026-11-25', note: '', regions, steps, preferences }]
    expect(await put(path, [{ ...recipe, steps }])).toMatchObject({
      status: 422,
      body: { errors: [{ path: 'recipes[0].steps[0].substitutes[0]' }] },
    })
    expect(await put(path, [{ ...recipe, versions }])).toMatchObject({
      status: 422,
      body: { errors: [{ path: 'recipes[0].versions[0].steps[0].substitutes[0]' }] },
    })
  })

  it('go out with their materials and come back onto another shelf, by name where it has them', async () => {
    const other = await startTestServer()
    const mine = own('black primer, spray')
    await other.call('PUT', '/shelf', { materials: [mine] })
    const { status } = await other.call('POST', '/projects/import', demoFile())
    expect(status).toBe(201)
    const { id } = demoFile().project
    const stored = await other.project(`/projects/${id}`)
    expect(stored.recipes[0]?.steps[0]?.mix[0]?.materialId).toBe(mine.id)
    const { body } = await other.call('GET', `/projects/${id}/file`)
    const file = body as { shelf: { id: string; name: string }[] }
    expect(file.shelf.map((material) => material.id)).toContain(mine.id)
    expect(file.shelf).toHaveLength(demoFile().shelf?.length ?? 0)
    await other.stop()
  })
})
