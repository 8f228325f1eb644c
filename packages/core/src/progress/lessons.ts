import { type Job, potOf, regionsMeet, type Stage, touchedRegions } from '../trade/index.ts'
import type { Instant, StageId } from '../units/index.ts'
import { slipText } from './hole-state.ts'
import type { Outcome } from './event.ts'
import type { Progress } from './progress.ts'

/** Something that was noted at a stage and is worth knowing the next time. */
export interface Lesson {
  readonly at: Instant
  /** Where it was noted last. */
  readonly stageId: StageId
  readonly stage: string
  /** As `potOf` has it. */
  readonly pot: string
  readonly kind: 'said' | 'missed' | 'used' | 'went'
  readonly text: string
  /** How often the same was noted of this pot. */
  readonly times: number
}

/**
 * What pilots were judged, slips and other paints were noted with, and what each paint did over which ground, by pot: the same
 * words on one pot are one lesson. What was
 * noted most comes first, then the newest.
 */
export function lessonsOf({ line }: Pick<Job, 'line'>, progress: Progress): readonly Lesson[] {
  const stages = new Map(line.map((stage) => [stage.id, { stage: stage.name, pot: potOf(stage) }]))
  const lessons = new Map<string, Lesson>()
  const note = (kind: Lesson['kind'], at: Instant, stageId: StageId, text: string) => {
    const where = stages.get(stageId)
    if (text === '' || !where) return
    const key = `${kind} ${where.pot} ${text.toLowerCase()}`
    const known = lessons.get(key)
    const newest = known && known.at > at ? known : { at, stageId, ...where }
    lessons.set(key, { ...newest, kind, text, times: (known?.times ?? 0) + 1 })
  }
  for (const { at, stageId, note: text } of progress.judgements) note('said', at, stageId, text)
  for (const slip of progress.slips) note('missed', slip.at, slip.stageId, slipText(slip))
  for (const { at, stageId, note: text } of progress.used) note('used', at, stageId, text)
  for (const { at, stageId, outcome } of progress.went)
    note('went', at, stageId, wentText(line, stageId, outcome))
  return [...lessons.values()].sort((a, b) => b.times - a.times || b.at - a.at)
}

const outcomeTexts: Readonly<Record<Outcome, string>> = {
  covered: 'covered at once',
  'another coat': 'needed another coat',
  stained: 'stained',
  pooled: 'pooled',
  lifted: 'lifted what lay under it',
}

/** `needed another coat over grey primer`: the ground is the last stage before that it lies on. */
function wentText(line: readonly Stage[], stageId: StageId, outcome: Outcome): string {
  const place = line.findIndex(({ id }) => id === stageId)
  const own = line[place]
  const ground =
    own &&
    line
      .slice(0, place)
      .findLast(
        (each) => each.material !== '' && regionsMeet(touchedRegions(each.touch), touchedRegions(own.touch)),
      )
  return `${outcomeTexts[outcome]}${ground ? ` over ${ground.material.toLowerCase()}` : ''}`
}

/** What was noted of a pot in these, `null` where nothing was: how often it covered at once, and how often it did not. */
export function coatsTaken(
  lessons: readonly Pick<Lesson, 'kind' | 'pot' | 'text' | 'times'>[],
  pot: string,
): { readonly atOnce: number; readonly another: number } | null {
  const times = (outcome: Outcome) =>
    lessons.reduce(
      (sum, each) =>
        each.kind === 'went' && each.pot === pot && each.text.startsWith(outcomeTexts[outcome])
          ? sum + each.times
          : sum,
      0,
    )
  const [atOnce, another] = [times('covered'), times('another coat')]
  return atOnce + another > 0 ? { atOnce, another } : null
}

/** A lesson of another project, which knows neither its stages nor its models here. */
export interface LessonElsewhere extends Omit<Lesson, 'stageId'> {
  readonly project: string
}

/** Of what was noted elsewhere, what was noted of the pots of these stages: the most frequent first, then the newest. */
export function lessonsAgain<Told extends Pick<LessonElsewhere, 'pot' | 'at' | 'times'>>(
  stages: readonly Pick<Stage, 'id' | 'material'>[],
  elsewhere: readonly Told[],
): readonly Told[] {
  const pots = new Set(stages.map(potOf))
  return elsewhere.filter(({ pot }) => pots.has(pot)).sort((a, b) => b.times - a.times || b.at - a.at)
}
