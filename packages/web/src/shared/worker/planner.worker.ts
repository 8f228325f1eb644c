import { planLine, tryBatchSize } from '@seriatim/core'
import { expose } from 'comlink'

const planner = { planLine, tryBatchSize }

export type Planner = typeof planner

expose(planner)
