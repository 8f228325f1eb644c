import {
  estimateLine,
  extrasFor,
  offersOfSameness,
  orderLine,
  planLine,
  standardCosts,
  tryOffer,
  trySplit,
  type BatchSplit,
  type Offer,
  type OfferInput,
  type PlanningInput,
} from '@seriatim/core'
import { expose } from 'comlink'

/** The highest turn that is called off; shared with the page, so that it is heard in the middle of a search. */
let calledOff: Int32Array | null = null

const heard = (turn: number) => () => calledOff !== null && Atomics.load(calledOff, 0) >= turn

const planner = {
  listenTo: (shared: SharedArrayBuffer) => {
    calledOff = new Int32Array(shared)
  },
  planLine: (input: PlanningInput, turn: number) => planLine({ ...input, isCalledOff: heard(turn) }),
  trySplit: (input: PlanningInput, split: BatchSplit, turn: number) =>
    trySplit({ ...input, isCalledOff: heard(turn) }, split),
  tryOffer: (input: OfferInput, offer: Offer | null, turn: number) =>
    tryOffer({ ...input, isCalledOff: heard(turn) }, offer),
  orderLine,
  offersOfSameness,
  estimateLine,
  standardCosts,
  extrasFor,
}

export type Planner = typeof planner

expose(planner)
