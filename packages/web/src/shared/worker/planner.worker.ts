import { offersOfSameness, orderLine, planLine, tryBatchSize } from '@seriatim/core'
import { expose } from 'comlink'

const planner = { planLine, tryBatchSize, orderLine, offersOfSameness }

export type Planner = typeof planner

expose(planner)
