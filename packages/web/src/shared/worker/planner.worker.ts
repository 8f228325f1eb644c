import { offersOfSameness, orderLine, planLine, trySplit } from '@seriatim/core'
import { expose } from 'comlink'

const planner = { planLine, trySplit, orderLine, offersOfSameness }

export type Planner = typeof planner

expose(planner)
