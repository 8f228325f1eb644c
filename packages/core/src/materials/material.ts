import type { Hex } from '../colour/colour.ts'
import type { MaterialId } from '../units/ids.ts'
import type { Seconds } from '../units/seconds.ts'

export const materialKinds = [
  'primer',
  'opaque',
  'translucent',
  'wash',
  'metallic',
  'ink',
  'oil',
  'dip',
  'gloss varnish',
  'satin varnish',
  'matt varnish',
  'texture paste',
  'glue',
  'grit',
  'flock',
  'tuft',
  'pigment',
  'medium',
  'thinner',
  'mask',
  'decal',
  'effect',
] as const

export type MaterialKind = (typeof materialKinds)[number]

/** What thins it and cleans the brush; `dry` for what is no liquid. */
export type Carrier = 'water' | 'spirit' | 'dry'

/** Something on the shelf. */
export interface Material {
  readonly id: MaterialId
  readonly name: string
  readonly kind: MaterialKind
  readonly colour: Hex
  readonly carrier: Carrier
  /** 0 clear to 1 hides everything in one coat. */
  readonly opacity: number
  /** Before the next layer. */
  readonly dryingMinSeconds: Seconds
  readonly dryingMaxSeconds: Seconds
  /** Square centimetres a millilitre covers in one coat; 0 for what is counted, not spread. */
  readonly coverage: number
  /** Wet paint brushed over it lifts it again. */
  readonly reactivates: boolean
  readonly stockMl: number
  /** Millilitres in one pot as bought; 0 for what has none. */
  readonly potMl: number
}

const varnishes: readonly MaterialKind[] = ['gloss varnish', 'satin varnish', 'matt varnish']

export function isVarnish(kind: MaterialKind): boolean {
  return varnishes.includes(kind)
}

/** Lays a colour that people see, as glue, varnish or medium do not. */
export function isPaint(kind: MaterialKind): boolean {
  return paints.includes(kind)
}

const paints: readonly MaterialKind[] = [
  'primer',
  'opaque',
  'translucent',
  'wash',
  'metallic',
  'ink',
  'oil',
  'dip',
]
