import { isThroughHole, type HoleState } from './hole-state.ts'

/** The hole of a whole batch at one stage. */
export interface BatchHole {
  readonly state: HoleState
  readonly done: number
  /** Models that take the stage. */
  readonly of: number
}

/**
 * A batch shows the least finished of its models: a touch-up first, then what is in hand or begun, then
 * what dries longest.
 */
export function batchHole(holes: readonly HoleState[]): BatchHole {
  const taking = holes.filter((hole) => hole.kind !== 'not-needed')
  const through = taking.filter(isThroughHole)
  return { state: stateOf(taking, through.length), done: through.length, of: taking.length }
}

function stateOf(taking: readonly HoleState[], through: number): HoleState {
  if (taking.length === 0) return { kind: 'not-needed' }
  const touchUp = taking.find((hole) => hole.kind === 'touch-up')
  if (touchUp) return touchUp
  if (taking.some((hole) => hole.kind === 'in-hand')) return { kind: 'in-hand' }
  if (through === 0) return { kind: 'to-do' }
  if (through < taking.length) return { kind: 'in-hand' }
  const drying = taking.filter((hole) => hole.kind === 'drying')
  return drying.reduce<HoleState>(
    (longest, hole) => (longest.kind === 'drying' && longest.until >= hole.until ? longest : hole),
    { kind: 'done' },
  )
}
