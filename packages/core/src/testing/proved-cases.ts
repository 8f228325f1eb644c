import type { PlanInstance } from '../planning/instance.ts'
import plan01 from '../../cases/plan01.json' with { type: 'json' }
import plan03 from '../../cases/plan03.json' with { type: 'json' }
import plan10 from '../../cases/plan10.json' with { type: 'json' }

interface Case {
  readonly families: readonly { readonly id: string; readonly setUpMinutes: number }[]
  readonly batches: readonly {
    readonly stages: readonly {
      readonly family: string
      readonly handsMinutes: number
      readonly dryMinMinutes: number
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
const cases = { plan01, plan03, plan10 } satisfies Record<string, Case>

export const provedCaseNames = Object.keys(cases) as (keyof typeof cases)[]

/** A case in minutes: a batch with waits between whole stages is one model, on an open desk, never split. */
export function readProvedCase(name: keyof typeof cases): {
  instance: PlanInstance
  reference: Case['reference']
} {
  const given: Case = cases[name]
  const instance: PlanInstance = {
    regionCount: 0,
    sessions: null,
    potsCloseBetweenSessions: false,
    maySplit: false,
    inHandAtMost: null,
    openFamily: null,
    batches: given.batches.map((batch) => ({
      models: 1,
      drying: [],
      begun: false,
      tasks: batch.stages.map((stage, index) => ({
        stage: index,
        family: given.families.findIndex((family) => family.id === stage.family),
        setUp: given.families.find((family) => family.id === stage.family)?.setUpMinutes ?? 0,
        again: given.families.find((family) => family.id === stage.family)?.setUpMinutes ?? 0,
        perModel: stage.handsMinutes,
        wait: stage.dryMinMinutes,
        regions: 'whole' as const,
        models: [0],
      })),
    })),
  }
  return { instance, reference: given.reference }
}
