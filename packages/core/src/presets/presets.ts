import { minutes } from '../units/index.ts'
import type { Detail, Extent, MaterialKind, Size, Standard, Technique, Tool } from '../trade/index.ts'

/**
 * Everything that is assumed of times before a painter's own laps speak: one table, and beside each row where it
 * comes from. `common practice` is what practitioners report; `from memory` is a round figure of ours, checked
 * only by what the told jobs come to in all.
 */
type Source = 'common practice' | 'from memory'

export interface TechniquePreset {
  /** Time grows with the area covered, or with the number of parts picked out. */
  readonly scales: 'area' | 'parts'
  /** Minutes of the first foot model at tabletop: for its whole surface (`area`), or for one part (`parts`). */
  readonly minutes: number
  /** Minutes to go to one more part of what scales with the area, or to set one dot, chip or stud by itself. */
  readonly approach: number
  /** Goes over all of a model far faster than inside borders. */
  readonly floods: boolean
  readonly source: Source
}

function row(
  scales: TechniquePreset['scales'],
  minutes: number,
  source: Source,
  approach = 0,
  floods = false,
): TechniquePreset {
  return { scales, minutes, approach, floods, source }
}

export const techniquePresets: Readonly<Record<Technique, TechniquePreset>> = {
  prepare: row('area', 3, 'from memory'),
  clean: row('area', 0.3, 'from memory'),
  cut: row('area', 3, 'from memory'),
  assemble: row('area', 3, 'from memory'),
  mount: row('area', 0.3, 'from memory'),
  spray: row('area', 0.5, 'common practice'),
  'spray from above': row('area', 0.5, 'common practice'),
  airbrush: row('area', 1.5, 'common practice'),
  'base coat': row('area', 6.7, 'common practice', 0.1, true),
  layer: row('area', 8.5, 'common practice', 0.12, true),
  blend: row('area', 4, 'common practice', 0.06, true),
  wash: row('area', 3, 'common practice', 0.04, true),
  'pin wash': row('area', 5.5, 'from memory', 0.05),
  dip: row('area', 1, 'common practice'),
  'dry brush': row('area', 0.75, 'common practice'),
  edge: row('area', 8, 'from memory', 0.14),
  detail: row('parts', 0.2, 'from memory', 0.2),
  pen: row('parts', 0.1, 'from memory', 0.1),
  glaze: row('area', 7, 'from memory', 0.08, true),
  stipple: row('area', 4, 'from memory', 0.05, true),
  chip: row('area', 3, 'from memory', 0.05),
  varnish: row('area', 3.5, 'from memory', 0.03, true),
  decal: row('parts', 2.5, 'common practice', 2.5),
  mask: row('area', 4, 'from memory', 0.1),
  peel: row('area', 1, 'from memory'),
  wipe: row('area', 1, 'from memory'),
  spread: row('area', 1, 'common practice'),
  sprinkle: row('area', 0.6, 'common practice'),
  stick: row('parts', 0.3, 'from memory', 0.3),
  join: row('area', 0.8, 'from memory'),
}

/** What a technique that floods takes all over a model, against as much surface inside borders. */
export const allOverFactor = { factor: 0.15, source: 'common practice' } as const

/** Lines in oil or thin enamel over gloss against an acrylic wash led by the point; wiping it off is a step of its own. */
export const oilLiningFactor = { factor: 0.55, source: 'common practice' } as const

interface Scaling {
  readonly area: number
  readonly parts: number
  readonly source: Source
}

/** Brush time against a foot model: less than the surface grows, since larger brushes come with it. */
export const sizePresets: Readonly<Record<Size, Scaling & { readonly like: string }>> = {
  small: { area: 0.9, parts: 0.95, like: 'smaller than a person', source: 'from memory' },
  foot: { area: 1, parts: 1, like: 'a person on foot', source: 'common practice' },
  'large foot': { area: 1.5, parts: 1.15, like: 'armoured or a head taller', source: 'common practice' },
  mounted: { area: 1.7, parts: 1.2, like: 'a rider on a mount', source: 'from memory' },
  large: { area: 2, parts: 1.4, like: 'a beast, a gun, a small vehicle', source: 'common practice' },
  'very large': { area: 3, parts: 1.6, like: 'a ridden beast, a walker', source: 'from memory' },
  huge: { area: 4.8, parts: 1.8, like: 'a large flyer, a war machine', source: 'common practice' },
}

/** Surface against a foot model, for how much paint goes on: from memory, to be edited. */
export const surfacePresets: Readonly<Record<Size, number>> = {
  small: 0.6,
  foot: 1,
  'large foot': 1.6,
  mounted: 2.4,
  large: 3.5,
  'very large': 6,
  huge: 12,
}

export const detailPresets: Readonly<Record<Detail, Scaling>> = {
  plain: { area: 0.85, parts: 0.7, source: 'from memory' },
  usual: { area: 1, parts: 1, source: 'common practice' },
  ornate: { area: 1.2, parts: 1.5, source: 'common practice' },
}

/** The same stage takes the more time the better it has to be; further stages come on top. */
export const standardPresets: Readonly<
  Record<Standard, { readonly factor: number; readonly source: Source }>
