import { execFileSync } from 'node:child_process'
import { readFileSync, rmSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import type { ProjectFileJson } from '@seriatim/contract'
import type { APIRequestContext } from '@playwright/test'
import { expect, test, type Page } from '../support/test.ts'
import { freePort, Instance } from '../support/instance.ts'
import { demoId, newId, seedProject } from '../support/projects.ts'

const root = fileURLToPath(new URL('../..', import.meta.url))
const data = `${root}.cache/e2e-figures-data`
const path = `${root}.cache/e2e-figures.json`
/** In the demo's own evening: some of it wet, a clock stopped some minutes ago. */
const now = '2026-11-24T19:42:00.000Z'

test.beforeAll(() => rmSync(data, { recursive: true, force: true }))
test.afterAll(() => {
  rmSync(data, { recursive: true, force: true })
  rmSync(path, { force: true })
})

/** A part of the demo: whoever is meant by nothing that is left of it goes as well. */
function partOf(file: ProjectFileJson, names: readonly string[]): ProjectFileJson {
  const { project } = file
  const units = project.units.filter((unit) => names.includes(unit.name))
  const there = new Set<string>(units.map((unit) => unit.id))
  const models = new Set<string>(units.flatMap((unit) => unit.models.map((model) => model.id)))
  const recipes = project.recipes!.map((recipe) => ({
    ...recipe,
    unitIds: recipe.unitIds.filter((id) => there.has(id)),
  }))
  const followed = recipes.filter((recipe) => recipe.unitIds.length > 0)
  const gone = new Set(project.units.filter((unit) => !there.has(unit.id)).map((unit) => unit.id))
  const line = project.line
    .filter((stage) => units.some((unit) => !stage.notNeededBy.includes(unit.id)))
    .map((stage) => ({
      ...stage,
      notNeededBy: stage.notNeededBy.filter((id) => there.has(id)),
      limits: stage.limits!.filter((limit) => !gone.has(limit.unitId)),
      typed: stage.typed!.filter((typed) => !gone.has(typed.unitId)),
    }))
  type Event = ProjectFileJson['events'][number]
  const events = file.events.flatMap((event): Event[] => {
    if (!('modelIds' in event)) return [event]
    const modelIds = event.modelIds.filter((id) => models.has(id))
    return modelIds.length > 0 ? [{ ...event, modelIds }] : []
  })
  const known = new Set(events.map((event) => event.id))
  const aimed = events.filter((event) => !('targetId' in event) || known.has(event.targetId))
  return {
    ...file,
    project: { ...project, units, recipes: followed, line },
    events: aimed,
  }
}

/** A half painted job for a client, by two, with a finger on a coat, a slip, laps and a stage pinned. */
function hardProject(clientId: string): ProjectFileJson {
  const demo = JSON.parse(readFileSync(`${root}demo/tallow-fen.json`, 'utf8')) as ProjectFileJson
  const file = partOf(demo, ['Lock-keepers', 'Eel-netters'])
  const { project, events } = file
  const planning = project.planning!
  const [you] = planning.painters
  const wet = events.findLast((each) => each.kind === 'punched')!
  const unit = project.units.at(-1)!
  const models = unit.models.slice(0, 5).map((model) => model.id)
  return {
    ...file,
    project: {
      ...project,
      name: 'Hard fen',
      dueOn: '2026-12-19',
      commission: { clientId, arrivesOn: null, received: '', testModel: null, deliveredOn: null },
      planning: {
        ...planning,
        painters: [you!, { ...you!, id: 'second', name: 'Maren', pace: 1.2 }],
        pins: [
          {
            batchId: `${models[0]!}..${models.at(-1)!}`,
            stageId: project.line.at(-1)!.id,
            on: '2026-12-08',
            at: '19:30',
          },
        ],
      },
    },
    events: [
      ...events,
      {
        id: newId(),
        at: '2026-11-24T19:41:00.000Z',
        kind: 'felt',
        stageId: wet.stageId,
        modelIds: wet.modelIds,
        feels: 'tacky',
      },
    ],
  }
}

/** Another project, painted to its end on the clock: it teaches, and asks for nothing more. */
async function seedTaught(request: APIRequestContext): Promise<void> {
  const { id } = await seedProject(request, { units: { Eels: 4 }, stages: 4 })
  const project = (await (await request.get(`/api/projects/${id}`)).json()) as {
    units: { models: { id: string }[] }[]
    line: { id: string; handsOnSecondsPerModel: number }[]
  }
  const modelIds = project.units.flatMap((unit) => unit.models.map((model) => model.id))
  const events = project.line.flatMap((stage, index) => {
    const began = Date.parse('2026-11-20T18:00:00Z') + index * 3_600_000
    const target = newId()
    const at = (seconds: number) => new Date(began + seconds * 1000).toISOString()
    const each = stage.handsOnSecondsPerModel * 1.4
    return [
      { id: target, at: at(0), kind: 'clock-started', stageId: stage.id, modelIds },
      ...modelIds.map((model, place) => ({
        id: newId(),
        at: at(each * (place + 1)),
        kind: 'punched',
        stageId: stage.id,
        modelIds: [model],
      })),
      { id: newId(), at: at(each * modelIds.length + 5), kind: 'clock-stopped', targetId: target },
    ]
  })
  const answer = await request.post(`/api/projects/${id}/events`, { data: { events } })
  expect(answer.ok(), await answer.text()).toBe(true)
}

interface Summary {
  readonly id: string
  readonly totalSeconds: number
  readonly leftSeconds: number
  readonly finish: { readonly doneBy: string; readonly odds: number } | null
}

/** What the command line says of the project as it goes out in a file. */
function toldByFile(command: string): Record<string, unknown> {
  const told = execFileSync(process.execPath, ['tools/cli.mjs', command, path, '--now', now], { cwd: root })
  return JSON.parse(told.toString()) as Record<string, unknown>
}

/** As pages write a time: `12 h 05`, `45 min`. */
function inMinutes(text: string): number {
  const [, hours = '0', minutes = '0'] = /^(?:(\d+) h ?)?(?:(\d+)(?: min)?)?$/.exec(text) ?? []
  return Number(hours) * 60 + Number(minutes)
}
const time = String.raw`(\d+ h \d+|\d+ h|\d+ min)`

async function said(page: Page, where: string, pattern: RegExp): Promise<readonly string[]> {
  let found: RegExpExecArray | null = null
  await page.goto(where)
  await expect
    .poll(
      async () => {
        found = pattern.exec((await page.locator('main').innerText()).replaceAll(/\s+/g, ' '))
        return found !== null && !found[0].includes('anew')
      },
      { message: `${where} says ${String(pattern)}` },
    )
    .toBe(true)
  return found!.slice(1)
}

test('of one project at one moment every page, the command line, the list and the planner say the same figures', async ({
  page,
  playwright,
}) => {
  const instance = new Instance(data, await freePort(), {
    TZ: 'Europe/Berlin',
    SERIATIM_NOW: now,
    SERIATIM_PROCESSES: '2',
  })
  await instance.start()
  const request = await playwright.request.newContext({ baseURL: instance.origin })
  try {
    await request.delete(`/api/projects/${demoId}`)
    await seedTaught(request)
    const rates = [{ technique: 'dry brush', size: 'foot', factor: 1.3, laps: 40 }]
    await request.put('/api/hand/brought', { data: { rates } })
    const reading = { at: '2026-11-24T19:30:00.000Z', place: 'indoors', source: 'typed' }
    await request.put('/api/air', { data: { readings: [{ ...reading, celsius: 14, humidity: 78 }] } })
    const clientId = newId()
    await request.put(`/api/clients/${clientId}`, {
      data: { id: clientId, name: 'Odile', contact: '', note: '' },
    })
    const made = await request.post('/api/projects/import?copy=true', { data: hardProject(clientId) })
    expect(made.ok(), await made.text()).toBe(true)
    const { id } = (await made.json()) as { id: string }

    // The planner beside the servers is first; everybody keeps to its plan.
    const summary = async () => {
      const { projects } = (await (await request.get('/api/projects')).json()) as { projects: Summary[] }
      return projects.find((each) => each.id === id)!
    }
    await expect.poll(async () => (await summary()).finish?.doneBy ?? null).not.toBeNull()
    const listed = await summary()
    const kept = (await (await request.get(`/api/projects/${id}/plan`)).json()) as {
      plan: { asFound: { finishesAt: string } }
    }

    writeFileSync(path, await (await request.get(`/api/projects/${id}/file`)).text())
    const plan = toldByFile('plan') as {
      doneBy: string
      odds: number
      finishesAt: string
      handsOnSeconds: number
      setUpSeconds: number
      potOpenings: number
      sessions: { entries: { startsAt: string; endsAt: string }[] }[]
    }
    const forecast = toldByFile('forecast') as { p80: string; odds: number }
    const estimate = toldByFile('estimate') as {
      workLeftSeconds: number
      workTotalSeconds: number
      handsOnSeconds: { likely: number }
      setUpSeconds: number
      pace: { likely: number }
      units: { unit: string; perModelSeconds: number }[]
    }
    // To the second and the percent.
    expect(plan.finishesAt).toBe(kept.plan.asFound.finishesAt)
    expect({ doneBy: plan.doneBy, odds: plan.odds }).toEqual({
      doneBy: listed.finish!.doneBy,
      odds: listed.finish!.odds,
    })
    expect(forecast.p80).toBe(plan.doneBy)
    expect(forecast.odds).toBeCloseTo(plan.odds, 3)
    expect(estimate.workLeftSeconds).toBe(listed.leftSeconds)
    expect(estimate.workTotalSeconds).toBe(listed.totalSeconds)
    expect(estimate.setUpSeconds).toBe(plan.setUpSeconds)
    // A plan has everybody's pace in it, an estimate the pace that the laps are of.
    expect(estimate.handsOnSeconds.likely).toBeLessThan(plan.handsOnSeconds)

    await page.clock.setFixedTime(now)
    const at = (place: string) => `${instance.origin}/projects/${id}/${place}`
    const finish = String.raw`one by (\w+ \d+ \w+) in 8 of 10 cases`
    const [doneBy, odds] = await said(page, at('plan'), new RegExp(`D${finish}; odds of the date (\\S+ ?%)`))
    expect(odds!.replaceAll(/[^\d.]/g, '')).toBe(String(Math.round(plan.odds * 100)))
    expect(new Date(plan.doneBy).toUTCString()).toContain(doneBy!.split(' ')[1]!.padStart(2, '0'))
    const [handsOn, pots] = await said(
      page,
      at('plan'),
      new RegExp(`hands-on ${time}.*?(\\d+) paint changes?`),
    )
    expect(inMinutes(handsOn!)).toBe(Math.round(plan.handsOnSeconds / 60))
    expect(Number(pots)).toBe(plan.potOpenings)

    const left = Math.round(listed.leftSeconds / 60)
    const places: readonly (readonly [string, RegExp])[] = [
      [at('roster'), new RegExp(`${time} left; d${finish}(?:, being worked out anew)?`)],
      [at('bench'), new RegExp(`${time} of work left, d${finish}(?:, being worked out anew)?`)],
      [at('sheet'), new RegExp(`${time} of work left, d${finish}(?:, being worked out anew)?`)],
      [`${instance.origin}/projects`, new RegExp(`${time} left; .*?D${finish}`)],
    ]
    for (const [where, pattern] of places) {
      const [work, day] = await said(page, where, pattern)
      expect({ where, minutes: inMinutes(work!), day }).toEqual({ where, minutes: left, day: doneBy })
    }
    const [withSetUps] = await said(page, at('bench'), new RegExp(`with set-ups ${time}`))
    expect(withSetUps).toBe(handsOn)
    const [asItStands] = await said(page, at('hours'), new RegExp(`as it stands d${finish}`))
    expect(asItStands).toBe(doneBy)

    for (const { unit, perModelSeconds } of estimate.units.filter((each) => each.unit === 'Eel-netters')) {
      await page.goto(at('recipe'))
      await page.getByRole('navigation', { name: 'Recipes' }).getByRole('button', { name: unit }).click()
      await expect(page.getByRole('heading', { level: 1 })).toContainText(
        new RegExp(`, ${String(Math.round(perModelSeconds / 60))} min a model$`),
      )
    }
    const share = Math.round(Math.abs(estimate.pace.likely - 1) * 100)
    const than = `${String(share)} % ${estimate.pace.likely > 1 ? 'longer' : 'less'} than the preset`
    await page.goto(at('logbook'))
    await expect(page.locator('main')).toContainText(`You take ${share < 3 ? 'about the preset' : than}`)

    // At the desk, by its own hours, it is alone with one that is done.
    await request.put('/api/desk', { data: { hoursOf: id } })
    await page.goto(`${instance.origin}/desk`)
    const row = page.getByRole('region', { name: 'The jobs on it' }).getByRole('row', { name: /Hard fen/ })
    await expect(row).toContainText(doneBy!)
    await expect(row).toContainText(odds!)
  } finally {
    await request.dispose()
    await instance.stop()
  }
})
