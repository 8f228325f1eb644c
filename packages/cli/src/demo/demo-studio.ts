import type { StudioFile } from '@seriatim/contract'
import { localDateAt } from '@seriatim/core/calendar'
import { usualPriceList } from '@seriatim/core/money'
import { usualBatchSize } from '@seriatim/core/plan'
import type { ProgressEvent } from '@seriatim/core/progress'
import { starterShelf } from '@seriatim/core/presets'
import { plainPainter, usualHandOver, type Painter } from '@seriatim/core/trade'
import {
  addDays,
  addSeconds,
  minutes,
  type ClientId,
  type EventId,
  type Instant,
  type PainterId,
} from '@seriatim/core/units'
import { jobFile, type Job } from '../job.ts'
import { sequentialIds } from './ids.ts'

const painter = (id: string, name: string, some: Partial<Painter> = {}): Painter => ({
  id: id as PainterId,
  name,
  ...plainPainter,
  ...some,
})

/** Three hands: one at a weekday's evenings, one in the mornings, one who is slower and sprays nothing. */
const painters: readonly Painter[] = [
  painter('odile', 'Odile'),
  painter('wim', 'Wim', {
    rules: [
      {
        weekdays: [1, 3, 5],
        startsAt: '08:30',
        lengthSeconds: minutes(210),
        everyWeeks: 1,
        countedFrom: null,
      },
    ],
  }),
  painter('tiss', 'Tiss', { pace: 1.3, cannot: ['spray', 'spray from above'] }),
]

interface Order {
  readonly job: Omit<Job, 'bodyPlan' | 'batchSize'> & Partial<Pick<Job, 'bodyPlan'>>
  readonly client: { readonly name: string; readonly contact: string; readonly note: string }
  readonly dueInDays: number
  readonly arrivesInDays: number | null
  readonly received: string
  /** So many stages are behind the first so many models. */
  readonly done: { readonly stages: number; readonly models: number }
}

/** The salt caravans of the White Pan: three orders for three clients, one of them late, one not here yet. */
const orders: readonly Order[] = [
  {
    job: {
      name: 'Salt wardens',
      school: 'dip',
      models: 24,
      size: 'foot',
      detail: 'usual',
      standard: 'tabletop',
      perHolder: 6,
    },
    client: { name: 'Maren Voss', contact: 'at the mill, by letter', note: 'Fetches them herself.' },
    dueInDays: 6,
    arrivesInDays: null,
    received: '24, two without a left hand',
    done: { stages: 1, models: 12 },
  },
  {
    job: {
      name: 'Pan riders',
      school: 'dark-under',
      bodyPlan: 'rider-and-mount',
      models: 6,
      size: 'mounted',
      detail: 'ornate',
      standard: 'tabletop plus',
      perHolder: 1,
    },
    client: { name: 'Ansel Dray', contact: 'ansel at the long quay', note: '' },
    dueInDays: 45,
    arrivesInDays: null,
    received: '6, mounts apart',
    done: { stages: 0, models: 0 },
  },
  {
    job: {
      name: 'Kiln keepers',
      school: 'layers-over-colour',
      models: 10,
      size: 'foot',
      detail: 'usual',
      standard: 'tabletop',
      perHolder: 5,
    },
    client: { name: 'Ilse Torn', contact: 'through Ansel', note: 'Wants them quiet in colour.' },
    dueInDays: 60,
    arrivesInDays: 8,
    received: '',
    done: { stages: 0, models: 0 },
  },
]

/**
 * A small studio with three commissions, as a studio file that speaks from `now`: the same ids each time, so that opening it
 * twice is opening it once.
 */
export function demoStudioFile(now: Instant): StudioFile {
  const newId = sequentialIds('demo studio')
  const today = localDateAt(now, 'UTC')
  const made = orders.map((order) => {
    const { project, shelf } = jobFile({ bodyPlan: 'foot', batchSize: usualBatchSize, ...order.job })
    const clientId = newId() as ClientId
    const events = project.line.slice(0, order.done.stages).map((stage, index): ProgressEvent => ({
      id: newId() as EventId,
      at: addSeconds(now, -(order.done.stages - index) * 86_400),
      kind: 'punched',
      stageId: stage.id,
      modelIds: (project.units[0]?.models ?? []).slice(0, order.done.models).map((model) => model.id),
    }))
    return {
      client: { id: clientId, ...order.client },
      file: {
        format: 'seriatim-project' as const,
        version: 2 as const,
        writtenAt: now,
        shelf,
        project: {
          ...project,
          dueOn: addDays(today, order.dueInDays),
          commission: {
            clientId,
            arrivesOn: order.arrivesInDays === null ? null : addDays(today, order.arrivesInDays),
            received: order.received,
            testModel: null,
            deliveredOn: null,
          },
          planning: { ...project.planning, painters, handOver: { at: '16:00', ...usualHandOver } },
        },
        events,
      },
    }
  })
  return {
    format: 'seriatim-studio',
    version: 1,
    writtenAt: now,
    name: 'The desk by the pans',
    hoursOf: made[0]?.file.project.id ?? null,
    shelf: [...starterShelf],
    air: [],
    rates: [],
    clients: made.map((each) => each.client),
    prices: usualPriceList,
    projects: made.map(({ file }) => ({ file, quotes: [] })),
  }
}
