import type { LineTemplate } from '@seriatim/core/presets'
import type { Stage } from '@seriatim/core/trade'
import { minutes, type StageId } from '@seriatim/core/units'
import { v7 } from 'uuid'

/** What a new stage starts as: a brushed acrylic colour (common practice). */
export function blankStage(number: number): Stage {
  return {
    id: v7() as StageId,
    name: `Stage ${String(number)}`,
    material: '',
    touch: { kind: 'whole' },
    handsOnSecondsPerModel: minutes(2),
    setUpSeconds: minutes(2),
    dryingMinSeconds: minutes(3),
    dryingMaxSeconds: minutes(10),
    nextWithinSeconds: null,
    notNeededBy: [],
    limits: [],
    tableReady: false,
    cautions: [],
    note: '',
    technique: 'base coat',
    typed: [],
    steps: [],
  }
}

/** A line of a template's stages, with identities of its own. */
export function lineOfTemplate({ stages }: LineTemplate): Stage[] {
  return stages.map((template) => ({
    ...template,
    id: v7() as StageId,
    notNeededBy: [],
    limits: [],
    typed: [],
    steps: [],
  }))
}
