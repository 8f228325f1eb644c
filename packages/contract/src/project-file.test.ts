import { readFileSync } from 'node:fs'
import { localDateAt } from '@seriatim/core/calendar'
import { daysBetween, instant } from '@seriatim/core/units'
import { describe, expect, it } from 'vitest'
import { z } from 'zod'
import { moveProjectFile } from './move-project-file.ts'
import { fieldErrors } from './problem.ts'
import { projectFileSchema, type ProjectFileJson } from './project-file.ts'
import { projectJsonSchema } from './file-json-schemas.ts'
import { renumberProjectFile } from './renumber-project-file.ts'
import './messages.ts'

const fromRoot = (path: string) =>
  JSON.parse(readFileSync(new URL(`../../../${path}`, import.meta.url), 'utf8')) as unknown
const demo = fromRoot('demo/tallow-fen.json') as ProjectFileJson

/** The faults of the demo with one thing changed. */
function faults(change: (file: ProjectFileJson) => void): string[] {
  const file = structuredClone(demo)
  change(file)
  const parsed = projectFileSchema.safeParse(file)
  return parsed.success ? [] : fieldErrors(parsed.error.issues).map((each) => `${each.path}: ${each.message}`)
}

describe('a project file', () => {
  it('comes back as it went out', () => {
    expect(z.encode(projectFileSchema, projectFileSchema.parse(demo))).toEqual(demo)
  })

  it('has the JSON Schema that is published', () => {
    expect(fromRoot('docs/project.schema.json')).toEqual(JSON.parse(JSON.stringify(projectJsonSchema())))
  })

  it.each<[string, (file: ProjectFileJson) => void]>([
    ['format: This is not a Seriatim project file.', (file) => Object.assign(file, { format: 'other' })],
    ['version: This file was made by a newer Seriatim.', (file) => Object.assign(file, { version: 3 })],
    ['project.name: Give the project a name.', (file) => (file.project.name = '  ')],
    ['project.dueOn: Give a day that exists, as YYYY-MM-DD.', (file) => (file.project.dueOn = '2026-02-30')],
    [
      'project.evenings.weekdays: Choose at least one evening a week.',
      (file) => Object.assign(file.project.evenings, { weekdays: [] }),
    ],
    [
      'project.evenings.timeZone: This time zone is not known here.',
      (file) => (file.project.evenings.timeZone = 'Delta/Fen'),
    ],
    [
      'project.evenings.lengthSeconds: An evening lasts from 5 minutes to 16 hours.',
      (file) => (file.project.evenings.lengthSeconds = 60),
    ],
    ['project.batchSize: A batch has at least one model.', (file) => (file.project.batchSize = 0)],
    [
      'project.units[0].models[2].points: Points cannot be negative.',
      (file) => (file.project.units[0]!.models[2]!.points = -1),
    ],
    [
      'project.line[1].handsOnSecondsPerModel: Give a whole number of seconds.',
      (file) => (file.project.line[1]!.handsOnSecondsPerModel = 1.5),
    ],
    [
      'project.line[1].handsOnSecondsPerModel: A time cannot be negative.',
      (file) => (file.project.line[1]!.handsOnSecondsPerModel = -1),
    ],
    [
      'project.line[0].dryingMaxSeconds: The longest drying cannot be shorter than the shortest.',
      (file) => (file.project.line[0]!.dryingMaxSeconds = 1),
    ],
    [
      'project.line[3].touch.regions: Name at least one region, or choose the whole model.',
      (file) => (file.project.line[3]!.touch = { kind: 'regions', regions: [] }),
    ],
    [
      'project.line[1].id: Two stages share this id.',
      (file) => (file.project.line[1]!.id = file.project.line[0]!.id),
    ],
    [
      'project.units[1].models[0].id: Two models share this id.',
      (file) => (file.project.units[1]!.models[0]!.id = file.project.units[0]!.models[0]!.id),
    ],
    [
      'project.line[2].notNeededBy[0]: No unit of this file has this id.',
      (file) => Object.assign(file.project.line[2]!, { notNeededBy: [demo.project.id] }),
    ],
    [
      'events[0].at: Give a moment as ISO 8601 with an offset, such as 2026-11-24T19:30:00Z.',
      (file) => (file.events[0]!.at = 'yesterday'),
    ],
    [
      'events[0].stageId: No stage of this file has this id.',
      (file) => Object.assign(file.events[0]!, { stageId: demo.project.id }),
    ],
    [
      'events[0].modelIds[0]: No model of this file has this id.',
      (file) => Object.assign(file.events[0]!, { modelIds: [demo.project.id] }),
    ],
    [
      'events[0].modelIds: Name at least one model.',
      (file) => Object.assign(file.events[0]!, { modelIds: [] }),
    ],
  ])('%s', (message, change) => {
    expect(faults(change)).toContain(message)
  })

  it('missing and misplaced values are named in words', () => {
    expect(faults((file) => Object.assign(file.project, { units: undefined }))).toContain(
      'project.units: This is missing.',
    )
    expect(faults((file) => Object.assign(file.project, { name: 5 }))).toContain(
      'project.name: This must be text.',
    )
  })
})

describe('moveProjectFile', () => {
  const file = projectFileSchema.parse(demo)
  const now = instant(Date.parse('2027-03-01T09:00:00Z'))
  const moved = moveProjectFile(file, now, 'Europe/Berlin')

  it('keeps every distance to the moment of writing', () => {
    expect(moved.events.map((event) => now - event.at)).toEqual(
      file.events.map((event) => file.writtenAt - event.at),
    )
    const daysLeft = (of: typeof file) =>
      daysBetween(localDateAt(of.writtenAt, of.project.evenings.timeZone), of.project.dueOn!)
    expect(daysLeft(moved)).toBe(daysLeft(file))
  })

  it('is a sound file still', () => {
    expect(projectFileSchema.safeParse(z.encode(projectFileSchema, moved)).success).toBe(true)
    expect(moved.project.evenings.timeZone).toBe('Europe/Berlin')
  })
})

describe('renumberProjectFile', () => {
  it('gives everything another id and keeps what refers to what', () => {
    const file = projectFileSchema.parse(demo)
    let count = 0
    const copy = renumberProjectFile(
      file,
      () => `01940000-0000-7000-8000-${(count += 1).toString().padStart(12, '0')}`,
    )
    const json = JSON.stringify(z.encode(projectFileSchema, copy))
    expect(json).not.toContain('01930000-0000-7000-8000')
    expect(projectFileSchema.safeParse(JSON.parse(json)).success).toBe(true)
    const names = (of: typeof file) =>
      of.events.map((event) =>
        'stageId' in event ? of.project.line.find((stage) => stage.id === event.stageId)?.name : '',
      )
    expect(names(copy)).toEqual(names(file))
  })
})
