import { projectFileSchema } from '@seriatim/contract'
import { z } from 'zod'
import { readArguments, type Printed } from './input.ts'
import { jobFile, jobOptions, readJob } from './job.ts'

/** A project file of some models alike, painted by a school. */
export function runJob(args: readonly string[]): Printed {
  const read = readArguments(args, jobOptions)
  if (!read.ok) return { ok: false, error: [read.error] }
  const job = readJob(read.value.path, read.value.values)
  if (!job.ok) return { ok: false, error: [job.error] }
  return { ok: true, value: `${JSON.stringify(z.encode(projectFileSchema, jobFile(job.value)), null, 1)}\n` }
}
