/** How a material gets onto the model. */
export const techniques = [
  'prepare',
  'clean',
  'cut',
  'assemble',
  'mount',
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
  /** Hides what is under it, given an opaque material. */
  readonly covers: boolean
  /** Wet and brushed: it can lift what re-activates. */
  readonly brushed: boolean
}

function facts(tool: Tool, covers = false): TechniqueFacts {
  return { tool, covers, brushed: tool === 'brush' }
}

export const techniqueFacts: Readonly<Record<Technique, TechniqueFacts>> = {
  prepare: facts('hand'),
  clean: facts('hand'),
  cut: facts('hand'),
  assemble: facts('hand'),
  mount: facts('hand'),
  spray: facts('can', true),
  'spray from above': facts('can'),
  airbrush: facts('airbrush', true),
  'base coat': facts('brush', true),
  layer: facts('brush'),
  blend: facts('brush', true),
  wash: facts('brush'),
  'pin wash': facts('brush'),
  dip: facts('hand'),
  'dry brush': facts('dry brush'),
  edge: facts('brush'),
  detail: facts('brush'),
  pen: facts('pen', true),
  glaze: facts('brush'),
  stipple: facts('brush', true),
  chip: facts('sponge'),
  varnish: facts('brush'),
  decal: facts('hand'),
  mask: facts('brush'),
  peel: facts('hand'),
  wipe: facts('hand'),
  spread: facts('hand', true),
  sprinkle: facts('hand', true),
  stick: facts('hand'),
  join: facts('hand'),
}

/** Done to the bare model, before anything is put on it. */
export function isPreparation(technique: Technique): boolean {
  return ['prepare', 'clean', 'cut', 'assemble', 'mount'].includes(technique)
}

export function isSprayed(technique: Technique): boolean {
  const { tool } = techniqueFacts[technique]
  return tool === 'can' || tool === 'airbrush'
}
