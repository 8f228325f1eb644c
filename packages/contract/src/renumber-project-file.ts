import type { ProjectFile } from './project-file.ts'

const uuid = /[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/g

/**
 * The same project under ids of its own, so that a copy can stand beside the first. Whatever stands under an `id` in the
 * project or its events is the file's own, and is renewed wherever it is named, also within the name of a batch; materials,
 * clients and painters are not. `makeId` must not repeat itself.
 */
export function renumberProjectFile(file: ProjectFile, makeId: () => string): ProjectFile {
  const { around: _, ...own } = file
  const fresh = new Map<string, string>()
  const { planning, ...project } = own.project
  // Painters go by names of their own, by which a studio pays them.
  walk([project, { ...planning, painters: [] }, own.events], (text, key) => {
    if (key === 'id') for (const [id] of text.matchAll(uuid)) if (!fresh.has(id)) fresh.set(id, makeId())
    return text
  })
  const renew = (text: string): string => text.replaceAll(uuid, (id) => fresh.get(id) ?? id)
  return { ...own, project: walk(own.project, renew), events: walk(own.events, renew) }
}

/** The value with every text in it looked at, under the key it stands. */
function walk<Value>(value: Value, look: (text: string, key: string) => string, key = ''): Value {
  if (typeof value === 'string') return look(value, key) as Value
  if (Array.isArray(value)) return value.map((each: unknown) => walk(each, look, key)) as Value
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value).map(([name, each]: [string, unknown]) => [name, walk(each, look, name)]),
  ) as Value
}
