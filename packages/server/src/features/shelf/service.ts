import { mostMaterials } from '@seriatim/contract'
import { starterShelf } from '@seriatim/core/presets'
import type { Material } from '@seriatim/core/trade'
import type { MaterialId } from '@seriatim/core/units'
import type { Database } from '../../db/client.ts'
import { mergedOrRefused } from '../../http/merged.ts'
import { RequestProblem } from '../../http/problem.ts'
import * as rows from './repository.ts'

/** A new desk begins with generic materials and those given; a shelf that was emptied stays empty. */
export async function stockShelfOnce(db: Database, own: readonly Material[] = []): Promise<void> {
  if (!(await rows.isShelfNew(db))) return
  const shelf = new Map([...starterShelf, ...own].map((material) => [material.id, material]))
  await rows.writeMaterials(db, [...shelf.values()])
}

/** All or none; names stay unique, so that a material can be asked for by name. @param before as the sender saw them. */
export async function putMaterials(
  db: Database,
  stated: readonly Material[],
  before: readonly Material[],
): Promise<readonly Material[]> {
  return db.transaction(async (tx) => {
    await rows.lockShelf(tx)
    const shelf = await rows.readShelf(tx)
    const byId = (list: readonly Material[]) => new Map(list.map((material) => [material.id, material]))
    const [seen, there] = [byId(before), byId(shelf)]
    const materials = stated.map((mine, index) =>
      mergedOrRefused(seen.get(mine.id), there.get(mine.id), mine, `materials[${String(index)}].`),
    )
    const written = new Set(materials.map((material) => material.id))
    const taken = new Map(
      shelf
        .filter((material) => !written.has(material.id))
        .map((material) => [material.name.toLowerCase(), material.id]),
    )
    const errors = materials.flatMap(({ name }, index) =>
      taken.has(name.toLowerCase())
        ? [
            {
              path: `materials[${String(index)}].name`,
              message: 'A material of this name is on the shelf already.',
            },
          ]
        : [],
    )
    if (errors.length > 0)
      throw new RequestProblem('invalid-request', 'Names on the shelf are unique.', errors)
    await rows.writeMaterials(tx, materials)
    await refuseOverflow(tx)
    return rows.readShelf(tx)
  })
}

async function refuseOverflow(db: Database): Promise<void> {
  if ((await rows.countMaterials(db)) <= mostMaterials) return
  const most = mostMaterials.toLocaleString('en')
  throw new RequestProblem('too-many', `A shelf holds up to ${most} materials. Take some off first.`)
}

export async function removeMaterial(db: Database, id: MaterialId): Promise<readonly Material[]> {
  const [user] = await rows.recipesUsing(db, id)
  if (user) {
    throw new RequestProblem(
      'in-use',
      `The recipe “${user.name}” uses this material. Take it out there first.`,
    )
  }
  if (!(await rows.removeMaterial(db, id))) {
    throw new RequestProblem('not-found', 'There is no such material on the shelf.')
  }
  return rows.readShelf(db)
}

/**
 * Puts the materials of a file on the shelf beside what is there. One that is there already, by id or by
 * name, stays as it is. @returns for each id of the file the id on this shelf.
 */
export async function mergeIntoShelf(
  db: Database,
  materials: readonly Material[],
): Promise<ReadonlyMap<MaterialId, MaterialId>> {
  await rows.lockShelf(db)
  const shelf = await rows.readShelf(db)
  const ids = new Set(shelf.map((material) => material.id))
  const byName = new Map(shelf.map((material) => [material.name.toLowerCase(), material.id]))
  const known = new Map<MaterialId, MaterialId>()
  const added: Material[] = []
  for (const material of materials) {
    const there = ids.has(material.id) ? material.id : byName.get(material.name.toLowerCase())
    known.set(material.id, there ?? material.id)
    if (there === undefined) added.push(material)
  }
  await rows.writeMaterials(db, added)
  await refuseOverflow(db)
  return known
}

export { readShelf } from './repository.ts'
