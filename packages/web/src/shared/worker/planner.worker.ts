import { offersOfSameness, orderLine, planLine, tryOffer, trySplit } from '@seriatim/core'
import { expose } from 'comlink'

const planner = { planLine, trySplit, tryOffer, orderLine, offersOfSameness }

export type Planner = typeof planner

expose(planner)
