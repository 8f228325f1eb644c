import { parseHex } from '../colour/index.ts'
import { type MaterialId, minutes } from '../units/index.ts'
import type { Carrier, Material, MaterialKind } from '../trade/index.ts'

interface KindPreset {
  readonly carrier: Carrier
  readonly opacity: number
  /** Minutes before the next layer. */
  readonly dry: readonly [number, number]
  readonly coverage: number
  readonly potMl: number
}

const hour = 60

/** What a new material of a kind starts from. Waits: common practice; the rest from memory, to be edited. */
export const kindPresets: Readonly<Record<MaterialKind, KindPreset>> = {
  primer: { carrier: 'water', opacity: 0.95, dry: [15, 30], coverage: 60, potMl: 400 },
  opaque: { carrier: 'water', opacity: 0.85, dry: [3, 10], coverage: 100, potMl: 17 },
  translucent: { carrier: 'water', opacity: 0.25, dry: [15, 30], coverage: 80, potMl: 18 },
  wash: { carrier: 'water', opacity: 0.15, dry: [20, 30], coverage: 90, potMl: 18 },
  metallic: { carrier: 'water', opacity: 0.8, dry: [3, 10], coverage: 90, potMl: 17 },
  ink: { carrier: 'water', opacity: 0.3, dry: [5, 15], coverage: 120, potMl: 18 },
  oil: { carrier: 'spirit', opacity: 0.2, dry: [8 * hour, 24 * hour], coverage: 150, potMl: 20 },
  dip: { carrier: 'spirit', opacity: 0.2, dry: [36 * hour, 60 * hour], coverage: 50, potMl: 250 },
  'gloss varnish': { carrier: 'water', opacity: 0, dry: [20, 60], coverage: 70, potMl: 400 },
  'satin varnish': { carrier: 'water', opacity: 0, dry: [20, 60], coverage: 70, potMl: 400 },
  'matt varnish': { carrier: 'water', opacity: 0, dry: [20, 60], coverage: 70, potMl: 400 },
  'texture paste': { carrier: 'water', opacity: 1, dry: [1 * hour, 4 * hour], coverage: 8, potMl: 100 },
  glue: { carrier: 'water', opacity: 0, dry: [30, 60], coverage: 40, potMl: 100 },
  grit: { carrier: 'dry', opacity: 1, dry: [30, 60], coverage: 10, potMl: 250 },
  flock: { carrier: 'dry', opacity: 1, dry: [30, 60], coverage: 10, potMl: 180 },
  tuft: { carrier: 'dry', opacity: 1, dry: [5, 15], coverage: 0, potMl: 0 },
  pigment: { carrier: 'dry', opacity: 0.6, dry: [0, 0], coverage: 60, potMl: 35 },
  medium: { carrier: 'water', opacity: 0, dry: [5, 15], coverage: 100, potMl: 60 },
  thinner: { carrier: 'spirit', opacity: 0, dry: [30, 60], coverage: 150, potMl: 500 },
  mask: { carrier: 'water', opacity: 1, dry: [10, 20], coverage: 60, potMl: 60 },
  decal: { carrier: 'water', opacity: 1, dry: [15, 30], coverage: 0, potMl: 0 },
  effect: { carrier: 'water', opacity: 0.4, dry: [60, 120], coverage: 60, potMl: 20 },
}

/** From when to when it can be wiped back or mopped: common practice. */
const workableOf: Partial<Record<MaterialKind, NonNullable<Material['workable']>>> = {
  oil: { min: minutes(5), max: minutes(30) },
  dip: { min: minutes(0), max: minutes(5) },
}

type Row = readonly [name: string, kind: MaterialKind, colour: string, some?: Partial<Material>]

const spirit = { carrier: 'spirit' } as const

