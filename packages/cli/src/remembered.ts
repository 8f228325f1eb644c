import type { ProjectFile } from '@seriatim/contract'
import type { RememberedUnit } from '@seriatim/core/progress'
import { recipeSchools } from '@seriatim/core/recipe'
import { sizes, standards } from '@seriatim/core/trade'
import { readToldTime, type EventId, type Result } from '@seriatim/core/units'
import { sequentialIds } from './demo/ids.ts'

const how = "'10 foot by dip to tabletop: about three evenings of two hours'"

/** `10 foot by dip to tabletop: three evenings of two hours`; the school by its id or name. */
export function readRemembered(text: string): Result<RememberedUnit, string> {
  const [what = '', ...rest] = text.toLowerCase().split(':')
  const told = rest.join(':').trim()
  const models = Number(/\d+/.exec(what)?.[0] ?? '0')
  const school = recipeSchools.find(({ id, name }) => what.includes(id) || what.includes(name.toLowerCase()))
  const longestFirst = <Name extends string>(names: readonly Name[]) =>
    names.toSorted((a, b) => b.length - a.length).find((name) => what.includes(name))
  if (models < 1 || models > 1000 || !school || readToldTime(told, models) === null) {
    return { ok: false, error: `--remembered: say it as ${how}.` }
  }
  const [size, standard] = [longestFirst(sizes) ?? 'foot', longestFirst(standards) ?? 'tabletop']
  return { ok: true, value: { models, school: school.id, size, standard, told } }
}

/** The file with what somebody remembers in its log. */
export function withRemembered(file: ProjectFile, units: readonly RememberedUnit[]): ProjectFile {
  const newId = sequentialIds(JSON.stringify(units))
  const events = units.map((unit) => ({
    id: newId() as EventId,
    at: file.writtenAt,
    kind: 'remembered' as const,
    ...unit,
  }))
  return { ...file, events: [...file.events, ...events] }
}
