import { expect, it } from 'vitest'
import { foldProgress } from '../progress/fold-progress.ts'
import { drying, eventId, noon, project, stage, unit } from '../testing/builders.ts'
import { splitIntoBatches } from '../trade/batches.ts'
import { addSeconds } from '../units/instant.ts'
import { dryingAlarms } from './drying-alarms.ts'

const wash = stage('wash', drying(30))
const pikes = unit('pikes', 4)
const given = project([pikes], [wash, stage('edge')], { batchSize: 2 })
const ids = pikes.models.map(({ id }) => id)
const punched = (index: number, minute: number, ...places: number[]) => ({
  kind: 'punched' as const,
  id: eventId(index),
  at: addSeconds(noon, minute * 60),
  stageId: wash.id,
  modelIds: places.map((place) => ids[place]!),
})

it('rings for a batch when its last model is dry, the soonest first, and not for what is dry', () => {
  const progress = foldProgress([punched(1, 0, 2, 3), punched(2, 5, 0), punched(3, 9, 1)])
  const at = (minute: number) =>
    dryingAlarms(given, splitIntoBatches(given, given), progress, addSeconds(noon, minute * 60)).map(
      (entry) => (entry.kind === 'dry' ? [(entry.at - noon) / 60_000, entry.what, entry.key] : []),
    )
  const [second, first] = at(10)
  expect(second?.slice(0, 2)).toEqual([30, 'wash, pikes B'])
  expect(first?.slice(0, 2)).toEqual([39, 'wash, pikes A'])
  expect(at(35)).toEqual([first])
  expect(at(40)).toEqual([])
})
