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
  type EstimateInput,
  type LineOrder,
  type Offer,
  type OfferInput,
  type OrderingInput,
  type PlanningInput,
  type Project,
  type Standard,
  type UnitId,
} from '@seriatim/core'
import { expose } from 'comlink'
import { createKeeper } from './held.ts'

/** An estimate's input over a whole project. */
export type WholeInput = EstimateInput & { readonly project: Project }

/** The highest turn that is called off; shared with the page, so that it is heard in the middle of a search. */
let calledOff: Int32Array | null = null

const heard = (turn: number) => () => calledOff !== null && Atomics.load(calledOff, 0) >= turn

const { unpack, ...keeper } = createKeeper()

/** Every input may name what was sent before instead of bringing it again; see `held.ts`. */
const planner = {
  ...keeper,
  listenTo: (memory: SharedArrayBuffer) => {
    calledOff = new Int32Array(memory)
  },
  planLine: (input: PlanningInput, turn: number) => planLine({ ...unpack(input), isCalledOff: heard(turn) }),
  trySplit: (input: PlanningInput, split: BatchSplit, turn: number) =>
    trySplit({ ...unpack(input), isCalledOff: heard(turn) }, split),
  tryOffer: (input: OfferInput, offer: Offer | null, turn: number) =>
    tryOffer({ ...unpack(input), isCalledOff: heard(turn) }, offer),
  orderLine: (input: OrderingInput) => orderLine(unpack(input)),
  offersOfSameness: (input: OrderingInput, order: LineOrder) => offersOfSameness(unpack(input), order),
  estimateLine: (input: EstimateInput) => estimateLine(unpack(input)),
  standardCosts: (input: WholeInput) => standardCosts(unpack(input)),
  extrasFor: (
    input: WholeInput,
    standardOf: ReadonlyMap<UnitId, Standard>,
    seconds: number,
    safety: number,
  ) => extrasFor(unpack(input), standardOf, seconds, safety),
}

export type Planner = typeof planner

expose(planner)
