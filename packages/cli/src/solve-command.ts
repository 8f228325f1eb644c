import { readFileSync } from 'node:fs'
import { readCase, readJobShop, solveCase } from '@seriatim/core/cases'
import { z } from 'zod'
import { readArguments, type Printed } from './input.ts'

const minutes = z.number().nonnegative()
const spans = z.array(z.tuple([minutes, minutes]))
const caseSchema = z.object({
  workers: z.int().positive(),
  stations: z.array(z.string()),
  families: z.array(z.object({ id: z.string(), setUpMinutes: minutes })),
  sessions: spans.nullable(),
  windows: z.array(spans).optional(),
  rack: z.int().positive().nullable().optional(),
  batches: z.array(
    z.object({
      stages: z.array(
        z.object({
          family: z.string(),
          handsMinutes: minutes,
          station: z.string().nullable(),
          dryMinMinutes: minutes,
          dryMaxMinutes: minutes.nullable().optional(),
          window: z.int().nonnegative().nullable().optional(),
          onRack: z.boolean().optional(),
          regions: z.union([z.literal('whole'), z.array(z.string())]).optional(),
        }),
      ),
    }),
  ),
})

const usualMilliseconds = 1000

/** A planning problem of minutes, or a published job shop as text: the best plan found in the time given, as JSON. */
export function runSolve(args: readonly string[]): Printed {
  const read = readArguments(args, ['seed', 'milliseconds'])
  if (!read.ok) return { ok: false, error: [read.error] }
  const { path, values } = read.value
  const seed = Number(values.seed ?? 1)
  const limit = Number(values.milliseconds ?? usualMilliseconds)
  if (!Number.isInteger(seed)) return { ok: false, error: ['--seed: a whole number.'] }
  if (!(limit > 0)) return { ok: false, error: ['--milliseconds: a number above 0.'] }
  const instance = readInstance(path)
  if (!instance.ok) return instance
  const began = performance.now()
  const spent = () => (performance.now() - began) / limit
  const solved = solveCase(instance.value, { seed, evaluations: 1e9, spent })
  return solved
    ? { ok: true, value: `${JSON.stringify(solved)}\n` }
    : { ok: false, error: [`${path}: no plan was found.`] }
}

function readInstance(path: string) {
  let text: string
  try {
    text = readFileSync(path, 'utf8')
  } catch {
    return { ok: false as const, error: [`${path}: cannot be read.`] }
  }
  if (/^\s*\d+\s+\d+\s*\n/.test(text)) return { ok: true as const, value: readJobShop(text) }
  try {
    const parsed = caseSchema.safeParse(JSON.parse(text))
    if (parsed.success) return { ok: true as const, value: readCase(parsed.data) }
    const error = parsed.error.issues.map((issue) => `${path}: ${issue.path.join('.')}: ${issue.message}`)
    return { ok: false as const, error }
  } catch {
    return { ok: false as const, error: [`${path}: neither JSON nor a job shop.`] }
  }
}
