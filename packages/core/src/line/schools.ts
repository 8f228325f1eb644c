import { minutes } from '../units/seconds.ts'
import type { Stage } from './stage.ts'

/** A stage before it belongs to a line: no identity, nobody left out. */
export type StageTemplate = Omit<Stage, 'id' | 'notNeededBy' | 'limits' | 'steps'>

export interface School {
  readonly id: string
  readonly name: string
  readonly idea: string
  readonly stages: readonly StageTemplate[]
}

interface Row {
  readonly name: string
  readonly material: string
  readonly touch: Stage['touch']
  readonly each: number
  readonly setUp: number
  readonly dry: readonly [number, number]
  readonly note: string
  readonly cautions?: Stage['cautions']
  readonly tableReady?: boolean
}

const regions = (...names: string[]): Stage['touch'] => ({ kind: 'regions', regions: names })

function template(row: Row): StageTemplate {
  return {
    name: row.name,
    material: row.material,
    touch: row.touch,
    handsOnSecondsPerModel: minutes(row.each),
    setUpSeconds: minutes(row.setUp),
    dryingMinSeconds: minutes(row.dry[0]),
    dryingMaxSeconds: minutes(row.dry[1]),
    tableReady: row.tableReady ?? false,
    cautions: row.cautions ?? [],
    note: row.note,
  }
}

const whole = { kind: 'whole' } as const
const base = { kind: 'base' } as const

/**
 * Translucent over bright: grade the undercoat, one translucent paint a region, few layers. Minutes for a
 * small trooper at tabletop standard and drying ranges at room air: common practice.
 */
const translucentOverBright: School = {
  id: 'translucent-over-bright',
  name: 'Translucent over bright',
  idea: 'Dark primer, bright from above, then one translucent paint a region. The fastest way to colour.',
  stages: [
    {
      name: 'Prime',
      material: 'black primer, spray',
      touch: whole,
      each: 0.5,
      setUp: 5,
      dry: [15, 30] as const,
      cautions: ['spray'] as const,
      note: 'Two thin passes from 20–30 cm.',
    },
    {
      name: 'Grade',
      material: 'ivory primer, spray',
      touch: whole,
      each: 0.5,
      setUp: 4,
      dry: [15, 30] as const,
      cautions: ['spray'] as const,
      note: 'From above at about 45°, so that the shadows stay dark.',
    },
    {
      name: 'Skin',
      material: 'warm flesh translucent',
      touch: regions('skin'),
      each: 1.5,
      setUp: 2,
      dry: [15, 30] as const,
      note: 'One coat; pull pools off chin and knuckles.',
    },
    {
      name: 'Coat',
      material: 'moss translucent',
      touch: regions('coat'),
      each: 3,
      setUp: 2,
      dry: [15, 30] as const,
      note: 'One coat, broad brush; let it run into the folds.',
    },
    {
      name: 'Trousers',
      material: 'reed grey translucent',
      touch: regions('trousers'),
      each: 1.5,
      setUp: 2,
      dry: [15, 30] as const,
      note: 'One coat, no second pass over the knees.',
    },
    {
      name: 'Leather',
      material: 'peat brown translucent',
      touch: regions('leather', 'wood'),
      each: 2,
      setUp: 2,
      dry: [15, 30] as const,
      note: 'Belts, boots, pouches and shafts with the same pot.',
    },
    {
      name: 'Dark under',
      material: 'soot black',
      touch: regions('metal'),
      each: 1,
      setUp: 2,
      dry: [3, 10] as const,
      note: 'Everything that becomes metal.',
    },
    {
      name: 'Steel',
      material: 'bright steel',
      touch: regions('metal'),
      each: 1.5,
      setUp: 2,
      dry: [3, 10] as const,
      note: 'Leave the dark showing in the recesses.',
    },
    {
      name: 'Shade',
      material: 'dark sepia wash',
      touch: regions('skin', 'leather', 'metal'),
      each: 1,
      setUp: 2,
      dry: [20, 30] as const,
      note: 'Thin; mop pools with a clean damp brush.',
    },
    {
      name: 'Grit',
      material: 'white glue and river grit',
      touch: base,
      each: 0.7,
      setUp: 3,
      dry: [30, 60] as const,
      note: 'Glue to the edge, dip, tap off.',
    },
    {
      name: 'Base wash',
      material: 'silt brown wash',
      touch: base,
      each: 0.5,
      setUp: 2,
      dry: [20, 30] as const,
      note: 'Flood the grit; keep it off the boots.',
    },
    {
      name: 'Rim',
      material: 'dark peat',
      touch: base,
      each: 0.6,
      setUp: 2,
      dry: [3, 10] as const,
      tableReady: true,
      note: 'Two strokes round; table-ready from here.',
    },
    {
      name: 'Edge highlight',
      material: 'dark bone',
      touch: regions('skin', 'coat', 'leather'),
      each: 2.5,
      setUp: 2,
      dry: [3, 10] as const,
      note: 'Only what catches light from a metre away.',
    },
    {
      name: 'Matt',
      material: 'matt varnish, spray',
      touch: whole,
      each: 0.4,
      setUp: 4,
      dry: [20, 60] as const,
      cautions: ['spray'] as const,
      note: 'Dry, mild air only. Tough after about a day.',
    },
  ].map(template),
}

export const schools: readonly School[] = [translucentOverBright]
