import { studioFileSchema, type projectFileSchema } from '@seriatim/contract'
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { usualPriceList } from '@seriatim/core/money'
import * as forecasting from '@seriatim/core/forecasting'
import { afterAll, afterEach, describe, expect, it, vi } from 'vitest'
import type { z } from 'zod'
import { run } from './run.ts'

const root = fileURLToPath(new URL('../../../', import.meta.url))
const demo = join(root, 'demo/tallow-fen.json')
const now = ['--now', '2026-11-24T19:40:00Z']
/** Where it is not asked how good a plan is. */
const quick = ['--effort', '60000']

function cli(...args: string[]) {
  const { code, out, err } = run(args)
  return { status: code, stdout: out, stderr: err }
}

const answers = new Map<string, ReturnType<typeof cli>>()

/** As it was answered before, where several tests ask the same; that an answer is the same each time is tested by itself. */
function asked(...args: string[]) {
  const key = JSON.stringify(args)
  const answer = answers.get(key) ?? cli(...args)
  answers.set(key, answer)
  return answer
}

const folder = mkdtempSync(join(tmpdir(), 'seriatim-cli-'))
afterAll(() => rmSync(folder, { recursive: true }))

let files = 0
function written(text: string): string {
  files += 1
  const path = join(folder, `file-${String(files)}.json`)
  writeFileSync(path, text)
  return path
}

interface PlanOutput {
  readonly finishesAt: string
  readonly batches: readonly { readonly modelIds: readonly string[] }[]
  readonly habits: { readonly batchByBatch: string }
  readonly sessions: readonly {
    readonly entries: readonly { readonly kind: string; readonly startsAt: string; readonly endsAt: string }[]
  }[]
}

describe('forecast', () => {
  afterEach(() => {
    vi.restoreAllMocks()
  })

  it('prints the days that hold, what drives them and what would help, the same for a seed', () => {
    const job = written(cli('job', 'dip', '--models', '8').stdout)
    const args = ['forecast', job, ...now, ...quick, '--futures', '60', '--seed', '3']
    const first = cli(...args)
    expect(first.stderr).toBe('')
    const told = JSON.parse(first.stdout) as {
      odds: number | null
      p50: string
      p80: string
      drivers: { share: number }[]
      offers: { p80: string }[]
    }
    expect(told.odds).toBeNull()
    expect(told.p50 <= told.p80).toBe(true)
    expect(told.drivers).toHaveLength(3)
    expect(told.offers.length).toBeGreaterThan(1)
    expect(cli(...args).stdout).toBe(first.stdout)
  })

  it('draws the futures of the very plan that is printed', () => {
    const planned = JSON.parse(asked('plan', demo, ...now, ...quick).stdout) as { doneBy: string }
    // What would help is not asked here, and each is drawn as long as the plan itself.
    vi.spyOn(forecasting, 'offersFor').mockReturnValue([])
    const drawn = JSON.parse(cli('forecast', demo, ...now, ...quick).stdout) as { p80: string }
    expect(drawn.p80).toBe(planned.doneBy)
  })

  it.each([
    ['no futures', ['--futures', '0'], '--futures: give a whole number from 1.'],
    ['a wrong seed', ['--seed', 'luck'], '--seed: give a whole number.'],
  ])('refuses %s', (_, args, text) => {
    const { status, stderr } = cli('forecast', demo, ...args)
    expect([status, stderr.includes(text)]).toEqual([2, true])
  })
})

