import {
  estimateLine,
  extrasFor,
  offersOfSameness,
  orderLine,
  planLine,
  standardCosts,
  tryOffer,
  trySplit,
  type PlanningInput,
} from '@seriatim/core'
import { expose } from 'comlink'

/** The highest turn that is called off; shared with the page, so that it is heard in the middle of a search. */
let calledOff: Int32Array | null = null

const planner = {
  listenTo: (shared: SharedArrayBuffer) => {
    calledOff = new Int32Array(shared)
  },
  planLine: (input: PlanningInput, turn: number) =>
    planLine({ ...input, isCalledOff: () => calledOff !== null && Atomics.load(calledOff, 0) >= turn }),
  trySplit,
  tryOffer,
  orderLine,
  offersOfSameness,
  estimateLine,
  standardCosts,
  extrasFor,
}

export type Planner = typeof planner

expose(planner)
