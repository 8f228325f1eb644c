import { addDays, addSeconds, daysBetween, type LocalDate } from '@seriatim/core'
import type { ProjectFile } from './project-file.ts'

/** The same file as if written on `today`: every date and moment moves by the same number of days. */
export function moveProjectFile(file: ProjectFile, today: LocalDate): ProjectFile {
  const days = daysBetween(file.writtenOn, today)
  return {
    ...file,
    writtenOn: today,
    project: {
      ...file.project,
      dueOn: file.project.dueOn === null ? null : addDays(file.project.dueOn, days),
    },
    events: file.events.map((event) => ({ ...event, at: addSeconds(event.at, days * 86_400) })),
  }
}