describe('plan', () => {
  it('prints the plan of the demo as JSON, the same each time', () => {
    const args = ['plan', demo, ...now, ...quick]
    const first = asked(...args)
    expect(first.status).toBe(0)
    const plan = JSON.parse(first.stdout) as PlanOutput
    expect(plan.finishesAt <= plan.habits.batchByBatch).toBe(true)
    expect(plan.batches.flatMap((batch) => batch.modelIds)).toHaveLength(45)
    const entries = plan.sessions.flatMap((session) => session.entries)
    entries.slice(1).forEach((entry, index) => expect(entry.startsAt >= entries[index]!.endsAt).toBe(true))
    expect(cli(...args).stdout).toBe(first.stdout)
  })

  it('plans two projects at one desk', () => {
    const job = written(cli('job', 'dip', '--models', '8').stdout)
    const plan = JSON.parse(cli('plan', demo, ...now, ...quick, '--beside', job).stdout) as PlanOutput
    expect(plan.batches.flatMap((batch) => batch.modelIds)).toHaveLength(45 + 8)
    expect(cli('plan', demo, '--beside', demo).stderr).toContain('this is the same project.')
  })

  it('plans any number of files of one generator together', () => {
    const jobs = ['dip', 'dark-under', 'all-over-stain'].map((school) =>
      written(cli('job', school, '--models', '4').stdout),
    )
    const [first = '', ...others] = jobs
    const beside = others.flatMap((path) => ['--beside', path])
    const plan = JSON.parse(cli('plan', first, ...now, ...quick, ...beside).stdout) as PlanOutput
    expect(new Set(plan.batches.flatMap((batch) => batch.modelIds)).size).toBe(12)
    expect(cli('plan', first, ...beside, '--beside', others[0]!).stderr).toContain(
      'this is the same project.',
    )
  })

  it('takes another batch size', () => {
    const plan = JSON.parse(cli('plan', demo, ...now, ...quick, '--batch-size', '12').stdout) as PlanOutput
    expect(plan.batches.map((batch) => batch.modelIds.length)).toEqual([1, 11, 12, 10, 4, 4, 3])
  })

  it.each([
    ['a missing file', ['plan', '/nowhere.json'], '/nowhere.json: this file cannot be read.'],
    ['no file', ['plan'], 'Name one project file.'],
    ['an unknown option', ['plan', demo, '--fast'], "Unknown option '--fast'"],
    ['a wrong moment', ['plan', demo, '--now', 'soon'], '--now: this is not an ISO 8601 moment.'],
    ['no effort', ['plan', demo, '--effort', '0'], '--effort: give a whole number from 1.'],
    ['too much effort', ['quote', demo, '--effort', '2000000000'], '--effort: give at most 1000000000.'],
    ['a wrong size', ['plan', demo, '--batch-size', '0'], '--batch-size: give a whole number from 1.'],
    ['no command', [], 'usage:'],
  ])('%s gives exit code 2 and says so', (_, args, message) => {
    const { status, stdout, stderr } = cli(...args)
    expect(status).toBe(2)
    expect(stdout).toBe('')
    expect(stderr).toContain(message)
  })

  it('wrong input gives exit code 2 and the path of what is wrong', () => {
    const file = JSON.parse(readFileSync(demo, 'utf8')) as { project: { line: { name: string }[] } }
    file.project.line[4]!.name = ''
    const wrong = cli('plan', written(JSON.stringify(file)))
    expect(wrong.status).toBe(2)
    expect(wrong.stderr).toBe('project.line[4].name: Give the stage a name.\n')
    expect(cli('plan', written('{')).stderr).toContain('this is not JSON')
    const empty = JSON.parse(readFileSync(demo, 'utf8')) as {
      project: { units: unknown[]; recipes: unknown[]; line: { notNeededBy: string[]; limits: unknown[] }[] }
      events: unknown[]
    }
    empty.project.units = []
    empty.project.recipes = []
    empty.events = []
    for (const stage of empty.project.line) Object.assign(stage, { notNeededBy: [], limits: [] })
    expect(cli('plan', written(JSON.stringify(empty)))).toMatchObject({
      status: 2,
      stderr: 'project: There are no models yet. Put a unit on the roster first.\n',
    })
  })
})

describe('demo and schema', () => {
  it('print a studio with three commissions, the same but for its days', () => {
    const at = (moment: string) =>
      studioFileSchema.parse(JSON.parse(cli('demo-studio', '--now', moment).stdout))
    const [one, later] = [at('2026-11-24T19:40:00Z'), at('2026-12-24T19:40:00Z')]
    const ids = (studio: typeof one) => studio.projects.map(({ file }) => file.project.id)
    expect(new Set(ids(one)).size).toBe(3)
    expect(ids(later)).toEqual(ids(one))
    expect(one.projects.map(({ file }) => file.project.dueOn)).toEqual([
      '2026-11-30',
      '2027-01-08',
      '2027-01-23',
    ])
    expect(cli('demo-studio', '--now', 'soon').stderr).toBe('--now: this is not an ISO 8601 moment.\n')
  })

  it('print what is checked in', () => {
    expect(cli('demo').stdout).toBe(readFileSync(demo, 'utf8'))
    expect(cli('schema').stdout).toBe(readFileSync(join(root, 'docs/project.schema.json'), 'utf8'))
    expect(cli('studio-schema').stdout).toBe(readFileSync(join(root, 'docs/studio.schema.json'), 'utf8'))
  })
})

