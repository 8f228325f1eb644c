import type { StudioFile } from '@seriatim/contract'
import { instant, type Instant, type ProjectId } from '@seriatim/core/units'
import { asc, isNull } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { client, priceList, quote } from '../../db/schema/commissions.ts'
import { airReading, broughtRate } from '../../db/schema/desk.ts'
import { project } from '../../db/schema/project.ts'
import { studio } from '../../db/schema/studio.ts'
import { readQuotes } from '../commissions/quotes.ts'
import { readClients } from '../commissions/clients.ts'
import { readBroughtRates } from '../hand/repository.ts'
import { exportProject, importProject } from '../projects/project-files.ts'
import { isProjectIdTaken } from '../projects/repository.ts'
import { mergeIntoShelf, readShelf } from '../shelf/service.ts'

/** All that a studio plans and says, as it stands at one moment. */
export async function exportStudio(db: Database, now: Instant): Promise<StudioFile> {
  return db.transaction(
    async (tx) => {
      const [own] = await tx.select({ name: studio.name, hoursOf: studio.hoursOf }).from(studio)
      const [prices] = await tx.select({ document: priceList.document }).from(priceList)
      const air = await tx.select().from(airReading).orderBy(asc(airReading.at), asc(airReading.place))
      const ids = await tx
        .select({ id: project.id })
        .from(project)
        .where(isNull(project.removedAt))
        .orderBy(asc(project.id))
      const projects: StudioFile['projects'][number][] = []
      for (const { id } of ids)
        projects.push({
          file: await exportProject(tx, id, now),
          quotes: (await readQuotes(tx, id)).toReversed(),
        })
      const hoursOf = own?.hoursOf ?? null
      return {
        format: 'seriatim-studio',
        version: 1,
        writtenAt: now,
        name: own?.name ?? '',
        // A project that was put away has no hours for anybody.
        hoursOf: ids.some(({ id }) => id === hoursOf) ? hoursOf : null,
        shelf: (await readShelf(tx)).toSorted((a, b) => (a.id < b.id ? -1 : 1)),
        air: air.map((row) => ({ ...row, at: instant(row.at.getTime()) })),
        rates: await readBroughtRates(tx),
        clients: (await readClients(tx)).toSorted((a, b) => (a.id < b.id ? -1 : 1)),
        prices: prices?.document ?? null,
        projects,
      }
    },
    { isolationLevel: 'repeatable read', accessMode: 'read only' },
  )
}

interface Counts {
  projects: number
  clients: number
  materials: number
  readings: number
  rates: number
}

/**
 * Takes what of a studio file is not here yet, in one piece; what is here stays as it is, the studio's name among it. Prices and
 * whose hours hold are taken where nobody has set them here.
 */
export async function importStudio(
  db: Database,
  file: StudioFile,
): Promise<{ readonly taken: Counts; readonly here: Counts }> {
  return db.transaction(async (tx) => {
    const shelfBefore = (await readShelf(tx)).length
    await mergeIntoShelf(tx, file.shelf)
    const clients = await takeClients(tx, file.clients)
    const readings = await takeReadings(tx, file.air)
    const rates = await takeRates(tx, file.rates)
    const projects = await takeProjects(tx, file.projects)
    // Materials that a project brought are of its shelf, and so of the file's.
    const materials = (await readShelf(tx)).length - shelfBefore
    if (file.prices) {
      await tx.insert(priceList).values({ document: file.prices, revision: 1 }).onConflictDoNothing()
    }
    const [own] = await tx.select({ hoursOf: studio.hoursOf }).from(studio)
    if (own?.hoursOf === null && file.hoursOf !== null) await tx.update(studio).set({ hoursOf: file.hoursOf })
    const taken = { projects, clients, materials, readings, rates }
    return {
      taken,
      here: {
        projects: file.projects.length - projects,
        clients: file.clients.length - clients,
        materials: file.shelf.length - materials,
        readings: file.air.length - readings,
        rates: file.rates.length - rates,
      },
    }
  })
}

const rowsAtOnce = 2000

/** @returns how many were written. */
async function inPortions<Row>(
  rows: readonly Row[],
  write: (portion: Row[]) => Promise<readonly unknown[]>,
): Promise<number> {
  let written = 0
  for (let from = 0; from < rows.length; from += rowsAtOnce)
    written += (await write(rows.slice(from, from + rowsAtOnce))).length
  return written
}

function takeClients(db: Database, clients: StudioFile['clients']): Promise<number> {
  return inPortions(clients, (some) =>
    db.insert(client).values(some).onConflictDoNothing().returning({ id: client.id }),
  )
}

function takeReadings(db: Database, air: StudioFile['air']): Promise<number> {
  return inPortions(air, (some) =>
    db
      .insert(airReading)
      .values(some.map((reading) => ({ ...reading, at: new Date(reading.at) })))
      .onConflictDoNothing()
      .returning({ at: airReading.at }),
  )
}

function takeRates(db: Database, rates: StudioFile['rates']): Promise<number> {
  return inPortions(rates, (some) =>
    db.insert(broughtRate).values(some).onConflictDoNothing().returning({ size: broughtRate.size }),
  )
}

async function takeProjects(db: Database, projects: StudioFile['projects']): Promise<number> {
  let taken = 0
  for (const { file, quotes } of projects) {
    const { id } = file.project
    if (await isProjectIdTaken(db, id)) continue
    await importProject(db, file, false)
    await takeQuotes(db, id, quotes)
    taken += 1
  }
  return taken
}

async function takeQuotes(
  db: Database,
  projectId: ProjectId,
  quotes: StudioFile['projects'][number]['quotes'],
): Promise<void> {
  if (quotes.length === 0) return
  await db.insert(quote).values(
    quotes.map(({ id, number, quote: document, madeAt, madeBy, accepted }) => ({
      id,
      projectId,
      number,
      document,
      madeAt: new Date(madeAt),
      madeBy,
      acceptedAt: accepted && new Date(accepted.at),
      acceptedBy: accepted?.by ?? null,
      acceptedStandard: accepted?.standard ?? null,
    })),
  )
}
