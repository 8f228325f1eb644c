import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { projectFileSchema } from '@seriatim/contract'
import { starterShelf } from '@seriatim/core/presets'
import { plainStep, type Recipe, type Step, type Technique } from '@seriatim/core/trade'
import type { StepId } from '@seriatim/core/units'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { z } from 'zod'
import { runEstimate } from './estimate-command.ts'
import { jobFile, type Job } from './job.ts'

/** Hands-on minutes that practitioners tell of (common practice), against presets alone. */
interface ToldJob {
  readonly told: string
  readonly minutes: number
  readonly job: Partial<Job>
  readonly painters?: number
}

const usual: Job = {
  name: 'Told',
  school: 'translucent-over-bright',
  bodyPlan: 'foot',
  models: 10,
  size: 'foot',
  detail: 'usual',
  standard: 'tabletop',
  perHolder: 1,
  batchSize: 100,
}

type Keep = (step: Step, material: string) => boolean

const materialOf = (step: Step) =>
  starterShelf.find((material) => material.id === step.mix[0]?.materialId)?.name ?? ''

const only =
  (keep: Keep) =>
  (recipe: Recipe): Recipe => ({
    ...recipe,
    steps: recipe.steps.filter((step) => keep(step, materialOf(step))),
  })

const isBase = (step: Step) => step.on !== 'whole' && step.on.includes('base')
const isSprayed = (step: Step) => step.technique.startsWith('spray')
/** Models that were primed, and based, on another day. */
const paintingAlone: Keep = (step) => !isBase(step) && !isSprayed(step)

function step(
  newId: () => string,
  on: Step['on'],
  material: string,
  technique: Technique,
  some: Partial<Step> = {},
): Step {
  const found = starterShelf.find((each) => each.name === material)
  if (!found) throw new RangeError(`no material ${material}`)
  return {
    ...plainStep,
    id: newId() as StepId,
    on,
    mix: [{ materialId: found.id, parts: 1 }],
    technique,
    ...some,
  }
}

