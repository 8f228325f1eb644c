import { minutes } from '../units/index.ts'
import type { Stage, Technique } from '../trade/index.ts'

/** A stage before it belongs to a line: no identity, nobody left out. */
export type StageTemplate = Omit<Stage, 'id' | 'notNeededBy' | 'limits' | 'typed' | 'steps'>

/** A line of hand-written stages to start from, where no recipe is wanted. */
export interface LineTemplate {
  readonly id: string
  readonly name: string
  readonly idea: string
  readonly stages: readonly StageTemplate[]
}

interface Row {
  readonly name: string
  readonly material: string
  readonly technique: Technique
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
    technique: row.technique,
    touch: row.touch,
    handsOnSecondsPerModel: minutes(row.each),
    setUpSeconds: minutes(row.setUp),
    dryingMinSeconds: minutes(row.dry[0]),
    nextWithinSeconds: null,
    dryingMaxSeconds: minutes(row.dry[1]),
    tableReady: row.tableReady ?? false,
    cautions: row.cautions ?? [],
    note: row.note,
  }
}

const whole = { kind: 'whole' } as const
const base = { kind: 'base' } as const

const translucentRows: readonly Row[] = [
  {
    name: 'Prime',
    material: 'black primer, spray',
    technique: 'spray',
    touch: whole,
    each: 0.5,
    setUp: 5,
    dry: [15, 30],
    cautions: ['spray'],
    note: 'Two thin passes from 20–30 cm.',
  },
  {
    name: 'Grade',
    material: 'ivory primer, spray',
    technique: 'spray from above',
    touch: whole,
    each: 0.5,
    setUp: 4,
    dry: [15, 30],
    cautions: ['spray'],
    note: 'From above at about 45°, so that the shadows stay dark.',
  },
  {
    name: 'Skin',
    material: 'warm flesh translucent',
    technique: 'base coat',
    touch: regions('skin'),
    each: 1.5,
    setUp: 2,
    dry: [15, 30],
    note: 'One coat; pull pools off chin and knuckles.',
  },
  {
    name: 'Coat',
    material: 'moss translucent',
    technique: 'base coat',
    touch: regions('coat'),
    each: 3,
    setUp: 2,
    dry: [15, 30],
    note: 'One coat, broad brush; let it run into the folds.',
  },
  {
    name: 'Trousers',
    material: 'reed grey translucent',
    technique: 'base coat',
    touch: regions('trousers'),
    each: 1.5,
    setUp: 2,
    dry: [15, 30],
    note: 'One coat, no second pass over the knees.',
  },
  {
    name: 'Leather',
    material: 'peat brown translucent',
    technique: 'base coat',
    touch: regions('leather', 'wood'),
    each: 2,
    setUp: 2,
    dry: [15, 30],
    note: 'Belts, boots, pouches and shafts with the same pot.',
  },
  {
    name: 'Dark under',
    material: 'soot black',
    technique: 'base coat',
    touch: regions('metal'),
    each: 1,
    setUp: 2,
    dry: [3, 10],
    note: 'Everything that becomes metal.',
  },
  {
    name: 'Steel',
    material: 'bright steel',
    technique: 'base coat',
    touch: regions('metal'),
    each: 1.5,
    setUp: 2,
    dry: [3, 10],
    note: 'Leave the dark showing in the recesses.',
  },
  {
    name: 'Shade',
    material: 'dark sepia wash',
    technique: 'wash',
    touch: regions('skin', 'leather', 'metal'),
    each: 1,
    setUp: 2,
    dry: [20, 30],
    note: 'Thin; mop pools with a clean damp brush.',
  },
  {
    name: 'Grit',
    material: 'white glue and river grit',
    technique: 'spread',
    touch: base,
    each: 0.7,
    setUp: 3,
    dry: [30, 60],
    note: 'Glue to the edge, dip, tap off.',
  },
  {
    name: 'Base wash',
    material: 'silt brown wash',
    technique: 'wash',
    touch: base,
    each: 0.5,
    setUp: 2,
    dry: [20, 30],
    note: 'Flood the grit; keep it off the boots.',
  },
  {
    name: 'Rim',
    material: 'dark peat',
    technique: 'detail',
    touch: base,
    each: 0.6,
    setUp: 2,
    dry: [3, 10],
    tableReady: true,
    note: 'Two strokes round; table-ready from here.',
  },
  {
    name: 'Edge highlight',
    material: 'dark bone',
    technique: 'edge',
    touch: regions('skin', 'coat', 'leather'),
    each: 2.5,
    setUp: 2,
    dry: [3, 10],
    note: 'Only what catches light from a metre away.',
  },
  {
    name: 'Matt',
    material: 'matt varnish, spray',
    technique: 'spray',
    touch: whole,
    each: 0.4,
    setUp: 4,
    dry: [20, 60],
    cautions: ['spray'],
    note: 'Dry, mild air only. Tough after about a day.',
  },
]

/**
 * Translucent over bright: grade the undercoat, one translucent paint a region, few layers. Minutes for a
 * small trooper at tabletop standard and drying ranges at room air: common practice.
 */
const translucentOverBright: LineTemplate = {
  id: 'translucent-over-bright',
  name: 'Translucent over bright',
  idea: 'Dark primer, bright from above, then one translucent paint a region. The fastest way to colour.',
  stages: translucentRows.map(template),
}

export const lineTemplates: readonly LineTemplate[] = [translucentOverBright]
