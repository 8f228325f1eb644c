import { z } from 'zod'

/** Names that a value may speak of, by the field it stands in. */
export type Named = Readonly<Record<string, readonly string[]>>

const texts = [
  'Below the weir',
  '2026-12-11',
  '19:45',
  '08:00',
  '#5a7d3c',
  'Europe/Berlin',
  'EUR',
  'coat',
  'tabletop',
  'translucent-over-bright',
  'foot',
  '2026-11-24T19:41:00.000Z',
]

/**
 * A value, as JSON, that a schema takes, drawn at random from the schema itself; of what names other things one of `named`.
 * `undefined` where nothing was found in some tries.
 */
export function drawValue(schema: z.ZodType, random: () => number, named: Named, field = ''): unknown {
  for (let attempt = 0; attempt < 60; attempt++) {
    const value = draw(schema, random, named, field)
    if (value !== undefined && schema.safeParse(value).success) return value
  }
  return undefined
}

/** The same list with one field of one of its things drawn anew; `undefined` where it is no such list. */
export function changeOne(schema: z.ZodType, list: unknown, random: () => number, named: Named): unknown {
  const shape = shapeOfElements(schema)
  if (!shape || !Array.isArray(list) || list.length === 0) return undefined
  const at = Math.floor(random() * list.length)
  const fields = Object.entries(shape)
  const [field, own] = fields[Math.floor(random() * fields.length)] ?? []
  if (field === undefined || own === undefined) return undefined
  const value = drawValue(own, random, named, field)
  return (list as readonly object[]).map((each, index) => (index === at ? { ...each, [field]: value } : each))
}

/** The fields of the things in a list; `null` of what is no list of things. */
function shapeOfElements(schema: z.ZodType): Readonly<Record<string, z.ZodType>> | null {
  if (schema instanceof z.ZodArray) return schema.element instanceof z.ZodObject ? schema.element.shape : null
  if (schema instanceof z.ZodReadonly || schema instanceof z.ZodDefault)
    return shapeOfElements(schema.unwrap() as z.ZodType)
  return schema instanceof z.ZodPipe ? shapeOfElements(schema.def.in as z.ZodType) : null
}

function draw(schema: z.ZodType, random: () => number, named: Named, field: string): unknown {
  const pick = <Item>(list: readonly Item[]): Item | undefined => list[Math.floor(random() * list.length)]
  const inner = (of: unknown): unknown => draw(of as z.ZodType, random, named, field)
  const known = named[field]
  if (schema instanceof z.ZodNullable) return random() < 0.3 ? null : inner(schema.unwrap())
  if (schema instanceof z.ZodDefault || schema instanceof z.ZodReadonly || schema instanceof z.ZodOptional)
    return inner(schema.unwrap())
  if (schema instanceof z.ZodPipe) return inner(schema.def.in)
  if (schema instanceof z.ZodUnion) return inner(pick(schema.options))
  if (schema instanceof z.ZodLiteral) return pick([...schema.values])
  if (schema instanceof z.ZodEnum) return pick(schema.options)
  if (schema instanceof z.ZodBoolean) return random() < 0.5
  if (schema instanceof z.ZodNull) return null
  if (schema instanceof z.ZodObject) {
    const entries = Object.entries(schema.shape as Record<string, z.ZodType>).flatMap(([name, each]) => {
      const isOptional = each instanceof z.ZodOptional || each instanceof z.ZodExactOptional
      if (isOptional && random() < 0.5) return []
      const value = drawValue(each, random, named, name)
      return value === undefined ? [] : [[name, value]]
    })
    return Object.fromEntries(entries)
  }
  if (schema instanceof z.ZodExactOptional) return inner(schema.unwrap())
  if (schema instanceof z.ZodArray) {
    const minimum = boundOf(schema, 'min_length') ?? 0
    const count = Math.max(minimum, Math.floor(random() * 3))
    const element = schema.element as z.ZodType
    const each = () => drawValue(element, random, named, field)
    const list = Array.from({ length: count }, each).filter((each) => each !== undefined)
    return [...new Map(list.map((each) => [JSON.stringify(each), each])).values()]
  }
  if (known && random() < 0.7) return pick(known)
  if (schema instanceof z.ZodNumber) {
    const [minimum, maximum] = [boundOf(schema, 'greater_than') ?? 0, boundOf(schema, 'less_than') ?? 1000]
    const number = minimum + random() * (Math.min(maximum, minimum + 2000) - minimum)
    const isShare = maximum - minimum < 3 || !schema.safeParse(Math.round(number)).success
    return isShare && schema.format !== 'safeint' ? Math.round(number * 100) / 100 : Math.round(number)
  }
  return pick(texts)
}

/** What a check of a schema bounds it by. */
function boundOf(schema: z.ZodType, name: string): number | undefined {
  const checks = (schema._zod.def.checks ?? []).map(
    (each) => each._zod.def as unknown as Record<string, unknown>,
  )
  const own = checks.find((each) => each['check'] === name)
  return (own?.['value'] ?? own?.['minimum']) as number | undefined
}
