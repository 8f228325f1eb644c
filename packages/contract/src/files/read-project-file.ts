import { z } from 'zod'
import { projectFileSchema } from '../project-file.ts'
import { fromVersion1 } from './project-file-v1.ts'

/** What turns a file of each earlier version into one of the next. */
const steps: Readonly<Record<number, (file: Record<string, unknown>) => Record<string, unknown>>> = {
  1: fromVersion1,
}

/** A project file of this version or an earlier one. */
export const anyProjectFileSchema = z.preprocess(upToDate, projectFileSchema)

export function upToDate(file: unknown): unknown {
  let now = file
  while (typeof now === 'object' && now !== null && 'version' in now && typeof now.version === 'number') {
    const step = steps[now.version]
    if (!step) break
    now = step(now)
  }
  return now
}