> = {
  'three-colour': { factor: 0.75, source: 'from memory' },
  tabletop: { factor: 1, source: 'common practice' },
  'tabletop plus': { factor: 1.08, source: 'from memory' },
  display: { factor: 1.65, source: 'common practice' },
}

/** So much of the surface of its regions a step takes: from memory. */
export const extentPresets: Readonly<Record<Extent, number>> = {
  'all of it': 1,
  most: 0.75,
  half: 0.5,
  'a third': 0.33,
  dabs: 0.12,
}

/** A brush is slower beside what is finished, and faster where a later colour covers the slip. */
export const carePresets = {
  finishedNeighbours: 1.15,
  coveredLater: 0.9,
  carefulThroughout: 1.15,
  source: 'common practice',
} as const

/** A slip or a missed spot: so many small parts' worth of brush; the ground under a tint dries as a thin coat does. */
export const touchUpPresets = { dabs: 1.5, undercoatDrySeconds: 390, source: 'common practice' } as const

/** Taking a model up, turning and putting it down: seconds for the hand and for the holder it shares. */
export const handlingPresets = { hand: 2, holder: 6, source: 'from memory' } as const

/** By tool: minutes to take another in hand (of an airbrush: to flush it), and to open, shake and close a pot for it. */
export const setUpPresets: Readonly<
  Record<Tool, { readonly change: number; readonly open: number; readonly source: Source }>
> = {
  none: { change: 0, open: 0, source: 'common practice' },
  can: { change: 3, open: 3, source: 'common practice' },
  airbrush: { change: 4, open: 1, source: 'common practice' },
  brush: { change: 0.5, open: 0.4, source: 'common practice' },
  'dry brush': { change: 1, open: 0.4, source: 'common practice' },
  sponge: { change: 0.5, open: 0.4, source: 'common practice' },
  pen: { change: 0.5, open: 0.2, source: 'common practice' },
  hand: { change: 0.5, open: 1, source: 'common practice' },
}

/** To stir several into one, beside opening them: a pot that stands ready takes seconds, a fresh mix a minute. */
export const mixingPreset = { minutes: 0.8, source: 'common practice' } as const

/** So long thinned white glue holds what is strewn into it, and super glue: common practice. */
export const openTimes = {
  whiteGlue: { min: minutes(0), max: minutes(8) },
  superGlue: { min: minutes(0), max: minutes(2) },
} as const

/** Of the minutes to open a pot, what a colour costs that still lies on the wet palette: a rinse and a drop of water. */
export const onPalette = { minutes: 0.25, source: 'common practice' } as const

/** The hand gets quicker within a unit until the curve is flat. */
export const learningPreset = { rate: 0.95, flatFrom: 12, source: 'common practice' } as const

/** Chance that a coat does not cover and wants another, by what it is; thin colours more often. */
export function secondCoatChance(material: { readonly kind: MaterialKind; readonly opacity: number }): {
  readonly chance: number
  readonly source: Source
} {
  const opaque = material.kind === 'opaque' || material.kind === 'metallic'
  if (!opaque) return { chance: material.kind === 'translucent' ? 0.05 : 0, source: 'from memory' }
  if (material.opacity < 0.7) return { chance: 0.5, source: 'common practice' }
  return { chance: material.opacity < 0.82 ? 0.2 : 0.08, source: 'common practice' }
}

/**
 * How far painters, techniques, sizes and single stages lie from the preset, and laps from each other: standard
 * deviations of the logarithm. Told totals miss presets by about ×/÷1.65, so that without laps a range spans about
 * ×/÷1.9; the split is from memory.
 */
export const spreadPresets = {
  painter: 0.38,
  technique: 0.45,
  size: 0.12,
  stage: 0.16,
  /** How far those differ from painter to painter: deviation of their logarithms. */
  ofSpreads: 0.4,
  /** A lap of one model. */
  lap: 0.3,
  /** Laps that the spread of laps is worth before the first. */
  worth: 8,
  /** Share of a lap's variance that all its models have in common: the day, the light, the brush. */
  shared: 0.3,
  /** What of a lap's variance the others of its sitting have in common with it: those of its technique, and the rest. */
  sitting: { sameTechnique: 0.25, others: 0.07 },
  /** How much wider ranges are than the model alone has them, since no painter is quite as it says. */
  unmodelled: 1.05,
  source: 'from memory',
} as const

/** How things go otherwise than planned; from memory, the share of sessions is the project's own. */
export const mishapPresets = {
  /** Deviation of the logarithm of a set-up. */
  setUp: 0.3,
  /** Share of models at a stage that slip or miss a part and are touched up. */
  slips: 0.03,
  /** Deviation of the logarithm of a painter's pace beyond what is known of the hand. */
  otherPainter: 0.12,
  /** What a season does to everybody's work, whatever is known of the hand: slow months outweigh quick ones. */
  season: { longer: 1.05, deviation: 0.165 },
  /** Of the sessions that fall out, the share that falls out by the week: the sick bed, the holiday. */
  byTheWeek: 0.4,
  source: 'from memory',
} as const