interface OrderOutput {
  readonly stages: readonly { readonly steps: readonly { readonly stepId: string }[] }[]
  readonly findings: readonly { readonly rule: string; readonly severity: string }[]
  readonly cost: { readonly weighedSeconds: number; readonly bound: number }
}

describe('schools', () => {
  it('prints the nine schools and the kept recipes side by side for one unit', () => {
    const { status, stdout } = cli('schools', demo, '--unit', 'Officers', ...now)
    expect(status).toBe(0)
    const { ways, models } = JSON.parse(stdout) as {
      models: number
      ways: readonly {
        way: string
        id: string
        handsOnSeconds: { low: number; likely: number; high: number }
        perModelSeconds: number
        pots: number
        potsThere: number
        sittings: number
        fits: boolean
        lost?: readonly string[]
      }[]
    }
    expect(models).toBe(3)
    expect(ways.filter((each) => each.way === 'school')).toHaveLength(9)
    expect(ways.filter((each) => each.way === 'recipe')).toHaveLength(5)
    for (const { handsOnSeconds, pots, potsThere, sittings } of ways) {
      expect(handsOnSeconds.low).toBeLessThan(handsOnSeconds.likely)
      expect(handsOnSeconds.likely).toBeLessThan(handsOnSeconds.high)
      expect(potsThere).toBeLessThanOrEqual(pots)
      expect(sittings).toBeGreaterThan(0)
    }
    const minutesOf = (id: string) => ways.find((each) => each.id === id)!.perModelSeconds
    expect(minutesOf('all-over-stain')).toBeLessThan(minutesOf('translucent-over-bright'))
    expect(minutesOf('translucent-over-bright')).toBeLessThan(minutesOf('dark-under'))
    // A gun's recipe knows no hair, and its buckles are not on a cloaked foot model.
    expect(ways.find((each) => each.lost?.some((text) => text.includes('hair')))).toBeDefined()
  })

  it('says which unit there is not', () => {
    expect(cli('schools', demo, '--unit', 'Herons').stderr).toContain('--unit: one of Lock-keepers')
    expect(cli('schools', demo, '--body', 'fish').stderr).toContain('--body: one of foot')
  })
})

describe('order', () => {
  it('prints order, merges and findings of the demo as JSON, the same each time', () => {
    const first = cli('order', demo)
    expect(first.status).toBe(0)
    const order = JSON.parse(first.stdout) as OrderOutput
    const file = JSON.parse(readFileSync(demo, 'utf8')) as {
      project: { recipes: { steps: { id: string; standard: string }[] }[] }
    }
    const steps = order.stages.flatMap((stage) => stage.steps.map((step) => step.stepId))
    const written = file.project.recipes.flatMap((recipe) => recipe.steps)
    const leftOut = written.filter((step) => !steps.includes(step.id))
    expect(new Set(steps).size).toBe(written.length - leftOut.length)
    // Units that are painted to tabletop do without the steps of a higher standard.
    expect(new Set(leftOut.map((step) => step.standard))).toEqual(new Set(['tabletop plus', 'display']))
    expect(order.stages.length).toBeLessThan(steps.length)
    expect(order.cost.bound).toBeLessThanOrEqual(order.cost.weighedSeconds)
    // The officers' decal on matt varnish, and their second sepia wash.
    expect(order.findings[0]).toMatchObject({ rule: 'R07', severity: 'wastes' })
    expect(order.findings.map((finding) => finding.rule)).toContain('R18')
    expect(cli('order', demo).stdout).toBe(first.stdout)
  })

  it.each([
    ['an unknown weight', ['--weight', 'fun'], '--weight: one of fewest pots'],
    ['an unknown standard', ['--table-ready', 'shiny'], '--table-ready: one of three-colour'],
  ])('%s gives exit code 2 and says so', (_, args, message) => {
    const { status, stderr } = cli('order', demo, ...args)
    expect(status).toBe(2)
    expect(stderr).toContain(message)
  })

  it('names a mix of an unknown material by its path', () => {
    const file = JSON.parse(readFileSync(demo, 'utf8')) as { shelf: unknown[] }
    file.shelf = file.shelf.slice(1)
    const { status, stderr } = cli('order', written(JSON.stringify(file)))
    expect(status).toBe(2)
    expect(stderr).toMatch(/^project\.recipes\[0\]\.steps\[\d+\]\.mix\[0\]\.materialId: No material/)
  })
})

