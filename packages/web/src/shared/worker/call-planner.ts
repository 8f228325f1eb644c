import { wrap, type Remote } from 'comlink'
import type { Planner } from './planner.worker.ts'

interface Idle {
  readonly worker: Worker
  readonly planner: Remote<Planner>
}

const idle: Idle[] = []

function takeWorker(): Idle {
  const kept = idle.pop()
  if (kept) return kept
  const worker = new Worker(new URL('./planner.worker.ts', import.meta.url), { type: 'module' })
  return { worker, planner: wrap<Planner>(worker) }
}

/**
 * Runs one computation off the main thread. An abort ends the worker at once, whatever it is doing;
 * otherwise it is kept for the next call.
 */
export async function callPlanner<Answer>(
  task: (planner: Remote<Planner>) => Promise<Answer>,
  signal: AbortSignal,
): Promise<Answer> {
  signal.throwIfAborted()
  const taken = takeWorker()
  const broken = new Promise<never>((_, reject) => {
    signal.addEventListener('abort', () => {
      taken.worker.terminate()
      reject(signal.reason instanceof Error ? signal.reason : new Error('cancelled'))
    })
    taken.worker.onerror = (event) => reject(new Error(event.message || 'The planner could not be loaded.'))
  })
  const answer = await Promise.race([task(taken.planner), broken])
  idle.push(taken)
  return answer
}
