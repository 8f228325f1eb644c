import { readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { anyProjectFileSchema, fieldErrors, type ProjectFile } from '@seriatim/contract'
import { Figures } from '@seriatim/core/estimating'
import type { PlanWish } from '@seriatim/core/plan'
import { foldProgress } from '@seriatim/core/progress'
import { instant, type Instant, type Result } from '@seriatim/core/units'

/** What a command prints, or a line for each thing that is wrong with what it was given. */
export type Printed = Result<string, readonly string[]>

interface Arguments<Name extends string> {
  readonly path: string
  readonly values: Readonly<Partial<Record<Name, string>>>
  /** Of `--beside`, as often as it is given. */
  readonly beside: readonly string[]
}

/** One file and options with a value each, `--beside` among them any number of times; what is wrong in a sentence. */
export function readArguments<Name extends string>(
  args: readonly string[],
  names: readonly (Name | 'beside')[],
): Result<Arguments<Name>, string> {
  const options = Object.fromEntries(
    names.map((name) => [name, { type: 'string' as const, multiple: name === 'beside' }]),
  )
  try {
    const { positionals, values } = parseArgs({ args: [...args], allowPositionals: true, options })
    const [path, ...more] = positionals
    if (path === undefined || more.length > 0) return { ok: false, error: 'Name one project file.' }
    const { beside = [], ...others } = values as { beside?: readonly string[] }
    return { ok: true, value: { path, beside, values: others as Partial<Record<Name, string>> } }
  } catch (error) {
    return { ok: false, error: error instanceof Error ? error.message : String(error) }
  }
}

/** Other projects at the same desk: each another than the first, and than those before it. */
export function readBeside(
  first: ProjectFile,
  paths: readonly string[],
): Result<readonly ProjectFile[], readonly string[]> {
  const files: ProjectFile[] = []
  for (const path of paths) {
    const file = readProjectFile(path)
    if (!file.ok) return file
    if ([first, ...files].some(({ project }) => project.id === file.value.project.id))
      return { ok: false, error: [`--beside ${path}: this is the same project.`] }
    files.push(file.value)
  }
  return { ok: true, value: files }
}

/** The moment after `--now`, or this one. */
export function readNow(text: string | undefined): Result<Instant, string> {
  const moment = text === undefined ? Date.now() : Date.parse(text)
  if (Number.isNaN(moment)) return { ok: false, error: '--now: this is not an ISO 8601 moment.' }
  return { ok: true, value: instant(moment) }
}

/** The number after an option, `undefined` without it. */
export function readCount(
  name: string,
  text: string | undefined,
  most = 999_999,
): Result<number | undefined, string> {
  if (text === undefined) return { ok: true, value: undefined }
  if (!/^[1-9]\d*$/.test(text)) return { ok: false, error: `--${name}: give a whole number from 1.` }
  if (Number(text) > most) return { ok: false, error: `--${name}: give at most ${String(most)}.` }
  return { ok: true, value: Number(text) }
}

/** How many models at stages a search may lay out, after `--effort`; `undefined` leaves it at what is usual. */
export function readEffort(text: string | undefined): Result<number | undefined, string> {
  return readCount('effort', text, 1_000_000_000)
}

/** The figures of a file's project at a moment. */
export function figuresOf({ project, events, shelf, around }: ProjectFile, clock: Instant): Figures {
  const materials = new Map(shelf.map((material) => [material.id, material]))
  return Figures.of({
    project,
    progress: foldProgress(events),
    shelf: materials,
    clock,
    ...(around ? { readings: around.readings, known: around.pace } : {}),
  })
}

/** The plan that a file's project keeps to, where there is one. */
export function planBefore({ around }: ProjectFile): Pick<PlanWish, 'before'> {
  return around?.plan && around.plan.stretches.length > 0 ? { before: around.plan } : {}
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
