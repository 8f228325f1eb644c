import type { Inspection, Progress } from '../progress/index.ts'
import { type Job, standardReaches, type Technique, type Unit } from '../trade/index.ts'
import type { ModelId } from '../units/index.ts'

/** What to look for on a finished model: first from about a metre, then in the hand. */
export interface Checklist {
  readonly metre: readonly string[]
  readonly hand: readonly string[]
}

/** What is found most, in a few words (common practice). */
export const defectCauses = [
  'missed',
  'primer shows',
  'slip over a border',
  'pool or tide mark',
  'blotch',
  'chalky',
  'tone differs from the pilot',
  'frosted or glossy varnish',
  'silvered decal',
  'mould line',
  'rim not clean',
  'grit or flock on it',
  'a part the wrong way round',
] as const

interface Look {
  readonly text: string
  /** Asked where one of these was used; without it always. */
  readonly after?: readonly Technique[]
  /** Not asked of a model that is to be playable at most. */
  readonly fine?: boolean
}

const fromAMetre: readonly Look[] = [
  { text: 'no primer and no bright undercoat shows' },
  { text: 'nothing is missed: behind the shield, under the cloak, the back' },
  { text: 'no pools, no tide marks', after: ['wash', 'pin wash', 'dip', 'glaze'] },
  { text: 'flat panels are even; a blotch is hidden by a decal, chips or a dry brush', fine: true },
  { text: 'the varnish is even, neither frosted nor glossy in spots', after: ['varnish'] },
]

const inTheHand: readonly Look[] = [
  { text: 'no slips over a border' },
  { text: 'every part the right way round' },
  { text: 'no mould lines', fine: true },
  { text: 'the dry brush is not chalky', after: ['dry brush'], fine: true },
  { text: 'edges are thin and unbroken', after: ['edge'], fine: true },
  { text: 'decals lie flat and are not silvered', after: ['decal'] },
  { text: 'the mask left no ridge and no bleed', after: ['mask', 'peel'] },
  { text: 'no grit and no flock on the model', after: ['spread', 'sprinkle', 'stick'] },
  { text: 'the rim is clean' },
]

/** The looks that fit the unit's standard and what its models were painted with; tones where there is a pilot. */
export function inspectionChecklist(
  { line, recipes }: Pick<Job, 'line' | 'recipes'>,
  unit: Pick<Unit, 'id' | 'standard' | 'pilot'>,
): Checklist {
  const recipe = recipes.find((each) => each.unitIds.includes(unit.id))
  const used = new Set<Technique | null>(
    recipe
      ? recipe.steps
          .filter((step) => standardReaches(step.standard, unit.standard))
          .map((step) => step.technique)
      : line.filter((stage) => !stage.notNeededBy.includes(unit.id)).map((stage) => stage.technique),
  )
  const isFine = standardReaches('tabletop', unit.standard)
  const asked = (looks: readonly Look[]) =>
    looks
      .filter(
        (look) => (isFine || look.fine !== true) && (look.after?.some((each) => used.has(each)) ?? true),
      )
      .map((look) => look.text)
  const tones = unit.pilot.length > 0 ? ['the tones are those of the pilot'] : []
  return { metre: [...asked(fromAMetre), ...tones], hand: asked(inTheHand) }
}

/** By model, the inspection that still stands: nothing was painted, opened again or noted after it. */
export function standingInspections({
  inspections,
  marks,
  slips,
}: Pick<Progress, 'inspections' | 'marks' | 'slips'>): ReadonlyMap<ModelId, Inspection> {
  const standing = new Map<ModelId, Inspection>()
  for (const inspection of inspections) for (const id of inspection.modelIds) standing.set(id, inspection)
  for (const slip of slips)
    for (const id of slip.modelIds) {
      const inspection = standing.get(id)
      if (inspection && slip.at > inspection.at) standing.delete(id)
    }
  for (const [id, { at }] of standing)
    if ([...(marks.get(id)?.values() ?? [])].some((mark) => mark.at > at || mark.kind === 'touch-up'))
      standing.delete(id)
  return standing
}
