import { readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { anyProjectFileSchema, fieldErrors, type ProjectFile } from '@seriatim/contract'
import type { Result } from '@seriatim/core'

/** What a command prints, or a line for each thing that is wrong with what it was given. */
export type Printed = Result<string, readonly string[]>

/** One file and options with a value each; what is wrong with them in a sentence. */
export function readArguments<Name extends string>(
  args: readonly string[],
  names: readonly Name[],
): Result<{ readonly path: string; readonly values: Readonly<Partial<Record<Name, string>>> }, string> {
  const options = Object.fromEntries(names.map((name) => [name, { type: 'string' as const }]))
  try {
    const { positionals, values } = parseArgs({ args: [...args], allowPositionals: true, options })
    const [path, ...more] = positionals
    if (path === undefined || more.length > 0) return { ok: false, error: 'Name one project file.' }
    return { ok: true, value: { path, values: values as Partial<Record<Name, string>> } }
  } catch (error) {
    return { ok: false, error: error instanceof Error ? error.message : String(error) }
  }
}

/** The file, or a line for each fault with its path. */
export function readProjectFile(path: string): Result<ProjectFile, readonly string[]> {
  let text: string
  try {
    text = readFileSync(path, 'utf8')
  } catch {
    return { ok: false, error: [`${path}: this file cannot be read.`] }
  }
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch (error) {
    return { ok: false, error: [`${path}: this is not JSON: ${error instanceof Error ? error.message : ''}`] }
  }
  const parsed = anyProjectFileSchema.safeParse(json)
  if (parsed.success) return { ok: true, value: parsed.data }
  return {
    ok: false,
    error: fieldErrors(parsed.error.issues).map((each) => `${each.path || path}: ${each.message}`),
  }
}
