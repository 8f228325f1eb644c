import type { MaterialKind } from '../trade/index.ts'
import type { StepFacts } from '../recipe/index.ts'

/** What is taken in hand. Brushes go by class: changing one costs as a pot does, and the largest that will do is quickest. */
export const deskTools = {
  can: 'the can, held as far off as its sheet says',
  airbrush: 'the airbrush',
  'worn wide': 'a worn wide brush',
  'big soft': 'a big soft brush, wiped nearly dry',
  'soft wash': 'a soft wash brush, and a clean damp one to mop',
  largest: 'the largest brush that fits',
  fine: 'a fine brush with a good point',
  throwaway: 'a throwaway brush',
  sponge: 'a scrap of sponge',
  pen: 'the pen',
} as const

export type DeskTool = keyof typeof deskTools

/** They clog or eat a brush (common practice). */
const ruinsBrushes: ReadonlySet<MaterialKind> = new Set([
  'oil',
  'dip',
  'glue',
  'texture paste',
  'mask',
  'grit',
  'effect',
])

/** A region with so little surface is picked out with the point. */
const small = 0.02

/** The tool of a step; `null` where the hand, or what the product comes with, will do. */
export function deskTool({ tool, material, step, whole, onBase, regions }: StepFacts): DeskTool | null {
  if (tool === 'hand') return material && ruinsBrushes.has(material.kind) ? 'throwaway' : null
  if (tool === 'can' || tool === 'airbrush' || tool === 'sponge' || tool === 'pen') return tool
  if (tool === 'none') return null
  if (material && ruinsBrushes.has(material.kind)) return 'throwaway'
  // Grit wears a brush down.
  if (onBase && step.technique !== 'detail') return 'worn wide'
  if (tool === 'dry brush') return 'big soft'
  if (['edge', 'detail', 'pin wash'].includes(step.technique)) return 'fine'
  if (regions.length > 0 && regions.every((region) => region.areaShare < small)) return 'fine'
  if (step.technique === 'wash' || material?.kind === 'wash') return 'soft wash'
  return whole ? 'worn wide' : 'largest'
}

const shake = 'Shake well.'

/** What is done to a pot before it is opened, by what is in it: common practice. */
const opening: Readonly<Partial<Record<MaterialKind, string>>> = {
  primer: shake,
  opaque: shake,
  translucent: shake,
  wash: shake,
  metallic: 'Shake well. A clean brush and fresh water, or its flakes get into every other pot.',
  ink: shake,
  dip: 'Stir, never shake: bubbles dry into it.',
  oil: 'Stir, and thin to a stain. It looks ruined until it dries.',
  pigment: 'It looks ruined until it dries: judge it then.',
  decal: 'Try an old one first: it may break up in the water.',
  'gloss varnish': 'Stir gently: shaken it foams.',
  'satin varnish': 'Stir gently: shaken it foams.',
  'matt varnish': 'Shake well: what makes it matt sinks to the bottom.',
}

/** What is done to a pot or can first; `null` where nothing is. */
export function beforeOpening({ material, tool }: Pick<StepFacts, 'material' | 'tool'>): string | null {
  if (!material) return null
  if (tool === 'can') return 'Shake the can well before the first pass and between coats.'
  return opening[material.kind] ?? null
}
