import { openApiDocument } from '@seriatim/contract'
import { Ajv2020, type ValidateFunction } from 'ajv/dist/2020.js'

interface Operation {
  readonly responses: Readonly<
    Record<string, { readonly content: Readonly<Record<string, { schema: object }>> }>
  >
}

const document = openApiDocument() as {
  readonly paths: Readonly<Record<string, Readonly<Record<string, Operation>>>>
  readonly components: { readonly schemas: { readonly Problem: object } }
}

// Every format has its pattern beside it.
const ajv = new Ajv2020({ strict: false, allErrors: true, validateFormats: false })
ajv.addSchema(document.components.schemas.Problem, '#/components/schemas/Problem')
const known = new Map<object, ValidateFunction>()

/**
 * Refuses an answer that is not as the published document has it: a status it does not name, a type it does not name, or a
 * body of another shape. An address the document does not know answers with a problem.
 * @throws Error
 */
export function checkAnswer(
  method: string,
  path: string,
  answer: { status: number; type: string | null; body: unknown },
): void {
  const [address = ''] = path.split('?')
  const templates = Object.keys(document.paths).toSorted((a, b) => names(a) - names(b))
  const template = templates.find(
    (each) => fits(each, address) && document.paths[each]?.[method.toLowerCase()],
  )
  const operation = template === undefined ? undefined : document.paths[template]?.[method.toLowerCase()]
  const said = operation?.responses[String(answer.status)] ?? operation?.responses['default']
  const where = `${method} ${path} (${String(answer.status)})`
  if (answer.status < 400 && !operation?.responses[String(answer.status)])
    throw new Error(`${where}: the document names no such answer`)
  const type = (answer.type ?? '').split(';')[0] ?? ''
  const schema = said ? said.content[type]?.schema : document.components.schemas.Problem
  if (!schema) throw new Error(`${where}: the document names no answer of type ${type}`)
  const validate = known.get(schema) ?? ajv.compile(schema)
  known.set(schema, validate)
  if (!validate(answer.body)) throw new Error(`${where}: ${ajv.errorsText(validate.errors)}`)
}

const names = (template: string) => template.split('{').length

function fits(template: string, path: string): boolean {
  const [wanted, given] = [template.split('/'), path.split('/')]
  return (
    wanted.length === given.length && wanted.every((part, at) => part.startsWith('{') || part === given[at])
  )
}
