import { wrap, type Remote } from 'comlink'
import type { Planner } from './planner.worker.ts'

interface Kept {
  readonly worker: Worker
  readonly planner: Remote<Planner>
}

/** Calls of one lane run one after the other, each lane on a worker of its own. */
type Lane = 'plan' | 'compare' | 'odds' | 'order'

const kept = new Map<Lane, Kept>()
const turns = new Map<Lane, Promise<unknown>>()

/**
 * Runs one computation off the main thread. An abort ends it at once, whatever it is doing, or takes it
 * out of the lane before it began.
 */
export function callPlanner<Answer>(
  lane: Lane,
  task: (planner: Remote<Planner>) => Promise<Answer>,
  signal: AbortSignal,
): Promise<Answer> {
  const before = turns.get(lane) ?? Promise.resolve()
  const turn = before.then(() => run(lane, task, signal))
  turns.set(
    lane,
    turn.catch(() => undefined),
  )
  return turn
}

async function run<Answer>(
  lane: Lane,
  task: (planner: Remote<Planner>) => Promise<Answer>,
  signal: AbortSignal,
): Promise<Answer> {
  signal.throwIfAborted()
  const { worker, planner } = kept.get(lane) ?? startWorker(lane)
  const broken = new Promise<never>((_, reject) => {
    const giveUp = (reason: unknown) => {
      worker.terminate()
      kept.delete(lane)
      reject(reason instanceof Error ? reason : new Error('The computation was cancelled.'))
    }
    signal.addEventListener('abort', () => giveUp(signal.reason))
    worker.onerror = (event) => giveUp(new Error(event.message || 'The planner could not be loaded.'))
  })
  return Promise.race([task(planner), broken])
}

function startWorker(lane: Lane): Kept {
  const worker = new Worker(new URL('./planner.worker.ts', import.meta.url), { type: 'module' })
  const started = { worker, planner: wrap<Planner>(worker) }
  kept.set(lane, started)
  return started
}