interface EstimateOutput {
  readonly handsOnSeconds: { readonly low: number; readonly likely: number; readonly high: number }
  readonly laps: number
  readonly units: readonly { readonly stages: readonly { readonly source: string }[] }[]
}

describe('estimate and job', () => {
  it('prints what is left of the demo, with ranges, sources and factors', () => {
    const { status, stdout } = asked('estimate', demo, ...now, ...quick)
    expect(status).toBe(0)
    const { handsOnSeconds, laps, units } = JSON.parse(stdout) as EstimateOutput
    expect(handsOnSeconds.low).toBeLessThan(handsOnSeconds.likely)
    expect(handsOnSeconds.likely).toBeLessThan(handsOnSeconds.high)
    expect(laps).toBeGreaterThan(15)
    const sources = new Set(units.flatMap((unit) => unit.stages.map((stage) => stage.source)))
    expect([...sources].sort()).toEqual(['laps', 'preset'])
    expect(stdout).toContain('common practice')
  })

  it.each([[[]], [['--batch-size', '5']]])(
    'counts the set-ups that plan counts, and the same hands-on: %j',
    (more) => {
      interface Both {
        readonly handsOnSeconds: { readonly likely: number } & number
        readonly setUpSeconds: number
      }
      const estimated = JSON.parse(asked('estimate', demo, ...now, ...quick, ...more).stdout) as Both
      const planned = JSON.parse(asked('plan', demo, ...now, ...quick, ...more).stdout) as Both
      expect(planned.setUpSeconds).toBeGreaterThan(600)
      expect(estimated.setUpSeconds).toBe(planned.setUpSeconds)
      expect(estimated.handsOnSeconds.likely).toBe(planned.handsOnSeconds)
    },
  )

  it('estimates a job that was never ordered, and shares it between painters', () => {
    const job = cli('job', 'dip', '--models', '20', '--per-holder', '8')
    expect(job.status).toBe(0)
    const file = JSON.parse(job.stdout) as { project: { line: unknown[] } }
    const bare = written(JSON.stringify({ ...file, project: { ...file.project, line: [] } }))
    const alone = JSON.parse(cli('estimate', bare).stdout) as { onTheClockSeconds: number }
    const both = JSON.parse(cli('estimate', bare, '--painters', '2').stdout) as { onTheClockSeconds: number }
    expect(both.onTheClockSeconds).toBeLessThan(alone.onTheClockSeconds * 0.6)
  })

  it('takes a unit that is remembered for what laps would say', () => {
    const file = written(cli('job', 'dip', '--models', '20').stdout)
    const of = (...more: string[]) =>
      (JSON.parse(cli('estimate', file, ...more).stdout) as EstimateOutput).handsOnSeconds
    const plain = of()
    const slow = of(
      '--remembered',
      '10 foot by translucent over bright to tabletop: three evenings of three hours',
    )
    expect(slow.likely).toBeGreaterThan(1.3 * plain.likely)
    expect(slow.high / slow.low).toBeLessThan(0.8 * (plain.high / plain.low))
  })

  it.each([
    [['job', 'sponge'], 'the school: one of'],
    [['job', 'dip', '--size', 'giant'], '--size: one of small, foot'],
    [['job', 'dip', '--models', '0'], '--models: give a whole number from 1.'],
    [['estimate', demo, '--painters', 'two'], '--painters: give a whole number from 1.'],
    [['estimate', demo, '--remembered', 'ages'], "--remembered: say it as '10 foot by dip"],
    [['estimate', demo, '--now', 'soon'], '--now: this is not an ISO 8601 moment.'],
  ])('%j ends with a sentence and exit code 2', (args, sentence) => {
    const { status, stderr } = cli(...args)
    expect(status).toBe(2)
    expect(stderr).toContain(sentence)
  })
})

interface QuoteOutput {
  readonly currency: string
  readonly tiers: readonly {
    readonly standard: string
    readonly parts: Readonly<Record<string, number>>
    readonly price: number
    readonly promisedOn: string | null
  }[]
}

