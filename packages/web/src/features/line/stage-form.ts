import { techniques, type Caution, type Stage } from '@seriatim/core/trade'
import { seconds, type Seconds, type UnitId } from '@seriatim/core/units'
import { z } from 'zod'
import { minutesInputText, parseMinutesText } from '../../shared/format/index.ts'

const longest = 14 * 24 * 3600

const withinText = (text: string): boolean => {
  const value = parseMinutesText(text)
  return value !== null && value <= longest
}

const time = z.string().refine(withinText, { error: 'Give minutes, such as 4½, 1:30 or 2 h.' })

/** A stage as it is typed: minutes as text, regions with commas. */
export const stageFormSchema = z
  .object({
    name: z
      .string()
      .trim()
      .min(1, { error: 'Give the stage a name.' })
      .max(60, { error: 'Keep it under 60 characters.' }),
    material: z.string().trim().max(80, { error: 'Keep it under 80 characters.' }),
    touchKind: z.enum(['whole', 'regions', 'base']),
    regions: z.string(),
    each: time,
    setUp: time,
    dryMin: time,
    dryMax: time,
    nextWithin: z.string().refine((text) => text.trim() === '' || withinText(text), {
      error: 'Give minutes, such as 5 or 20, or nothing.',
    }),
    tableReady: z.boolean(),
    technique: z.union([z.literal(''), z.enum(techniques)]),
    neededBy: z.array(z.string()),
    cautions: z.array(z.string()),
    note: z.string().trim().max(400, { error: 'Keep it under 400 characters.' }),
  })
  .superRefine((values, context) => {
    if (values.touchKind === 'regions' && splitRegions(values.regions).length === 0) {
      context.addIssue({
        code: 'custom',
        path: ['regions'],
        message: 'Name at least one region, or choose the whole model.',
        input: values.regions,
      })
    }
    const [min, max] = [parseMinutesText(values.dryMin), parseMinutesText(values.dryMax)]
    if (min !== null && max !== null && max < min) {
      context.addIssue({
        code: 'custom',
        path: ['dryMax'],
        message: 'The longest drying cannot be shorter than the shortest.',
        input: values.dryMax,
      })
    }
  })

export type StageForm = z.output<typeof stageFormSchema>

export function formOf(stage: Stage, unitIds: readonly UnitId[]): StageForm {
  return {
    name: stage.name,
    material: stage.material,
    touchKind: stage.touch.kind,
    regions: stage.touch.kind === 'regions' ? stage.touch.regions.join(', ') : '',
    each: minutesInputText(stage.handsOnSecondsPerModel),
    setUp: minutesInputText(stage.setUpSeconds),
    dryMin: minutesInputText(stage.dryingMinSeconds),
    dryMax: minutesInputText(stage.dryingMaxSeconds),
    nextWithin: stage.nextWithinSeconds === null ? '' : minutesInputText(stage.nextWithinSeconds),
    tableReady: stage.tableReady,
    technique: stage.technique ?? '',
    neededBy: unitIds.filter((id) => !stage.notNeededBy.includes(id)),
    cautions: [...stage.cautions],
    note: stage.note,
  }
}

/** The stage the form describes; `values` must have passed `stageFormSchema`. */
export function stageOf(
  { id, steps, limits, typed }: Pick<Stage, 'id' | 'steps' | 'limits' | 'typed'>,
  values: StageForm,
  unitIds: readonly UnitId[],
): Stage {
  return {
    id,
    name: values.name.trim(),
    material: values.material.trim(),
    touch:
      values.touchKind === 'regions'
        ? { kind: 'regions', regions: splitRegions(values.regions) }
        : { kind: values.touchKind },
    handsOnSecondsPerModel: secondsOf(values.each),
    setUpSeconds: secondsOf(values.setUp),
    dryingMinSeconds: secondsOf(values.dryMin),
    dryingMaxSeconds: secondsOf(values.dryMax),
    nextWithinSeconds: values.nextWithin.trim() === '' ? null : secondsOf(values.nextWithin),
    notNeededBy: unitIds.filter((unitId) => !values.neededBy.includes(unitId)),
    limits: limits.filter(({ unitId }) => values.neededBy.includes(unitId)),
    tableReady: values.tableReady,
    cautions: values.cautions as Caution[],
    note: values.note.trim(),
    technique: values.technique === '' ? null : values.technique,
    typed: typed.filter(({ unitId }) => values.neededBy.includes(unitId)),
    steps,
  }
}

const secondsOf = (text: string): Seconds => seconds(parseMinutesText(text) ?? 0)

function splitRegions(text: string): string[] {
  const names = text.split(',').map((name) => name.trim().toLowerCase())
  return [...new Set(names)].filter((name) => name !== '')
}
