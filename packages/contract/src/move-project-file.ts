import { localDateAt } from '@seriatim/core/calendar'
import type { SessionMark } from '@seriatim/core/trade'
import { addDays, daysBetween, instant, type Instant, type LocalDate } from '@seriatim/core/units'
import type { ProjectFile } from './project-file.ts'

/**
 * The same file as if written at `now` in `timeZone`: every moment moves by the same time, the due day by
 * the same days, and the evenings keep their hours on the new wall clock.
 */
export function moveProjectFile(file: ProjectFile, now: Instant, timeZone: string): ProjectFile {
  const { evenings, dueOn, commission, recipes } = file.project
  const written = localDateAt(file.writtenAt, evenings.timeZone)
  const days = daysBetween(written, localDateAt(now, timeZone))
  const move = (date: LocalDate | null) => (date === null ? null : addDays(date, days))
  const shift = now - file.writtenAt
  return {
    ...file,
    writtenAt: now,
    project: {
      ...file.project,
      dueOn: move(dueOn),
      commission: commission && {
        ...commission,
        arrivesOn: move(commission.arrivesOn),
        deliveredOn: move(commission.deliveredOn),
        testModel: commission.testModel && {
          ...commission.testModel,
          agreedOn: move(commission.testModel.agreedOn),
        },
      },
      evenings: { ...evenings, timeZone },
      planning: movePlanning(file.project.planning, days),
      recipes: recipes.map((recipe) => ({
        ...recipe,
        versions: recipe.versions.map((version) => ({
          ...version,
          keptOn: addDays(version.keptOn, days),
        })),
      })),
    },
    ...(file.around && {
      around: {
        ...file.around,
        readings: file.around.readings.map((reading) => ({ ...reading, at: instant(reading.at + shift) })),
      },
    }),
    events: file.events.map((event) => ({ ...event, at: instant(event.at + shift) })),
  }
}

function movePlanning(
  planning: ProjectFile['project']['planning'],
  days: number,
): ProjectFile['project']['planning'] {
  const mark = <Mark extends SessionMark>(each: Mark): Mark => ({ ...each, on: addDays(each.on, days) })
  return {
    ...planning,
    painters: planning.painters.map((painter) => ({
      ...painter,
      rules: painter.rules.map((rule) => ({
        ...rule,
        countedFrom: rule.countedFrom === null ? null : addDays(rule.countedFrom, days),
      })),
      off: painter.off.map((off) => ({ from: addDays(off.from, days), until: addDays(off.until, days) })),
      dropped: painter.dropped.map(mark),
      extra: painter.extra.map(mark),
    })),
    pins: planning.pins.map(mark),
  }
}
