import { lightness } from '../colour/colour.ts'
import { plainStep, type Step } from '../recipe/recipe.ts'
import type { RuleId } from '../recipe/rule-id.ts'
import { stepText, type StepFacts } from '../recipe/step-facts.ts'
import type { Material } from '../materials/material.ts'
import type { Mend, Severity } from './rule.ts'

/** The layers of one region, from the bottom up, in the order they go on. */
interface Stack {
  readonly region: string
  readonly layers: readonly StepFacts[]
  readonly shelf: Iterable<Material>
}

interface Fault {
  readonly layers: readonly StepFacts[]
  readonly reason: string
  readonly secondsAtStake: number
  readonly mend: Mend | null
}

/** What a layer needs below, above or between. */
export interface StackRule {
  readonly id: RuleId
  readonly severity: Severity
  readonly check: (stack: Stack) => readonly Fault[]
}

const hours = (count: number) => count * 3600
const kindOf = (facts: StepFacts | undefined) => facts?.material?.kind
const middle = ({ min, max }: StepFacts['drying']) => (min + max) / 2

/** Below this CIE L*, a translucent paint has nothing to shine on; above it metal shows light in its recesses. */
const brightFrom = 62
const darkBelow = 45

/** One fault a layer at most, for rules that look at a layer and what lies below it. */
function eachLayer(
  check: (
    layer: StepFacts,
    below: readonly StepFacts[],
    above: readonly StepFacts[],
    stack: Stack,
  ) => Fault | null,
): StackRule['check'] {
  return (stack) =>
    stack.layers.flatMap((layer, index) => {
      const fault = check(layer, stack.layers.slice(0, index), stack.layers.slice(index + 1), stack)
      return fault ? [fault] : []
    })
}

/** The brightest that shows: a light coat from above counts, whatever is in the shadows. */
function groundLightness(below: readonly StepFacts[]): number | null {
  const coats = below.filter(
    (each) =>
      each.covers ||
      each.step.technique === 'spray from above' ||
      (each.step.technique === 'dry brush' && each.material !== null),
  )
  const last = coats.at(-1)
  return last ? last.lightness : null
}

/** What suits, in stock before what is not, then by `rank`, the least first. */
function cheapest(
  shelf: Iterable<Material>,
  suits: (material: Material) => boolean,
  rank: (material: Material) => number = () => 0,
): Material | null {
  const fitting = [...shelf]
    .filter(suits)
    .sort(
      (a, b) => Number(b.stockMl > 0) - Number(a.stockMl > 0) || rank(a) - rank(b) || (a.id < b.id ? -1 : 1),
    )
  return fitting[0] ?? null
}

/** What comes from a can is thinned with spirit (common practice). */
const isCan = (material: Material) => material.carrier === 'spirit'

function insertBefore(
  layer: StepFacts,
  material: Material | null,
  some: Pick<Step, 'technique'> & Partial<Step>,
): Mend | null {
  if (!material) return null
  return {
    kind: 'insert',
    before: layer.step.id,
    step: {
      on: layer.step.on,
      mix: [{ materialId: material.id, parts: 1 }],
      ...plainStep,
      standard: layer.step.standard,
      roles: layer.step.roles,
      ...some,
    },
  }
}

const sprayVarnish = (kind: Material['kind']) => (material: Material) =>
  material.kind === kind && isCan(material)