const toldJobs: readonly ToldJob[] = [
  {
    told: 'four small infantry together, translucent, a dozen colours: 75 min',
    minutes: 75,
    job: {
      models: 4,
      size: 'small',
      adapt: (recipe, newId) => ({
        ...recipe,
        steps: [
          ...only(paintingAlone)(recipe).steps,
          step(newId, ['leather'], 'dark bone', 'detail'),
          step(newId, ['metal'], 'old brass', 'detail'),
          step(newId, ['skin'], 'flesh wash', 'wash'),
          step(newId, ['coat'], 'river blue translucent', 'detail'),
        ],
      }),
    },
  },
  {
    told: 'five large armoured troopers, translucent, with decals and chipping: 3–4 h',
    minutes: 210,
    job: {
      models: 5,
      bodyPlan: 'armoured-foot',
      size: 'large foot',
      adapt: (recipe, newId) => ({
        ...recipe,
        steps: [
          ...only(paintingAlone)(recipe).steps,
          step(newId, ['armour'], 'delta heron decal', 'decal', { count: 3 }),
          step(newId, ['armour'], 'dark peat', 'chip', { count: 40 }),
        ],
      }),
    },
  },
  {
    told: 'twenty cloaked infantry, translucent, with quick highlights: just under 20 min each',
    minutes: 390,
    job: {
      models: 20,
      bodyPlan: 'cloaked-foot',
      batchSize: 5,
      standard: 'tabletop plus',
      adapt: only(paintingAlone),
    },
  },
  {
    told: 'a pilot of five of them before the highlights: 15 min each',
    minutes: 75,
    job: { models: 5, bodyPlan: 'cloaked-foot', adapt: only(paintingAlone) },
  },
  {
    told: 'a dip horde by two: skin wash, cloth, metal, second wash; 20 models in 45 min',
    minutes: 45,
    painters: 2,
    job: {
      models: 20,
      perHolder: 8,
      school: 'dip',
      standard: 'three-colour',
      adapt: (recipe, newId) => ({
        ...recipe,
        steps: [
          step(newId, ['skin'], 'flesh wash', 'wash', { standard: 'three-colour' }),
          ...recipe.steps.filter(
            (each) => /moss|reed grey/.test(materialOf(each)) && each.technique === 'base coat',
          ),
          step(newId, ['metal'], 'dark iron', 'base coat', { standard: 'three-colour' }),
          step(newId, ['leather'], 'dark sepia wash', 'wash', { standard: 'three-colour' }),
        ],
      }),
    },
  },
  {
    told: 'one armoured trooper, translucent, plain: about 20 min',
    minutes: 20,
    job: { models: 1, bodyPlan: 'armoured-foot', detail: 'plain', adapt: only(paintingAlone) },
  },
  {
    told: 'one armoured trooper over a colour primer, lined and edged: a little longer than 20 min',
    minutes: 24,
    job: {
      models: 1,
      bodyPlan: 'armoured-foot',
      detail: 'plain',
      school: 'layers-over-colour',
      adapt: only(paintingAlone),
    },
  },
  {
    told: 'a rider alone, about fifteen pots that stand ready: about 20 min',
    minutes: 20,
    job: { models: 1, detail: 'plain', adapt: only(paintingAlone) },
  },
  {
    told: 'a wing of a large flyer: 10–15 min',
    minutes: 12.5,
    job: {
      models: 1,
      bodyPlan: 'large-creature',
      size: 'huge',
      adapt: (recipe, newId) => ({
        ...recipe,
        regions: recipe.regions.map((region) =>
          region.name === 'belly' ? { ...region, areaShare: 0.25 } : region,
        ),
        steps: [step(newId, ['belly'], 'hide ochre translucent', 'base coat')],
      }),
    },
  },
  {
    told: 'an all-over dry brush: about a minute a model',
    minutes: 20,
    job: {
      models: 20,
      adapt: (recipe, newId) => ({ ...recipe, steps: [step(newId, 'whole', 'pale bone', 'dry brush')] }),
    },
  },
  {
    told: 'gluing and flocking 75 bases: 30 min alone',
    minutes: 30,
    job: {
      models: 75,
      perHolder: 10,
      adapt: only((each) => ['spread', 'sprinkle'].includes(each.technique)),
    },
  },
  {
    told: 'a horde of bare-skinned troopers, wash, dry brush, bone, gore: 10 min each',
    minutes: 200,
    job: { models: 20, adapt: bareSkinned },
  },
  {
    told: 'the large ones of the same horde: 20 min each',
    minutes: 100,
    job: { models: 5, size: 'large', adapt: bareSkinned },
  },
]

function bareSkinned(recipe: Recipe, newId: () => string): Recipe {
  const skin = { areaShare: 0.6, parts: 4 }
  return {
    ...recipe,
    regions: recipe.regions.map((region) => (region.name === 'skin' ? { ...region, ...skin } : region)),
    steps: [
      step(newId, 'whole', 'pale bone primer, spray', 'spray'),
      step(newId, ['skin'], 'flesh wash', 'wash'),
      step(newId, 'whole', 'pale bone', 'dry brush'),
      step(newId, ['trousers'], 'peat brown', 'base coat'),
      step(newId, ['metal'], 'dark bone', 'base coat'),
      step(newId, ['hair', 'leather'], 'rust red', 'detail'),
      ...recipe.steps.filter(isBase),
    ],
  }
}

/** A trooper's hands-on minutes by school (common practice), ten together. */
const bySchool: readonly (readonly [school: string, from: number, to: number, some: Partial<Job>])[] = [
  ['translucent-over-bright', 15, 20, {}],
  [
    'translucent-over-bright',
    35,
    50,
    { bodyPlan: 'armoured-foot', size: 'large foot', standard: 'tabletop plus' },
  ],
  ['dip', 5, 15, {}],
  ['all-over-stain', 2, 5, { standard: 'three-colour', detail: 'plain', perHolder: 8, models: 40 }],
  ['opaque-wash-rehighlight', 30, 60, { standard: 'tabletop plus' }],
  ['tints-and-details', 5, 15, { detail: 'plain', models: 30, perHolder: 8 }],
  ['rough-blend-and-oil', 5, 15, { detail: 'plain', models: 30 }],
  // Twenty at once, layered: the two main colours alone take two days of evenings.
  ['layers-over-colour', 25, 45, {}],
  ['sprayed-volumes-and-oil', 20, 40, {}],
  ['dark-under', 25, 45, {}],
  ['dark-under', 100, 120, { standard: 'display', models: 15 }],
  ['translucent-over-bright', 100, 120, { standard: 'display' }],
]

