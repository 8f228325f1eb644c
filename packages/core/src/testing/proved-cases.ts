import { type Case, readCase } from '../cases/read-case.ts'
import type { PlanInstance } from '../schedule/instance.ts'
import plan01 from '../../cases/plan01.json' with { type: 'json' }
import plan02 from '../../cases/plan02.json' with { type: 'json' }
import plan03 from '../../cases/plan03.json' with { type: 'json' }
import plan05 from '../../cases/plan05.json' with { type: 'json' }
import plan06 from '../../cases/plan06.json' with { type: 'json' }
import plan08 from '../../cases/plan08.json' with { type: 'json' }
import plan10 from '../../cases/plan10.json' with { type: 'json' }
import plan11 from '../../cases/plan11.json' with { type: 'json' }
import order01 from '../../cases/free-order/order01.json' with { type: 'json' }
import order02 from '../../cases/free-order/order02.json' with { type: 'json' }
import order03 from '../../cases/free-order/order03.json' with { type: 'json' }
import order04 from '../../cases/free-order/order04.json' with { type: 'json' }
import order06 from '../../cases/free-order/order06.json' with { type: 'json' }
import order07 from '../../cases/free-order/order07.json' with { type: 'json' }
import mix01 from '../../cases/mixed/mix01.json' with { type: 'json' }
import mix02 from '../../cases/mixed/mix02.json' with { type: 'json' }
import mix03 from '../../cases/mixed/mix03.json' with { type: 'json' }
import mix04 from '../../cases/mixed/mix04.json' with { type: 'json' }
import mix05 from '../../cases/mixed/mix05.json' with { type: 'json' }
import mix06 from '../../cases/mixed/mix06.json' with { type: 'json' }
import mix07 from '../../cases/mixed/mix07.json' with { type: 'json' }
import mix08 from '../../cases/mixed/mix08.json' with { type: 'json' }
import mix09 from '../../cases/mixed/mix09.json' with { type: 'json' }
import mix10 from '../../cases/mixed/mix10.json' with { type: 'json' }
import mix11 from '../../cases/mixed/mix11.json' with { type: 'json' }
import mix12 from '../../cases/mixed/mix12.json' with { type: 'json' }

/** Invented instances; their optima were proved by exhaustive search or by a general constraint solver. */
const cases = { plan01, plan02, plan03, plan05, plan06, plan08, plan10, plan11 } satisfies Record<
  string,
  Case
>

export const provedCaseNames = Object.keys(cases) as (keyof typeof cases)[]

export function readProvedCase(name: keyof typeof cases): {
  instance: PlanInstance
  reference: (typeof plan01)['reference']
} {
  return { instance: readCase(cases[name]), reference: cases[name].reference }
}

/** Invented instances whose batches are bound only by the regions their stages share; proved by dynamic programming. */
const freeCases = { order01, order02, order03, order04, order06, order07 } satisfies Record<string, Case>

export const freeCaseNames = Object.keys(freeCases) as (keyof typeof freeCases)[]

export function readFreeCase(name: keyof typeof freeCases): {
  instance: PlanInstance
  optimum: (typeof order01)['optimum']
  chain: (typeof order01)['chain']
} {
  const given = freeCases[name]
  return { instance: readCase(given), optimum: given.optimum, chain: given.chain }
}

/** Invented instances with sessions, a spray window, a rack and regions; best known by a plain search of four seconds. */
const mixed = { mix01, mix02, mix03, mix04, mix05, mix06, mix07, mix08, mix09, mix10, mix11, mix12 }
const bestKnown = [3057, 5805, 2906, 4365, 2916, 468, 4400, 2904, 2962, 4369, 4379, 326]

export const mixedCases = Object.entries(mixed).map(([name, given], index) => ({
  name,
  instance: readCase(given satisfies Case),
  best: bestKnown[index] ?? 0,
}))
