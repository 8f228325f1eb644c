import type { PlanInstance, PlanTask } from '../schedule/instance.ts'
import { bareBatch, bareTask } from './bare-plan.ts'
import { shopInstance } from './shops.ts'
import plan01 from '../../cases/plan01.json' with { type: 'json' }
import plan02 from '../../cases/plan02.json' with { type: 'json' }
import plan03 from '../../cases/plan03.json' with { type: 'json' }
import plan05 from '../../cases/plan05.json' with { type: 'json' }
import plan06 from '../../cases/plan06.json' with { type: 'json' }
import plan08 from '../../cases/plan08.json' with { type: 'json' }
import plan10 from '../../cases/plan10.json' with { type: 'json' }
import plan11 from '../../cases/plan11.json' with { type: 'json' }
import order01 from '../../cases/free-order/order01.json' with { type: 'json' }
import order02 from '../../cases/free-order/order02.json' with { type: 'json' }
import order03 from '../../cases/free-order/order03.json' with { type: 'json' }
import order04 from '../../cases/free-order/order04.json' with { type: 'json' }
import order06 from '../../cases/free-order/order06.json' with { type: 'json' }
import order07 from '../../cases/free-order/order07.json' with { type: 'json' }

interface Case {
  readonly workers: number
  readonly stations: readonly string[]
  readonly families: readonly { readonly id: string; readonly setUpMinutes: number }[]
  readonly sessions: readonly (readonly number[])[] | null
  readonly batches: readonly {
    readonly stages: readonly {
      readonly family: string
      readonly station: string | null
      readonly handsMinutes: number
      readonly dryMinMinutes: number
      readonly dryMaxMinutes: number | null
    }[]
  }[]
  readonly reference: {
    readonly makespan: number
    readonly setUps: number
    readonly batchByBatch: number
    readonly stageByStage: number
  }
}

/** Invented instances; their optima were proved by exhaustive search or by a general constraint solver. */
const cases = { plan01, plan02, plan03, plan05, plan06, plan08, plan10, plan11 } satisfies Record<
  string,
  Case
>

export const provedCaseNames = Object.keys(cases) as (keyof typeof cases)[]

/** A stage on the one model of a batch, on all of it, that nothing has to follow soon. */
function wholeStage(
  families: Case['families'],
  stage: Pick<Case['batches'][number]['stages'][number], 'family' | 'handsMinutes' | 'dryMinMinutes'>,
  index: number,
): PlanTask {
  const setUp = families.find((family) => family.id === stage.family)?.setUpMinutes ?? 0
  return bareTask({
    stage: index,
    family: families.findIndex((family) => family.id === stage.family),
    setUp,
    perModel: stage.handsMinutes,
    wait: stage.dryMinMinutes,
  })
}

/** A case in minutes: a batch with waits between whole stages is one model, never split. */
export function readProvedCase(name: keyof typeof cases): {
  instance: PlanInstance
  reference: Case['reference']
} {
  const given: Case = cases[name]
  const sessions = given.sessions?.map(([start = 0, end = 0]) => ({ start, end })) ?? null
  const base = shopInstance([], 0)
  const instance: PlanInstance = {
    ...base,
    painters: Array.from({ length: given.workers }, () => ({ sessions, pace: 1 })),
    stations: given.stations.map(() => 1),
    batches: given.batches.map((batch, kind) =>
      bareBatch(
        batch.stages.map((stage, index) => ({
          ...wholeStage(given.families, stage, index),
          maxWait: stage.dryMaxMinutes,
          station: stage.station === null ? null : given.stations.indexOf(stage.station),
        })),
        { kind },
      ),
    ),
  }
  return { instance, reference: given.reference }
}

interface FreeCase extends Omit<Case, 'batches' | 'reference'> {
  readonly batches: readonly {
    readonly stages: readonly (Omit<Case['batches'][number]['stages'][number], 'dryMaxMinutes'> & {
      readonly regions: string | readonly string[]
    })[]
  }[]
  readonly optimum: { readonly makespanMinutes: number; readonly setUps: number }
  readonly chain: { readonly makespanMinutes: number; readonly setUps: number }
}

/** Invented instances whose batches are bound only by the regions their stages share; proved by dynamic programming. */
const freeCases = { order01, order02, order03, order04, order06, order07 } satisfies Record<string, FreeCase>

export const freeCaseNames = Object.keys(freeCases) as (keyof typeof freeCases)[]

/** A case in minutes, as those above. */
export function readFreeCase(name: keyof typeof freeCases): {
  instance: PlanInstance
  optimum: FreeCase['optimum']
  chain: FreeCase['chain']
} {
  const given: FreeCase = freeCases[name]
  const sessions = given.sessions?.map(([start = 0, end = 0]) => ({ start, end })) ?? null
  const names = [
    ...new Set(given.batches.flatMap((batch) => batch.stages.flatMap((stage) => [stage.regions].flat()))),
  ].filter((region) => region !== 'whole')
  const numbers = (regions: string | readonly string[]) =>
    typeof regions === 'string' ? ('whole' as const) : regions.map((region) => names.indexOf(region))
  const meet = (a: string | readonly string[], b: string | readonly string[]) =>
    typeof a === 'string' || typeof b === 'string' || a.some((region) => b.includes(region))
  const instance: PlanInstance = {
    ...shopInstance([], 0),
    regionCount: names.length,
    painters: Array.from({ length: given.workers }, () => ({ sessions, pace: 1 })),
    batches: given.batches.map(({ stages }, kind) => {
      const comesAfter = stages.map((later, place) =>
        stages.flatMap((earlier, at) => (at < place && meet(earlier.regions, later.regions) ? [at] : [])),
      )
      const tasks = stages.map((stage, index) => ({
        ...wholeStage(given.families, stage, index),
        regions: numbers(stage.regions),
      }))
      return bareBatch(tasks, { kind, comesAfter })
    }),
  }
  return { instance, optimum: given.optimum, chain: given.chain }
}
