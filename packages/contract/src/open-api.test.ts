import { describe, expect, it } from 'vitest'
import { openApiDocument } from './open-api.ts'
import { routes } from './routes.ts'

const { paths, openapi } = openApiDocument() as {
  openapi: string
  paths: Record<
    string,
    Record<
      string,
      {
        operationId: string
        parameters: { name: string; in: string; required: boolean }[]
        requestBody?: object
        responses: object
      }
    >
  >
}
const operations = Object.entries(paths).flatMap(([path, own]) =>
  Object.entries(own).map(([method, operation]) => ({ path, method, ...operation })),
)

describe('the OpenAPI document', () => {
  it('names every route once, the news and the calendar', () => {
    expect(openapi).toMatch(/^3\.1\./)
    const wanted = Object.entries(routes).map(
      ([name, { method, path }]) => `${name} ${method.toLowerCase()} ${path.replace(/:(\w+)/g, '{$1}')}`,
    )
    expect(
      operations.map(({ operationId, method, path }) => `${operationId} ${method} ${path}`).sort(),
    ).toEqual(
      [
        ...wanted,
        'listenToNews get /projects/{id}/news',
        'readCalendar get /projects/{id}/calendar.ics',
      ].sort(),
    )
  })

  it('has a parameter for each place in a path, and a body where one is taken', () => {
    for (const { path, parameters } of operations) {
      const places = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => name)
      const own = parameters.filter((each) => each.in === 'path')
      expect(own.map(({ name }) => name)).toEqual(places)
      expect(own.every(({ required }) => required)).toBe(true)
    }
    expect(operations.flatMap((each) => (each.requestBody ? [each.operationId] : [])).sort()).toEqual([
      'acceptQuote',
      'addKey',
      'addMember',
      'addPhoto',
      'bringRates',
      'changeProject',
      'chooseStudio',
      'createProject',
      'importProject',
      'importStudio',
      'keepPlan',
      'makeLink',
      'makeQuote',
      'nameStudio',
      'putAir',
      'putClient',
      'putDesk',
      'putMaterials',
      'putPrices',
      'recordEvents',
      'sayFinish',
      'setMemberRole',
      'setPhoto',
    ])
    const query = operations
      .find(({ operationId }) => operationId === 'readEvents')!
      .parameters.find((each) => each.in === 'query')
    expect(query).toMatchObject({ name: 'after', required: false, schema: { minimum: 0, default: 0 } })
  })

  it('refers to nothing that is not in it', () => {
    const text = JSON.stringify(openApiDocument())
    expect(new Set(text.match(/"\$ref":"[^"]*"/g))).toEqual(
      new Set(['"$ref":"#/components/schemas/Problem"']),
    )
    expect(text).not.toContain('$defs')
  })
})