describe('quote', () => {
  const job = written(cli('job', 'dip', '--models', '3').stdout)
  const quoted = (...more: string[]) =>
    JSON.parse(asked('quote', job, ...now, ...quick, ...more).stdout) as QuoteOutput

  it('says what each standard costs, its parts, and the day it could be promised for', () => {
    const { currency, tiers } = quoted()
    expect(currency).toBe('EUR')
    expect(tiers.length).toBeGreaterThan(1)
    tiers.forEach(({ parts, price, promisedOn }, at) => {
      expect(Object.values(parts).reduce((sum, part) => sum + part, 0)).toBe(price)
      expect(price).toBeGreaterThanOrEqual(tiers[at - 1]?.price ?? 1)
      expect(promisedOn).toMatch(/^\d{4}-\d{2}-\d{2}$/)
    })
  })

  it('goes by a price list, and by what else is on the desk', () => {
    const plain = quoted()
    const prices = { ...usualPriceList, currency: 'CHF', hour: usualPriceList.hour * 2, confidence: 0.95 }
    const dear = quoted('--prices', written(JSON.stringify(prices)))
    expect(dear.currency).toBe('CHF')
    expect(dear.tiers[0]!.price).toBeGreaterThan(plain.tiers[0]!.price * 1.5)
    // Nine models beside it, and one desk.
    const late = quoted('--beside', written(cli('job', 'layers-over-colour', '--models', '9').stdout))
    expect(late.tiers[0]!.promisedOn! > plain.tiers[0]!.promisedOn!).toBe(true)
    expect(late.tiers[0]!.price).toBe(plain.tiers[0]!.price)
  })

  it('of what is left costs less, and what is left of nothing is said', () => {
    const file = JSON.parse(readFileSync(job, 'utf8')) as z.input<typeof projectFileSchema>
    const punched = (stages: number) => {
      const [unit] = file.project.units
      const events = file.project.line.slice(0, stages).map(({ id }, index) => ({
        id: `00000000-0000-7000-8000-${String(index).padStart(12, '0')}`,
        at: '2026-11-20T10:00:00Z',
        kind: 'punched',
        stageId: id,
        modelIds: unit!.models.map((model) => model.id),
      }))
      return written(JSON.stringify({ ...file, events }))
    }
    const priceOf = (path: string, ...more: string[]) =>
      (JSON.parse(cli('quote', path, ...now, ...quick, ...more).stdout) as QuoteOutput).tiers.at(-1)!.price
    const begun = punched(4)
    expect(priceOf(begun, '--of', 'left')).toBeLessThan(priceOf(begun))
    expect(cli('quote', begun, '--of', 'half').stderr).toContain('--of half: give all, or left')
  })

  it.each([
    [['--prices', 'nowhere.json'], 'this is no file with JSON in it.'],
    [['--prices', written(JSON.stringify({ ...usualPriceList, margin: -2 }))], '--prices margin: From −90'],
    [['--now', 'soon'], '--now: this is not an ISO 8601 moment.'],
    [['--beside', job], 'this is the same project.'],
  ])('%j ends with a sentence and exit code 2', (args, sentence) => {
    const { status, stderr } = cli('quote', job, ...args)
    expect(status).toBe(2)
    expect(stderr).toContain(sentence)
  })
})

describe('the command itself', () => {
  const asProcess = (...args: string[]) =>
    spawnSync(process.execPath, ['--import', 'tsx', 'packages/cli/src/main.ts', ...args], {
      cwd: root,
      encoding: 'utf8',
    })

  it('prints, says what is wrong, and ends with its code', () => {
    const sound = asProcess('job', 'dip')
    expect([sound.status, sound.stderr]).toEqual([0, ''])
    expect(sound.stdout).toBe(cli('job', 'dip').stdout)
    const wrong = asProcess('job', 'sponge')
    expect([wrong.status, wrong.stdout]).toEqual([2, ''])
    expect(wrong.stderr).toContain('the school: one of')
  })

  it.each([['--help'], ['help'], ['plan', '--help']])(
    '%s prints how it is used, and is no fault',
    (...args) => {
      expect(cli(...args)).toMatchObject({ status: 0, stderr: '' })
      expect(cli(...args).stdout).toMatch(/^usage: /)
    },
  )
})
