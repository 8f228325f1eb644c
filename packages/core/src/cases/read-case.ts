import { regionsMeet } from '../trade/index.ts'
import {
  bareBatch,
  barePlan,
  bareTask,
  type PlanBatch,
  type PlanInstance,
  type Span,
} from '../schedule/index.ts'

/** A planning problem of minutes, as check cases are written down: stages of batches, each in one piece. */
export interface Case {
  readonly workers: number
  readonly stations: readonly string[]
  readonly families: readonly { readonly id: string; readonly setUpMinutes: number }[]
  /** From and to, in minutes; `null`: always open. */
  readonly sessions: readonly (readonly number[])[] | null
  /** By window its spans. */
  readonly windows?: readonly (readonly (readonly number[])[])[] | undefined
  readonly rack?: number | null | undefined
  readonly batches: readonly { readonly stages: readonly CaseStage[] }[]
}

interface CaseStage {
  readonly family: string
  readonly handsMinutes: number
  readonly station: string | null
  readonly dryMinMinutes: number
  readonly dryMaxMinutes?: number | null | undefined
  readonly window?: number | null | undefined
  readonly onRack?: boolean | undefined
  /** What it touches; stages that share nothing may come in any order. Without it every batch keeps to its list. */
  readonly regions?: string | readonly string[] | undefined
}

/** The case as an instance of minutes: a batch is one model, never split, and pots stay open over night. */
export function readCase({
  workers,
  stations,
  families,
  sessions,
  windows,
  rack,
  batches,
}: Case): PlanInstance {
  const names = [
    ...new Set(batches.flatMap(({ stages }) => stages.flatMap(({ regions = 'whole' }) => [regions].flat()))),
  ].filter((name) => name !== 'whole')
  const numbered = ({ regions = 'whole' }: CaseStage) =>
    typeof regions === 'string' ? ('whole' as const) : regions.map((name) => names.indexOf(name))
  const readBatch = ({ stages }: Case['batches'][number], kind: number): PlanBatch =>
    bareBatch(
      stages.map((stage, index) =>
        bareTask({
          stage: index,
          family: families.findIndex(({ id }) => id === stage.family),
          setUp: families.find(({ id }) => id === stage.family)?.setUpMinutes ?? 0,
          perModel: stage.handsMinutes,
          wait: stage.dryMinMinutes,
          maxWait: stage.dryMaxMinutes ?? null,
          station: stage.station === null ? null : stations.indexOf(stage.station),
          windows: stage.window ?? null,
          onRack: stage.onRack ?? false,
          regions: numbered(stage),
        }),
      ),
      {
        kind,
        comesAfter: stages.some(({ regions }) => regions !== undefined)
          ? stages.map((later, place) =>
              stages.flatMap((earlier, at) =>
                at < place && regionsMeet(numbered(earlier), numbered(later)) ? [at] : [],
              ),
            )
          : null,
      },
    )
  return barePlan(batches.map(readBatch), {
    regionCount: names.length,
    painters: Array.from({ length: workers }, () => ({ sessions: sessions && spans(sessions), pace: 1 })),
    stations: stations.map(() => 1),
    windows: (windows ?? []).map(spans),
    rack: rack ?? null,
    bores: { stage: 1800, kind: 5400 },
  })
}

const spans = (all: readonly (readonly number[])[]): readonly Span[] =>
  all.map(([start = 0, end = 0]) => ({ start, end }))
