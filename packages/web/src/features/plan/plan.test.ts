import { planLine, runSheets, type LinePlan, toPlan } from '@seriatim/core/plan'
import { lineTemplates } from '@seriatim/core/presets'
import { type Project, plainPlanning } from '@seriatim/core/trade'
import {
  addSeconds,
  instant,
  minutes,
  type ModelId,
  type ProjectId,
  type StageId,
  type UnitId,
} from '@seriatim/core/units'
import { describe, expect, it } from 'vitest'
import { linesOfCsv } from '../../shared/csv/index.ts'
import { planCsv } from './plan-csv.ts'
import { groupEntries } from '../../shared/run-sheet/index.ts'
import { planHeadline } from './PlanFigures.tsx'
import { layOutStrings } from './string-layout.ts'

const now = instant(Date.parse('2026-11-24T19:30:00Z'))

const project: Project = {
  id: 'p' as ProjectId,
  name: 'Fen',
  dueOn: null,
  commission: null,
  evenings: { weekdays: [2, 4], startsAt: '19:30', lengthSeconds: minutes(150), also: [], timeZone: 'UTC' },
  batchSize: 5,
  firstBatch: null,
  batchesInHand: 2,
  planning: plainPlanning,
  units: ['a', 'b'].map((name) => ({
    id: name as UnitId,
    name,
    standard: 'display' as const,
    size: 'foot' as const,
    detail: 'usual' as const,
    perHolder: 1,
    pilot: [],
    joinedAt: null,
    models: Array.from({ length: 10 }, (_, index) => ({
      id: `${name}${index}` as ModelId,
      name,
      role: '',
      variants: [],
      points: 0,
    })),
  })),
  recipes: [],
  line: lineTemplates[0]!.stages.map((stage, index) => ({
    ...stage,
    id: `s${index}` as StageId,
    notNeededBy: [],
    limits: [],
    typed: [],
    steps: [],
  })),
}

const planned = planLine({ ...toPlan(project), now })
if (!planned.ok) throw new Error(planned.error.kind)
const plan: LinePlan = planned.value

describe('layOutStrings', () => {
  const layout = layOutStrings(plan, project, 120, 1200)

  it('time runs to the right: no string ever turns back', () => {
    for (const { hands, drying, resting } of layout.strings) {
      for (const { from, to } of [...hands, ...drying, ...resting])
        expect(to.x).toBeGreaterThanOrEqual(from.x)
    }
  })

  it('hands are on one slant at a time, inside the evenings', () => {
    const slants = layout.strings.flatMap((string) => string.hands).sort((a, b) => a.from.x - b.from.x)
    slants
      .slice(1)
      .forEach((slant, index) => expect(slant.from.x).toBeGreaterThanOrEqual(slants[index]!.to.x - 1e-6))
    for (const { from, to } of slants) {
      const band = layout.bands.find(({ x, width }) => from.x >= x - 1e-6 && to.x <= x + width + 1e-6)
      expect(band).toBeDefined()
    }
  })

  it('every batch ends at the last row and none leaves the chart', () => {
    const bottom = layout.rows.at(-1)!.y
    for (const { hands } of layout.strings) {
      expect(Math.abs(hands.at(-1)!.to.y - bottom)).toBeLessThan(10)
      for (const { from, to } of hands) {
        expect(to.x).toBeLessThanOrEqual(layout.width)
        expect(to.y).toBeGreaterThan(from.y)
      }
    }
  })

  it('numbers of batches that begin together stand side by side', () => {
    const numbers = layout.strings.flatMap((string) => string.numberAt ?? [])
    expect(numbers.length).toBeGreaterThan(1)
    numbers.forEach((number, index) => {
      for (const other of numbers.slice(index + 1)) {
        expect(Math.abs(number.x - other.x) >= 9 || Math.abs(number.y - other.y) >= 12).toBe(true)
      }
    })
  })

  it('folds nights: an hour between evenings takes less room than one inside', () => {
    const [first] = layout.bands
    const inside = layout.xOf(addSeconds(first!.session.startsAt, 3600)) - layout.xOf(first!.session.startsAt)
    const night = layout.xOf(addSeconds(first!.session.endsAt, 3600)) - layout.xOf(first!.session.endsAt)
    expect(night).toBeLessThan(inside / 20)
  })
})

describe('groupEntries', () => {
  it('puts batches that share an open pot on one line and loses none', () => {
    const entries = runSheets(plan, project).flatMap((sheet) => sheet.entries)
    const rows = runSheets(plan, project).flatMap((sheet) => groupEntries(sheet.entries))
    const models = rows.flatMap((row) => (row.kind === 'work' ? row.batches.map((each) => each.count) : []))
    const work = entries.flatMap((entry) => (entry.kind === 'work' ? [entry.stretch.modelIds.length] : []))
    expect(models).toEqual(work)
    expect(rows.length).toBeLessThan(entries.length)
  })
})

describe('the height of the chart', () => {
  const rows = (height: number) => layOutStrings(plan, project, 120, 1200, null, height)

  it('holds every stage, whatever their number: rows get lower, and only some are named', () => {
    const tight = rows(44 + 10 * project.line.length)
    expect(tight.height).toBeLessThanOrEqual(44 + 12 * (project.line.length + 1))
    expect(tight.rows.filter((row) => row.named).length).toBeLessThan(tight.rows.length)
    expect(tight.rows.at(-1)?.named).toBe(true)
    expect(rows(5000).rowHeight).toBe(30)
  })
})

describe('planHeadline', () => {
  const dueIn = (date: string | null) =>
    planHeadline(plan, { ...project, dueOn: date as Project['dueOn'] }, null)
  const day = new Date(plan.finishesAt).toISOString().slice(0, 10)
  const shifted = (days: number) => new Date(Date.parse(day) + days * 86_400_000).toISOString().slice(0, 10)

  it('says when it is done and how that stands to the date', () => {
    expect(dueIn(null)).toMatch(/^Done by \w{3} \d+ \w{3} if all goes as planned$/)
    expect(dueIn(shifted(3))).toMatch(/, 3 days before the date$/)
    expect(dueIn(shifted(0))).toMatch(/, on the very day$/)
    expect(dueIn(shifted(-1))).toMatch(/, 1 day late$/)
  })

  it('names the day that holds in eight of ten simulations once that is known', () => {
    const p80 = addSeconds(plan.finishesAt, 5 * 86_400)
    const named = (odds: number | null) => planHeadline(plan, project, { p80, odds })
    expect(named(null)).toMatch(/^Done by \w{3} \d+ \w{3} in 8 of 10 cases$/)
    expect(named(0.07)).toMatch(/ in 8 of 10 cases; odds of the date 7\u00A0%$/)
    expect(named(null)).not.toContain(dueIn(null).slice(8, 18))
  })
})

describe('planCsv', () => {
  it('is a line a stretch, with its batch, pot and models', () => {
    const [heading, first, ...others] = linesOfCsv(planCsv(plan, project)).map(({ cells }) => cells)
    expect(heading).toHaveLength(10)
    expect(others).toHaveLength(plan.stretches.length - 1)
    const stretch = plan.stretches[0]!
    expect(first!.slice(0, 3)).toEqual(
      [stretch.startsAt, stretch.endsAt, stretch.dryAt].map((moment) => new Date(moment).toISOString()),
    )
    expect(first![9]!.split(' + ')).toHaveLength(stretch.modelIds.length)
    expect(others.every((cells) => cells.length === 10)).toBe(true)
  })
})