export const stackRules: readonly StackRule[] = [
  {
    id: 'R03',
    severity: 'spoils',
    check: eachLayer((layer, below, _, { shelf }) => {
      if (kindOf(layer) !== 'translucent' || !layer.colours || layer.whole) return null
      const ground = groundLightness(below)
      if (ground === null || ground >= brightFrom) return null
      const bright = cheapest(
        shelf,
        (each) => each.kind === 'primer' && isCan(each) && lightness(each.colour) >= brightFrom,
        (each) => -lightness(each.colour),
      )
      return {
        layers: [layer],
        reason: `The ${stepText(layer)} tints what is under it, and that is dark: over dark it vanishes.`,
        secondsAtStake: layer.handsOnSecondsPerModel,
        mend: insertBefore(layer, bright, { technique: 'spray from above', on: 'whole' }),
      }
    }),
  },
  {
    id: 'R05',
    severity: 'wastes',
    check: eachLayer((layer, below, _, { shelf }) => {
      if (kindOf(layer) !== 'metallic' || layer.refines || layer.step.coats > 1) return null
      if (below.some((each) => kindOf(each) === 'metallic')) return null
      if (below.some((each) => each.step.technique === 'dip')) return null
      const ground = groundLightness(below)
      if (ground === null || ground < darkBelow) return null
      const dark = cheapest(
        shelf,
        (each) => each.kind === 'opaque' && lightness(each.colour) < darkBelow,
        (each) => lightness(each.colour),
      )
      return {
        layers: [layer],
        reason: `Missed recesses of the ${stepText(layer)} show light: put a dark colour under it, or plan a second coat.`,
        secondsAtStake: layer.handsOnSecondsPerModel,
        mend:
          insertBefore(layer, dark, { technique: 'base coat' }) ??
          ({ kind: 'change', stepId: layer.step.id, change: { coats: 2 } } as const),
      }
    }),
  },
  {
    id: 'R06',
    severity: 'spoils',
    check: ({ region, layers, shelf }) => {
      const first = layers.find((layer) => layer.step.technique !== 'prepare')
      if (!first || kindOf(first) === 'primer' || layers.some((each) => kindOf(each) === 'primer')) return []
      const primer = cheapest(shelf, (each) => each.kind === 'primer')
      return [
        {
          layers: [first],
          reason: `The ${region} has no primer: the ${stepText(first)} would not hold.`,
          secondsAtStake: first.handsOnSecondsPerModel,
          mend: insertBefore(first, primer, { technique: 'spray', on: 'whole' }),
        },
      ]
    },
  },
  {
    id: 'R07',
    severity: 'spoils',
    check: eachLayer((layer, below, above, { shelf }) => {
      if (kindOf(layer) !== 'decal') return null
      const gloss = cheapest(shelf, sprayVarnish('gloss varnish'))
      const under = below.findLast((each) => kindOf(each) !== 'decal')
      if (kindOf(under) !== 'gloss varnish') {
        return {
          layers: [layer],
          reason: 'A decal on anything but gloss traps air and turns silver.',
          secondsAtStake: layer.handsOnSecondsPerModel,
          mend: insertBefore(layer, gloss, { technique: 'spray', on: 'whole' }),
        }
      }
      const next = above.find((each) => kindOf(each) !== 'decal')
      const smears =
        next && (kindOf(next) === 'oil' || kindOf(next) === 'pigment' || kindOf(next) === 'thinner')
      if (!smears) return null
      return {
        layers: [layer, next],
        reason: `The ${stepText(next)} smears a decal that is not sealed.`,
        secondsAtStake: layer.handsOnSecondsPerModel,
        mend: insertBefore(next, gloss, { technique: 'spray', on: 'whole' }),
      }
    }),
  },
  {
    id: 'R08',
    severity: 'wastes',
    check: eachLayer((layer, below, _, { shelf }) => {
      if (kindOf(layer) !== 'oil' && kindOf(layer) !== 'thinner') return null
      const paint = below.findLast(
        (each) =>
          each.varnish ||
          (each.material?.carrier === 'water' && (each.colours || each.refines || each.covers)),
      )
      if (!paint || paint.varnish) return null
      return {
        layers: [paint, layer],
        reason: `Spirit attacks the unsealed ${stepText(paint)}, and oil wipes off gloss far more easily.`,
        secondsAtStake: Math.round(layer.handsOnSecondsPerModel / 2),
        mend: insertBefore(layer, cheapest(shelf, sprayVarnish('gloss varnish')), {
          technique: 'spray',
          on: 'whole',
        }),
      }
    }),
  },
  {
    id: 'R09',
    severity: 'spoils',
    check: eachLayer((layer, below) => {
      const wet = below.at(-1)
      if (
        !layer.varnish ||
        !wet ||
        (kindOf(wet) !== 'oil' && kindOf(wet) !== 'dip' && kindOf(wet) !== 'thinner')
      )
        return null
      const enough = kindOf(wet) === 'thinner' ? hours(0.5) : hours(8)
      if (middle(wet.drying) >= enough) return null
      return {
        layers: [wet, layer],
        reason: `Varnish over the wet ${stepText(wet)} traps the solvent and smears: leave it overnight.`,
        secondsAtStake: layer.handsOnSecondsPerModel,
        mend: { kind: 'change', stepId: wet.step.id, change: { dryingSeconds: null } },
      }
    }),
  },
  {
    id: 'R14',
    severity: 'spoils',
    check: eachLayer((layer, below, _, { shelf }) => {
      const under = below.at(-1)
      if (!under?.material?.reactivates || layer.sprayed || layer.step.technique === 'dry brush') return null
      if (layer.step.technique === 'decal' || layer.material?.carrier !== 'water') return null
      return {
        layers: [under, layer],
        reason: `The ${stepText(layer)} lifts the ${stepText(under)} again: seal it by spray first.`,
        secondsAtStake: under.handsOnSecondsPerModel,
        mend: insertBefore(layer, cheapest(shelf, sprayVarnish('satin varnish')), {
          technique: 'spray',
          on: 'whole',
        }),
      }
    }),
  },
  {
    id: 'R15',
    severity: 'wastes',
    check: eachLayer((layer, below, _, { shelf }) => {
      const under = below.at(-1)
      if (kindOf(layer) !== 'translucent' || layer.sprayed || kindOf(under) !== 'ink' || !under) return null
      return {
        layers: [under, layer],
        reason: `A brushed translucent paint lifts the ${stepText(under)}; on gloss it also flows better.`,
        secondsAtStake: under.handsOnSecondsPerModel,
        mend: insertBefore(layer, cheapest(shelf, sprayVarnish('gloss varnish')), {
          technique: 'spray',
          on: 'whole',
        }),
      }
    }),
  },
  {
    id: 'R16',
    severity: 'wastes',
    check: eachLayer((layer, _, above) => {
      const shades = kindOf(layer) === 'wash' || layer.refines
      if (!shades || layer.step.on === 'whole') return null
      const cover = above.find((each) => each.covers && !each.refines)
      if (!cover || kindOf(cover) === 'texture paste') return null
      return {
        layers: [layer, cover],
        reason: `The ${stepText(cover)} hides the ${stepText(layer)} completely.`,
        secondsAtStake: layer.handsOnSecondsPerModel,
        mend: { kind: 'remove', stepId: layer.step.id },
      }
    }),
  },
  {
    id: 'R19',
    severity: 'wastes',
    check: eachLayer((layer, below) => {
      const thin =
        (kindOf(layer) === 'opaque' || kindOf(layer) === 'metallic') &&
        (layer.material?.opacity ?? 1) < 0.6 &&
        layer.colours
      if (!thin || layer.step.coats > 1 || layer.step.wetGroup !== null) return null
      if (below.some((each) => each.material !== null && each.material.id === layer.material?.id)) return null
      return {
        layers: [layer],
        reason: `The ${stepText(layer)} is thin and dries patchy: plan a second coat now, not when the pot is closed.`,
        secondsAtStake: layer.handsOnSecondsPerModel,
        mend: { kind: 'change', stepId: layer.step.id, change: { coats: 2 } },
      }
    }),
  },
  {
    id: 'R20',
    severity: 'could be quicker',
    check: ({ region, layers }) => {
      const brushed = layers.filter((layer) => kindOf(layer) === 'translucent' && !layer.sprayed)
      const coats = brushed.reduce((sum, layer) => sum + layer.step.coats, 0)
      const last = brushed.at(-1)
      if (coats <= 2 || !last) return []
      return [
        {
          layers: brushed,
          reason: `On the ${region}, ${String(coats)} brushed layers of translucent paint fill the recesses and lose their contrast.`,
          secondsAtStake: last.handsOnSecondsPerModel,
          mend:
            last.step.coats > 1
              ? { kind: 'change', stepId: last.step.id, change: { coats: 1 } }
              : { kind: 'remove', stepId: last.step.id },
        },
      ]
    },
  },
  {
    id: 'R24',
    severity: 'spoils',
    check: eachLayer((layer, below) => {
      const loose = kindOf(layer) === 'grit' || kindOf(layer) === 'flock'
      if (loose && kindOf(below.at(-1)) !== 'glue' && kindOf(below.at(-1)) !== 'texture paste') {
        const glue = below.findLast((each) => kindOf(each) === 'glue')
        return {
          layers: [layer],
          reason: `The ${stepText(layer)} sticks to nothing: glue goes directly under it.`,
          secondsAtStake: layer.handsOnSecondsPerModel,
          mend: glue ? { kind: 'move', stepId: layer.step.id, before: glue.step.id } : null,
        }
      }
      const under = below.at(-1)
      const early =
        (kindOf(under) === 'grit' || kindOf(under) === 'flock') && under && middle(under.drying) < 30 * 60
      if (!early) return null
      return {
        layers: [under, layer],
        reason: `The glue under the ${stepText(under)} has to set before it is shaken off and touched.`,
        secondsAtStake: under.handsOnSecondsPerModel,
        mend: { kind: 'change', stepId: under.step.id, change: { dryingSeconds: null } },
      }
    }),
  },
]
