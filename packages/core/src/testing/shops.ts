import { shopInstance } from '../cases/read-shop.ts'
import type { PlanInstance } from '../schedule/instance.ts'

/**
 * The flow shop of Taillard (1993) for a time seed: seed' = 16807 · seed mod (2³¹ − 1), time = 1 + ⌊seed' / (2³¹ − 1) · 99⌋,
 * machine by machine, job by job within a machine.
 */
export function taillardFlowShop(timeSeed: number, jobs: number, machines: number): PlanInstance {
  const modulus = 2_147_483_647
  let seed = timeSeed
  const times: number[][] = Array.from({ length: jobs }, () => [])
  for (let machine = 0; machine < machines; machine++) {
    for (let job = 0; job < jobs; job++) {
      seed = (16_807 * seed) % modulus
      times[job]?.push(1 + Math.floor((seed / modulus) * 99))
    }
  }
  return shopInstance(
    times.map((job) => job.map((minutes, machine) => [machine, minutes] as const)),
    machines,
  )
}

/** Time seeds of the ten 20 × 5 flow shops (Taillard 1993) and their best known permutation makespans; from memory. */
export const taillard20x5: readonly (readonly [seed: number, best: number])[] = [
  [873_654_221, 1278],
  [379_008_056, 1359],
  [1_866_992_158, 1081],
  [216_771_124, 1293],
  [495_070_989, 1235],
  [402_959_317, 1195],
  [1_369_363_414, 1234],
  [2_021_925_980, 1206],
  [573_109_518, 1230],
  [88_325_120, 1108],
]
