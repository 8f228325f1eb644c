import { describe, expect, it } from 'vitest'
import { workLeft } from '../estimating/work-left.ts'
import { noon, project, stage, unit } from '../testing/builders.ts'
import { addSeconds } from '../units/instant.ts'
import type { EventId } from '../units/ids.ts'
import { seconds } from '../units/seconds.ts'
import type { ProgressEvent } from './event.ts'
import { foldProgress } from './fold-progress.ts'
import { holeState, isSkipped, isThrough } from './hole-state.ts'

const pikes = unit('pikes', 3)
const [base, wash] = [stage('base'), stage('wash')]
const job = project([pikes], [base, wash])
const [first] = pikes.models
const at = (minute: number) => addSeconds(noon, seconds(minute * 60))
const over = { stageId: wash.id, modelIds: pikes.models.map((model) => model.id) }
const skipped: ProgressEvent = { id: 'skip' as EventId, at: at(1), kind: 'skipped', note: '', ...over }

describe('a stage that some models go without', () => {
  it('is neither done nor to do, and its work is no work of the job', () => {
    const progress = foldProgress([skipped])
    expect(isSkipped(progress, first!.id, wash)).toBe(true)
    expect(isThrough(progress, first!.id, wash)).toBe(true)
    expect(holeState(progress, pikes.id, first!, wash, at(2))).toEqual({ kind: 'not-needed' })
    const before = workLeft(job, foldProgress([]))
    const after = workLeft(job, progress)
    expect(after.totalSeconds).toBe(before.totalSeconds / 2)
    expect(after.leftSeconds).toBe(after.totalSeconds)
  })

  it('finishes a model that has all the others', () => {
    const punched: ProgressEvent = { ...skipped, id: 'base' as EventId, kind: 'punched', stageId: base.id }
    expect(workLeft(job, foldProgress([punched, skipped])).modelsFinished).toBe(3)
  })

  it('is to do again when that is taken back, or the stage is done after all', () => {
    const back: ProgressEvent = { id: 'undo' as EventId, at: at(2), kind: 'undone', targetId: skipped.id }
    expect(isThrough(foldProgress([skipped, back]), first!.id, wash)).toBe(false)
    const done: ProgressEvent = { id: 'done' as EventId, at: at(3), kind: 'punched', ...over }
    const progress = foldProgress([skipped, done])
    expect(isSkipped(progress, first!.id, wash)).toBe(false)
    expect(holeState(progress, pikes.id, first!, wash, at(3)).kind).toBe('done')
  })
})
