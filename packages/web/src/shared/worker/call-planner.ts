import { wrap, type Remote } from 'comlink'
import { sourceOf } from '../progress/index.ts'
import { createObjectSender, type Pack } from './object-cache.ts'
import { inputKey } from './input-key.ts'
import type { Planner } from './planner.worker.ts'

interface Kept {
  readonly worker: Worker
  readonly pack: Pack
  readonly planner: Remote<Planner>
  /** Where a turn is called off; `null` where the browser shares no memory. */
  readonly calledOff: Int32Array | null
}

/** One computation; large inputs go through `pack`, which sends what the worker has not yet. */
export type Task<Answer> = (planner: Remote<Planner>, turn: number, pack: Pack) => Promise<Answer>

/** Calls of one lane run one after the other, each lane on a worker of its own. */
export type Lane = 'estimate' | 'plan' | 'compare' | 'compare beside' | 'odds' | 'order' | 'hours' | 'look'

/** So long a computation has to answer after it was called off; what does not listen is ended. */
const abortGrace = 150

const kept = new Map<Lane, Kept>()
const turns = new Map<Lane, Promise<unknown>>()
let lastTurn = 0

/**
 * Runs one computation off the main thread. An abort is answered at once: the computation is asked to stop, and its
 * worker goes on with the next one; only what does not listen is ended with its worker. What has not begun is taken out
 * of the lane.
 */
export function callPlanner<Answer>(lane: Lane, task: Task<Answer>, signal: AbortSignal): Promise<Answer> {
  return new Promise<Answer>((resolve, reject) => {
    const before = turns.get(lane) ?? Promise.resolve()
    const turn = before.then(() => run(lane, task, signal, resolve, reject))
    turns.set(lane, turn)
  })
}

/** Resolves when the worker is free again, or ended. */
async function run<Answer>(
  lane: Lane,
  task: Task<Answer>,
  signal: AbortSignal,
  resolve: (answer: Answer) => void,
  reject: (reason: unknown) => void,
): Promise<void> {
  await afterPaint()
  if (signal.aborted) {
    reject(signal.reason)
    return
  }
  const { worker, planner, pack, calledOff } = kept.get(lane) ?? startWorker(lane)
  const turn = (lastTurn += 1)
  await new Promise<void>((free) => {
    const end = (reason: unknown) => {
      worker.terminate()
      if (kept.get(lane)?.worker === worker) kept.delete(lane)
      reject(reason)
      free()
    }
    const abort = () => {
      reject(signal.reason)
      if (!calledOff) end(signal.reason)
      else {
        Atomics.store(calledOff, 0, turn)
        setTimeout(() => {
          if (!isDone) end(signal.reason)
        }, abortGrace)
      }
    }
    let isDone = false
    signal.addEventListener('abort', abort)
    worker.onerror = (event) => end(new Error(event.message || 'The planner could not be loaded.'))
    const done = () => {
      isDone = true
      signal.removeEventListener('abort', abort)
      free()
    }
    task(planner, turn, pack).then(
      (answer) => {
        resolve(answer)
        done()
      },
      (error: unknown) => {
        reject(error)
        done()
      },
    )
  })
}

/** So long after a frame was asked for, on a slow machine, it is on the screen: painting it goes on beside the page. */
const painting = 60

/** What was just tapped is painted first: handing work over takes time, and the work takes a core. */
function afterPaint(): Promise<void> {
  return new Promise((resolve) => {
    const late = setTimeout(resolve, 200)
    requestAnimationFrame(() => {
      clearTimeout(late)
      setTimeout(resolve, painting)
    })
  })
}

function startWorker(lane: Lane): Kept {
  const worker = new Worker(new URL('./planner.worker.ts', import.meta.url), { type: 'module' })
  const planner = wrap<Planner>(worker)
  const shared = typeof SharedArrayBuffer === 'undefined' ? null : new SharedArrayBuffer(4)
  if (shared) void planner.listenTo(shared)
  const pack = createObjectSender(
    {
      store: (key, value) => void planner.store(key, value),
      append: (key, part) => void planner.append(key, part),
      evict: (key) => void planner.evict(key),
    },
    inputKey,
    sourceOf,
  )
  const started = { worker, planner, pack, calledOff: shared && new Int32Array(shared) }
  kept.set(lane, started)
  return started
}
