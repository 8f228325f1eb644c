import type { ProjectId } from '@seriatim/core/units'
import { z } from 'zod'
import { airReadingSchema } from './air.ts'
import { clientSchema, keptQuoteSchema, priceListSchema } from './commissions.ts'
import { idOf, instantField, optionalTextField } from './fields.ts'
import { upToDate } from './files/read-project-file.ts'
import { broughtRatesSchema } from './hand.ts'
import { projectFileSchema } from './project-file.ts'
import { shelfSchema } from './recipe.ts'

/** A project with what was quoted for it. */
const projectOfStudioSchema = z.object({
  file: projectFileSchema,
  /** The oldest first. */
  quotes: z.array(keptQuoteSchema).max(200, { error: 'Up to 200 quotes for one project.' }).readonly(),
})

/** A whole studio as one open file: all it plans and says, without pictures, links and who may sign in. See docs/format.md. */
export const studioFileSchema = z
  .object({
    format: z.literal('seriatim-studio', { error: 'This is not a Seriatim studio file.' }),
    version: z.literal(1, { error: 'This file was made by a newer Seriatim.' }),
    writtenAt: instantField,
    name: optionalTextField(120),
    /** The project whose hours hold at the desk. */
    hoursOf: idOf<ProjectId>().nullable(),
    shelf: shelfSchema,
    air: z.array(airReadingSchema).max(20_000, { error: 'Up to 20,000 readings.' }).readonly(),
    rates: broughtRatesSchema,
    clients: z.array(clientSchema).max(5000, { error: 'Up to 5,000 clients.' }).readonly(),
    /** `null` where nobody has set any. */
    prices: priceListSchema.nullable(),
    projects: z.array(projectOfStudioSchema).max(2000, { error: 'Up to 2,000 projects.' }).readonly(),
  })
  .superRefine(({ hoursOf, clients, projects }, context) => {
    const refuse = (path: (string | number)[], message: string, input: unknown) => {
      context.addIssue({ code: 'custom', path, message, input })
    }
    const known = new Set(clients.map((client) => client.id))
    if (known.size < clients.length) refuse(['clients'], 'Two clients share an id.', undefined)
    const ids = new Set<ProjectId>()
    projects.forEach(({ file: { project } }, p) => {
      if (ids.has(project.id))
        refuse(['projects', p, 'file', 'project', 'id'], 'Two projects share this id.', project.id)
      ids.add(project.id)
      const clientId = project.commission?.clientId
      if (clientId !== undefined && !known.has(clientId))
        refuse(
          ['projects', p, 'file', 'project', 'commission', 'clientId'],
          'No client of this file has this id.',
          clientId,
        )
    })
    if (hoursOf !== null && !ids.has(hoursOf))
      refuse(['hoursOf'], 'No project of this file has this id.', hoursOf)
  })

/** A studio file whose projects are of this version or an earlier one. */
export const anyStudioFileSchema = z.preprocess((file) => {
  if (typeof file !== 'object' || file === null || !('projects' in file) || !Array.isArray(file.projects))
    return file
  const projects = file.projects.map((each: unknown) =>
    typeof each === 'object' && each !== null && 'file' in each
      ? { ...each, file: upToDate(each.file) }
      : each,
  )
  return { ...file, projects }
}, studioFileSchema)

export type StudioFile = z.output<typeof studioFileSchema>
export type StudioFileJson = z.input<typeof studioFileSchema>
