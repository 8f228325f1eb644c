import { readFileSync } from 'node:fs'
import { anyProjectFileSchema, moveProjectFile, type ProjectFile } from '@seriatim/contract'
import type { Instant } from '@seriatim/core/units'
import type { Database } from './db/client.ts'
import { isProjectIdTaken } from './features/projects/repository.ts'
import { importProject } from './features/projects/project-files.ts'

export function readDemo(path: string): ProjectFile {
  return anyProjectFileSchema.parse(JSON.parse(readFileSync(path, 'utf8')))
}

/** Loads the demo project once, through the importer everybody uses; a removed demo does not come back. */
export async function loadDemoOnce(db: Database, file: ProjectFile, now: Instant): Promise<void> {
  if (await isProjectIdTaken(db, file.project.id)) return
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions()
  await importProject(db, moveProjectFile(file, now, timeZone), false)
}