describe('presets alone, against what is told', () => {
  let folder = ''
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'seriatim-told-'))
  })
  afterAll(() => {
    rmSync(folder, { recursive: true })
  })

  interface Estimated {
    readonly onTheClockSeconds: number
    readonly handsOnSeconds: { readonly low: number; readonly likely: number; readonly high: number }
  }

  const minutesOf = (some: Partial<Job>, painters = 1): number =>
    estimateOf(some, painters).onTheClockSeconds / 60

  /** Several tests look at the same job: its line takes longest. */
  const estimates = new Map<string, Estimated>()

  function estimateOf(some: Partial<Job>, painters = 1): Estimated {
    const adapt = toldJobs.findIndex(({ job }) => job.adapt !== undefined && job.adapt === some.adapt)
    const key = JSON.stringify({ ...usual, ...some, adapt, painters })
    const known = estimates.get(key) ?? estimate(some, painters)
    estimates.set(key, known)
    return known
  }

  function estimate(some: Partial<Job>, painters: number): Estimated {
    const path = join(folder, 'job.json')
    writeFileSync(path, JSON.stringify(z.encode(projectFileSchema, jobFile({ ...usual, ...some }))))
    const printed = runEstimate([path, '--painters', String(painters)])
    if (!printed.ok) throw new Error(printed.error.join())
    return JSON.parse(printed.value) as Estimated
  }

  it.each(toldJobs)('$told', ({ minutes, job, painters }) => {
    const found = minutesOf(job, painters)
    expect(found / minutes).toBeGreaterThan(0.75)
    expect(found / minutes).toBeLessThan(1.25)
  })

  it.each(bySchool)('%s: from %i to %i min a trooper', (school, from, to, some) => {
    const job = { ...some, school }
    const each = minutesOf(job) / (some.models ?? usual.models)
    expect(each).toBeGreaterThan(from * 0.75)
    expect(each).toBeLessThan(to * 1.25)
  })

  it('hold four of five told totals within their range of eight in ten', () => {
    const held = toldJobs.filter(({ minutes, job, painters = 1 }) => {
      const { handsOnSeconds: hands, onTheClockSeconds } = estimateOf(job, painters)
      const clockOf = (seconds: number) => (onTheClockSeconds * seconds) / hands.likely / 60
      return clockOf(hands.low) <= minutes && minutes <= clockOf(hands.high)
    })
    expect(held.length / toldJobs.length).toBeGreaterThanOrEqual(0.8)
  })

  it('spread by about ×/÷1.9 without laps', () => {
    const { handsOnSeconds } = estimateOf({ models: 20 })
    const spread = Math.sqrt(handsOnSeconds.high / handsOnSeconds.low)
    expect(spread).toBeGreaterThan(1.7)
    expect(spread).toBeLessThan(2.1)
  })

  it('make the finest standard of translucents about five times tabletop', () => {
    const factor = minutesOf({ standard: 'display' }) / minutesOf({})
    expect(factor).toBeGreaterThan(4.2)
    expect(factor).toBeLessThan(6)
  })

  it('layers over a colour primer take clearly longer than translucents', () => {
    expect(minutesOf({ school: 'layers-over-colour' })).toBeGreaterThan(1.15 * minutesOf({}))
    expect(minutesOf({ school: 'sprayed-volumes-and-oil' })).toBeGreaterThan(1.02 * minutesOf({}))
    expect(minutesOf({ school: 'dark-under' })).toBeGreaterThan(1.3 * minutesOf({}))
  })
})
