import type { Hex } from '../colour/index.ts'
import type { MaterialId, Seconds } from '../units/index.ts'

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

/** How it comes: what the hand does with it hangs on that. */
export const materialForms = ['pot', 'can', 'airbrush', 'pen', 'powder', 'piece'] as const

export type MaterialForm = (typeof materialForms)[number]

/** What its dry surface is like. */
export const sheens = ['matt', 'satin', 'gloss', 'metal'] as const

export type Sheen = (typeof sheens)[number]

/** Something on the shelf. */
export interface Material {
  readonly id: MaterialId
  readonly name: string
  readonly kind: MaterialKind
  readonly colour: Hex
  /** `null`: as its kind usually comes, see `formOf`. */
  readonly form: MaterialForm | null
  /** `null`: as its kind usually dries, see `sheenOf`. */
  readonly sheen: Sheen | null
  readonly carrier: Carrier
  /** 0 clear to 1 hides everything in one coat. */
  readonly opacity: number
  /** Before the next layer. */
  readonly dryingMinSeconds: Seconds
  readonly dryingMaxSeconds: Seconds
  /**
   * What is wiped or mopped while it is soft has two waits: from when to when that goes, and the drying until the next
   * layer. `null` for what only dries.
   */
  readonly workable: { readonly min: Seconds; readonly max: Seconds } | null
  /** Square centimetres a millilitre covers in one coat; 0 for what is counted, not spread. */
  readonly coverage: number
  /** Wet paint brushed over it lifts it again. */
  readonly reactivates: boolean
  readonly stockMl: number
  /** Millilitres in one pot as bought; 0 for what has none. */
  readonly potMl: number
}

/** What is sprayed and thinned with spirit comes in a can (common practice). */
export function formOf({ form, kind, carrier }: Pick<Material, 'form' | 'kind' | 'carrier'>): MaterialForm {
  if (form) return form
  if (kind === 'primer' || isVarnish(kind)) return carrier === 'spirit' ? 'can' : 'pot'
  if (kind === 'pigment' || kind === 'grit' || kind === 'flock') return 'powder'
  return kind === 'tuft' || kind === 'decal' ? 'piece' : 'pot'
}

/** Translucent paint dries glossy, what is not said otherwise matt (common practice). */
export function sheenOf({ sheen, kind }: Pick<Material, 'sheen' | 'kind'>): Sheen {
  if (sheen) return sheen
  if (kind === 'gloss varnish' || kind === 'translucent' || kind === 'effect') return 'gloss'
  if (kind === 'satin varnish') return 'satin'
  return kind === 'metallic' ? 'metal' : 'matt'
}

/** Thins, binds or seals, and does not count as the paint of a mix. */
export function isCarrierOnly(kind: MaterialKind): boolean {
  return kind === 'medium' || kind === 'thinner' || kind === 'glue' || isVarnish(kind)
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
