/** How a material gets onto the model. */
export const techniques = [
  'prepare',
  'spray',
  'spray from above',
  'airbrush',
  'base coat',
  'layer',
  'blend',
  'wash',
  'pin wash',
  'dip',
  'dry brush',
  'edge',
  'detail',
  'pen',
  'glaze',
  'stipple',
  'chip',
  'varnish',
  'decal',
  'mask',
  'peel',
  'wipe',
  'spread',
  'sprinkle',
  'stick',
  'join',
] as const

export type Technique = (typeof techniques)[number]

export type Tool = 'none' | 'can' | 'airbrush' | 'brush' | 'dry brush' | 'sponge' | 'pen' | 'hand'

export interface TechniqueFacts {
  readonly tool: Tool
  /** Time grows with the area covered or with the number of parts picked out. */
  readonly scales: 'area' | 'parts'
  /** Minutes for the whole surface of a foot model (`area`), or for one part (`parts`). */
  readonly minutes: number
  /** Hides what is under it, given an opaque material. */
  readonly covers: boolean
  /** Wet and brushed: it can lift what re-activates. */
  readonly brushed: boolean
}

/** Minutes at tabletop standard on a foot model: common practice, to be replaced by the painter's own. */
export const techniqueFacts: Readonly<Record<Technique, TechniqueFacts>> = {
  prepare: { tool: 'hand', scales: 'area', minutes: 3, covers: false, brushed: false },
  spray: { tool: 'can', scales: 'area', minutes: 0.5, covers: true, brushed: false },
  'spray from above': { tool: 'can', scales: 'area', minutes: 0.5, covers: false, brushed: false },
  airbrush: { tool: 'airbrush', scales: 'area', minutes: 1.5, covers: true, brushed: false },
  'base coat': { tool: 'brush', scales: 'area', minutes: 10, covers: true, brushed: true },
  layer: { tool: 'brush', scales: 'area', minutes: 9, covers: false, brushed: true },
  blend: { tool: 'brush', scales: 'area', minutes: 5, covers: true, brushed: true },
  wash: { tool: 'brush', scales: 'area', minutes: 4, covers: false, brushed: true },
  'pin wash': { tool: 'brush', scales: 'area', minutes: 7, covers: false, brushed: true },
  dip: { tool: 'hand', scales: 'area', minutes: 1.5, covers: false, brushed: false },
  'dry brush': { tool: 'dry brush', scales: 'area', minutes: 1.5, covers: false, brushed: false },
  edge: { tool: 'brush', scales: 'area', minutes: 8, covers: false, brushed: true },
  detail: { tool: 'brush', scales: 'parts', minutes: 0.4, covers: false, brushed: true },
  pen: { tool: 'pen', scales: 'parts', minutes: 0.15, covers: true, brushed: false },
  glaze: { tool: 'brush', scales: 'area', minutes: 6, covers: false, brushed: true },
  stipple: { tool: 'brush', scales: 'area', minutes: 4, covers: true, brushed: true },
  chip: { tool: 'sponge', scales: 'area', minutes: 2, covers: false, brushed: false },
  varnish: { tool: 'brush', scales: 'area', minutes: 4, covers: false, brushed: true },
  decal: { tool: 'hand', scales: 'parts', minutes: 2.5, covers: false, brushed: false },
  mask: { tool: 'brush', scales: 'area', minutes: 4, covers: false, brushed: true },
  peel: { tool: 'hand', scales: 'area', minutes: 1, covers: false, brushed: false },
  wipe: { tool: 'hand', scales: 'area', minutes: 2, covers: false, brushed: false },
  spread: { tool: 'hand', scales: 'area', minutes: 6, covers: true, brushed: false },
  sprinkle: { tool: 'hand', scales: 'area', minutes: 3, covers: true, brushed: false },
  stick: { tool: 'hand', scales: 'parts', minutes: 0.5, covers: false, brushed: false },
  join: { tool: 'hand', scales: 'area', minutes: 1, covers: false, brushed: false },
}

/** Minutes to take another tool in hand; an airbrush change is a flush. Common practice. */
export const toolMinutes: Readonly<Record<Tool, number>> = {
  none: 0,
  can: 3,
  airbrush: 4,
  brush: 0.5,
  'dry brush': 1,
  sponge: 0.5,
  pen: 0.5,
  hand: 0.5,
}

export function isSprayed(technique: Technique): boolean {
  const { tool } = techniqueFacts[technique]
  return tool === 'can' || tool === 'airbrush'
}
