import { anyProjectFileSchema, anyStudioFileSchema, fieldErrors } from '@seriatim/contract'

/** A file as it was picked: of one project or of a whole studio, or what is wrong with it. */
export type ReadFile =
  | { readonly kind: 'project' | 'studio'; readonly json: unknown }
  | { readonly kind: 'wrong'; readonly errors: readonly string[] }

/** @param name what the file is called, where a fault has no place in it. */
export function readFile(name: string, text: string): ReadFile {
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    return { kind: 'wrong', errors: [`${name} is not JSON.`] }
  }
  const isStudio =
    typeof json === 'object' && json !== null && 'format' in json && json.format === 'seriatim-studio'
  const parsed = (isStudio ? anyStudioFileSchema : anyProjectFileSchema).safeParse(json)
  if (parsed.success) return { kind: isStudio ? 'studio' : 'project', json }
  return {
    kind: 'wrong',
    errors: fieldErrors(parsed.error.issues).map((each) => `${each.path || name}: ${each.message}`),
  }
}
