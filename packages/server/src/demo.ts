import { readFileSync } from 'node:fs'
import { moveProjectFile, projectFileSchema } from '@seriatim/contract'
import type { Instant } from '@seriatim/core'
import type { Database } from './db/client.ts'
import { isProjectIdTaken } from './features/projects/repository.ts'
import { importProject } from './features/projects/project-files.ts'

/** Loads the demo project once, through the importer everybody uses; a removed demo does not come back. */
export async function loadDemoOnce(db: Database, path: string, now: Instant): Promise<void> {
  const file = projectFileSchema.parse(JSON.parse(readFileSync(path, 'utf8')))
  if (await isProjectIdTaken(db, file.project.id)) return
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions()
  await importProject(db, moveProjectFile(file, now, timeZone), false)
}