/** Generic names that describe the colour; every one may be renamed. */
const rows: readonly Row[] = [
  ['black primer, spray', 'primer', '#1e1f20', spirit],
  ['grey primer, spray', 'primer', '#8b8f90', spirit],
  ['ivory primer, spray', 'primer', '#e9e2cf', spirit],
  ['pale bone primer, spray', 'primer', '#ddd0ac', spirit],
  ['leather brown primer, spray', 'primer', '#6b4a30', spirit],
  ['moss green primer, spray', 'primer', '#55693f', spirit],
  ['river blue primer, spray', 'primer', '#3b5b78', spirit],
  ['soot black', 'opaque', '#23242a'],
  ['chalk white', 'opaque', '#f2f0e8', { opacity: 0.55 }],
  ['dark bone', 'opaque', '#a8946a'],
  ['pale bone', 'opaque', '#ddd0ac'],
  ['warm flesh', 'opaque', '#c98e68'],
  ['light flesh', 'opaque', '#e2b594'],
  ['deep flesh', 'opaque', '#7d4a34'],
  ['moss green', 'opaque', '#5f7b46'],
  ['light moss', 'opaque', '#94a577'],
  ['deep moss', 'opaque', '#38492c'],
  ['reed grey', 'opaque', '#8a8a78'],
  ['light reed', 'opaque', '#b3af9b'],
  ['slate grey', 'opaque', '#50565c'],
  ['river blue', 'opaque', '#3f6688'],
  ['light river', 'opaque', '#7fa3bd'],
  ['rust red', 'opaque', '#8e3a28'],
  ['bright red', 'opaque', '#b8281f', { opacity: 0.5 }],
  ['lantern yellow', 'opaque', '#dcae3a', { opacity: 0.45 }],
  ['peat brown', 'opaque', '#5a4030'],
  ['saddle brown', 'opaque', '#7b5634'],
  ['light leather', 'opaque', '#a87f54'],
  ['dark peat', 'opaque', '#3b2e28'],
  ['warm flesh translucent', 'translucent', '#c98a62'],
  ['moss translucent', 'translucent', '#5f7b46'],
  ['reed grey translucent', 'translucent', '#8a8a78'],
  ['peat brown translucent', 'translucent', '#6b4a30'],
  ['saddle translucent', 'translucent', '#8b6138'],
  ['river blue translucent', 'translucent', '#3f6688'],
  ['rust translucent', 'translucent', '#94432c'],
  ['hide ochre translucent', 'translucent', '#b08a4a'],
  ['lifting teal translucent', 'translucent', '#2f7672', { reactivates: true }],
  ['dark sepia wash', 'wash', '#3d2c22'],
  ['soot wash', 'wash', '#25262b'],
  ['flesh wash', 'wash', '#7c4630'],
  ['silt brown wash', 'wash', '#5b4a38'],
  ['dark iron', 'metallic', '#4c4e52'],
  ['bright steel', 'metallic', '#aab1b6'],
  ['old brass', 'metallic', '#9a7b3f', { opacity: 0.65 }],
  ['red ink', 'ink', '#9b1c20'],
  ['umber oil', 'oil', '#4b3626'],
  ['lamp black oil', 'oil', '#232021'],
  ['walnut dip', 'dip', '#4a3222'],
  ['gloss varnish, spray', 'gloss varnish', '#ffffff', spirit],
  ['satin varnish, spray', 'satin varnish', '#ffffff', spirit],
  ['matt varnish, spray', 'matt varnish', '#ffffff', spirit],
  ['brush-on gloss', 'gloss varnish', '#ffffff', { potMl: 60 }],
  ['river mud paste', 'texture paste', '#6b5a44'],
  ['white glue', 'glue', '#f4f2ea'],
  ['river grit', 'grit', '#8b7a60'],
  ['marsh flock', 'flock', '#6d7a3c'],
  ['reed tuft', 'tuft', '#98924e'],
  ['dried mud powder', 'pigment', '#8c7351'],
  ['translucent medium', 'medium', '#ffffff'],
  ['white spirit', 'thinner', '#ffffff'],
  ['mask fluid', 'mask', '#d8c44a'],
  ['delta heron decal', 'decal', '#e8e4d8'],
  ['wet gloss gel', 'effect', '#dfe8ea'],
  [
    'super glue',
    'glue',
    '#f6f6f2',
    { carrier: 'dry', dryingMinSeconds: minutes(2), dryingMaxSeconds: minutes(10), potMl: 20 },
  ],
  ['water', 'medium', '#ffffff', { stockMl: 1000, potMl: 0 }],
  ['flow improver', 'medium', '#ffffff', { potMl: 60 }],
  ['bright metal powder', 'metallic', '#c4c8cb', { form: 'powder', carrier: 'dry', opacity: 0.9 }],
  ['black translucent', 'translucent', '#26272b'],
  ['pale translucent', 'translucent', '#d9cda8'],
  ['white translucent', 'translucent', '#e8e6dc'],
  ['white ink', 'ink', '#f4f3ee', { opacity: 0.5 }],
  ['crackle paste', 'texture paste', '#a08d6c'],
  [
    'plastic slurry',
    'texture paste',
    '#b9bcb8',
    { carrier: 'spirit', dryingMinSeconds: minutes(8 * 60), dryingMaxSeconds: minutes(16 * 60) },
  ],
  ['marsh glow', 'effect', '#b8f07a'],
  [
    'still water gel',
    'effect',
    '#d5e3df',
    { dryingMinSeconds: minutes(12 * 60), dryingMaxSeconds: minutes(24 * 60), coverage: 10, potMl: 60 },
  ],
  ['steel primer, spray', 'primer', '#9aa0a4', { ...spirit, sheen: 'metal' }],
  ['brick dust powder', 'pigment', '#8a4b36'],
]

/** A material as its kind usually is, without a name and with nothing in stock. */
export function materialOfKind(kind: MaterialKind, id: MaterialId): Material {
  const preset = kindPresets[kind]
  return {
    id,
    name: '',
    kind,
    colour: '#808080',
    form: null,
    sheen: null,
    carrier: preset.carrier,
    opacity: preset.opacity,
    dryingMinSeconds: minutes(preset.dry[0]),
    dryingMaxSeconds: minutes(preset.dry[1]),
    workable: workableOf[kind] ?? null,
    coverage: preset.coverage,
    reactivates: false,
    stockMl: 0,
    potMl: preset.potMl,
  }
}

/** About eighty generic materials to begin with, none in stock. Ids are fixed, so files of different desks agree. */
export const starterShelf: readonly Material[] = rows.map(([name, kind, colour, some], index) => ({
  ...materialOfKind(kind, `01930000-0000-7000-8001-${String(index + 1).padStart(12, '0')}` as MaterialId),
  name,
  colour: parseHex(colour) ?? '#808080',
  ...some,
}))
