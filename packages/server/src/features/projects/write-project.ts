import type { StoredProject } from '@seriatim/contract'
import type { Database } from '../../db/client.ts'
import { writeLine } from './line-rows.ts'
import { writeRecipes } from './recipe-rows.ts'
import { updateSettings } from './repository.ts'
import { markUnitsRemoved, placeUnits, writeUnit } from './unit-rows.ts'

/** Writes what differs between two states of a project, and nothing else. */
export async function writeProject(db: Database, before: StoredProject, after: StoredProject): Promise<void> {
  const { id } = after
  const { units: _u, recipes: _r, line: _l, revision: _v, id: _i, ...settings } = after
  if (Object.entries(settings).some(([key, value]) => before[key as keyof typeof settings] !== value))
    await updateSettings(db, id, settings)
  if (after.units !== before.units) {
    const stay = new Set(after.units.map((unit) => unit.id))
    await markUnitsRemoved(
      db,
      before.units.filter((unit) => !stay.has(unit.id)).map((unit) => unit.id),
    )
    for (const [position, unit] of after.units.entries())
      if (!before.units.includes(unit)) await writeUnit(db, id, unit, position)
    await placeUnits(
      db,
      after.units.map((unit) => unit.id),
    )
  }
  if (after.recipes !== before.recipes) await writeRecipes(db, id, before.recipes, after.recipes)
  if (after.line !== before.line) await writeLine(db, id, before.line, after.line)
}
