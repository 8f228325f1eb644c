import { z } from 'zod'
import { problemSchema } from './problem.ts'
import { calendarFeed, newsStream, routes, type Route } from './routes.ts'

type Json = Readonly<Record<string, unknown>>

/** The JSON Schema (2020-12) of what goes over the wire: what a client sends, or what the server answers. */
function schemaOf(schema: z.ZodType, io: 'input' | 'output'): Json {
  const { $schema: _, ...made } = z.toJSONSchema(schema, { io, unrepresentable: 'any' })
  return made
}

const problemAnswer = {
  description: 'What is wrong, in a sentence, with the path of each faulty field (RFC 9457).',
  content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
}

/** What is not answered in JSON. */
interface TextRoute {
  readonly path: string
  readonly params: z.ZodType
}

/** `/projects/{id}` */
const pathOf = (path: string) => path.replace(/:(\w+)/g, '{$1}')

function parametersOf(schema: z.ZodType, where: 'path' | 'query'): readonly Json[] {
  const { properties = {}, required = [] } = schemaOf(schema, 'input') as {
    readonly properties?: Readonly<Record<string, Json>>
    readonly required?: readonly string[]
  }
  return Object.entries(properties).map(([name, own]) => ({
    name,
    in: where,
    required: where === 'path' || required.includes(name),
    schema: own,
  }))
}

function operationOf(name: string, route: Route): Json {
  const takesBody = route.method === 'POST' || route.method === 'PUT'
  const body = schemaOf(route.body, 'input')
  const isEmpty = Object.keys((body['properties'] as object | undefined) ?? {}).length === 0
  return {
    operationId: name,
    // Who may ask, where there is a door: by signing in, or by a key of the scope for it.
    'x-audience': route.audience,
    ...(route.audience === 'anyone' ? { security: [] } : {}),
    parameters: [...parametersOf(route.params, 'path'), ...parametersOf(route.query, 'query')],
    ...(takesBody && !(body['type'] === 'object' && isEmpty)
      ? { requestBody: { required: true, content: { 'application/json': { schema: body } } } }
      : {}),
    responses: {
      [String(route.status)]: {
        description: 'The answer.',
        content: { 'application/json': { schema: schemaOf(route.answer, 'input') } },
      },
      default: problemAnswer,
    },
  }
}

/** Of the interface, not of the release: it rises when a script would have to be changed. */
const version = '1.0.0'

/** The interface for scripts as an OpenAPI 3.1 document, made from the routes that server and pages use. */
export function openApiDocument(): Json {
  const paths: Record<string, Record<string, unknown>> = {}
  const add = (path: string, method: string, operation: Json) => {
    const own = (paths[pathOf(path)] ??= {})
    own[method.toLowerCase()] = operation
  }
  for (const [name, route] of Object.entries(routes)) add(route.path, route.method, operationOf(name, route))
  const addText = (name: string, { path, params }: TextRoute, type: string, description: string) =>
    add(path, 'GET', {
      operationId: name,
      parameters: parametersOf(params, 'path'),
      responses: {
        '200': { description, content: { [type]: { schema: { type: 'string' } } } },
        default: problemAnswer,
      },
    })
  addText(
    'listenToNews',
    newsStream,
    'text/event-stream',
    `Server-sent events named “${newsStream.event}”: there is something new, and which device wrote it.`,
  )
  addText(
    'readCalendar',
    calendarFeed,
    'text/calendar',
    'Sessions of the next half year and the date (RFC 5545).',
  )
  return {
    openapi: '3.1.1',
    info: {
      title: 'Seriatim',
      version,
      description: 'Projects of painted models: structure changes by commands, progress by events.',
    },
    servers: [{ url: '/api' }],
    paths,
    // On this machine's loopback nobody signs in; through a door a script sends a key.
    security: [{}, { key: [] }, { feedKey: [] }],
    components: {
      schemas: { Problem: schemaOf(problemSchema, 'output') },
      securitySchemes: {
        key: { type: 'http', scheme: 'bearer' },
        feedKey: { type: 'apiKey', in: 'query', name: 'key', description: 'For the calendar alone.' },
      },
    },
  }
}
