import { projectFileSchema } from '@seriatim/contract'
import { z } from 'zod'
import { complain, readArguments } from './input.ts'
import { jobFile, jobOptions, readJob } from './job.ts'

/** Prints a project file of some models alike, painted by a school. */
export function runJob(args: readonly string[]): number {
  const read = readArguments(args, jobOptions)
  if (!read.ok) return complain([read.error])
  const job = readJob(read.value.path, read.value.values)
  if (!job.ok) return complain([job.error])
  process.stdout.write(`${JSON.stringify(z.encode(projectFileSchema, jobFile(job.value)), null, 1)}\n`)
  return 0
}
