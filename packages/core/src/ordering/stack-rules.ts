import { lightness } from '../colour/index.ts'
import { isPreparation, type Material, sheenOf } from '../trade/index.ts'
import { type StepFacts, stepText } from '../recipe/index.ts'
import { seconds } from '../units/index.ts'
import { darkBelow } from './grounds.ts'
import {
  cheapest,
  eachLayer,
  everywhere,
  insertBefore,
  isCan,
  sealBefore,
  type StackRule,
} from './stack-rule.ts'
import { isLike, showsThrough, thinFrom } from './thin-colours.ts'

const hours = (count: number) => count * 3600
const kindOf = (facts: StepFacts | undefined) => facts?.material?.kind
const middle = ({ min, max }: StepFacts['drying']) => (min + max) / 2

/** So much lighter than the paint the ground has to be where light falls, unless it is bright anyway. */
const clearlyLighter = 3
const brightFrom = 75

const isFilm = (facts: StepFacts) =>
  ['wash', 'oil', 'dip', 'translucent', 'ink'].some((kind) => kind === kindOf(facts))
/** Spirit that has not left yet. */
const isSpirit = (facts: StepFacts) => {
  const kind = kindOf(facts)
  if (kind === 'oil' || kind === 'dip' || kind === 'thinner') return true
  return facts.material?.carrier === 'spirit' && !facts.sprayed
}

export const stackRules: readonly StackRule[] = [
  {
    id: 'R03',
    severity: 'spoils',
    check: eachLayer(({ layer, below, above, ground, stack: { shelf, isMain } }) => {
      if (kindOf(layer) !== 'translucent' || !layer.colours || !ground) return null
      if (layer.whole && !isMain) return null
      if (ground.lit >= Math.min(layer.lightness + clearlyLighter, brightFrom)) return null
      const next = above.find((each) => each.covers || kindOf(each) === 'metallic')
      // Black or brown under metal is meant to be dark.
      if (kindOf(next) === 'metallic' && layer.lightness < darkBelow) return null
      const primers = (each: Material) =>
        each.kind === 'primer' &&
        isCan(each) &&
        sheenOf(each) !== 'metal' &&
        lightness(each.colour) >= brightFrom
      const pale = (each: Material) => each.kind === 'opaque' && lightness(each.colour) >= brightFrom
      const brightest = (each: Material) => -lightness(each.colour)
      const lastPrimer = below.findLast((each) => kindOf(each) === 'primer')
      const onPrimer = below[below.indexOf(lastPrimer ?? layer) + 1] ?? layer
      return {
        layers: [layer],
        reason: `The ${stepText(layer)} tints what is under it, and that is dark: over dark it vanishes.`,
        secondsAtStake: layer.handsOnSecondsPerModel,
        mends: [
          insertBefore(onPrimer, cheapest(shelf, primers, brightest), {
            technique: 'spray from above',
            ...everywhere,
          }),
          insertBefore(layer, cheapest(shelf, pale, brightest), { technique: 'base coat' }),
          insertBefore(layer, cheapest(shelf, pale, brightest), { technique: 'base coat', coats: 2 }),
        ],
      }
    }),
  },
  {
    id: 'R05',
    severity: 'wastes',
    check: eachLayer(({ layer, below, above, ground, stack: { shelf } }) => {
      if (kindOf(layer) !== 'metallic' || layer.refines || layer.sprayed || layer.step.coats > 1) return null
      if (['dry brush', 'wash'].includes(layer.step.technique)) return null
      const isMetalBelow = below.some(
        (each) => kindOf(each) === 'metallic' || (each.material && sheenOf(each.material) === 'metal'),
      )
      if (isMetalBelow || !ground || ground.lit < darkBelow) return null
      if (below.some((each) => kindOf(each) === 'dip')) return null
      if (above.some((each) => isFilm(each) && each.lightness < darkBelow)) return null
      if (above.some((each) => kindOf(each) === 'metallic' && !each.refines)) return null
      const dark = cheapest(
        shelf,
        (each) => each.kind === 'opaque' && lightness(each.colour) < darkBelow,
        (each) => lightness(each.colour),
      )
      return {
        layers: [layer],
        reason: `Missed recesses of the ${stepText(layer)} show light: put a dark colour under it, plan a second coat, or wash it dark afterwards.`,
        secondsAtStake: layer.handsOnSecondsPerModel,
        mends: [
          insertBefore(layer, dark, { technique: 'base coat' }),
          { kind: 'change', stepId: layer.step.id, change: { coats: 2 } },
        ],
      }
    }),
  },
  {
    id: 'R06',
    severity: 'spoils',
    check: ({ region, layers, shelf, firstPaint }) => {
      const paint = layers.findIndex((layer) => isPaintOrSeal(layer))
      const first = layers[paint]
      if (!first || kindOf(first) === 'primer') return []
      const primed = layers.slice(0, paint).some((each) => kindOf(each) === 'primer')
      if (primed) return []
      const late = layers.find((each) => kindOf(each) === 'primer')
      const primer = cheapest(shelf, (each) => each.kind === 'primer' && sheenOf(each) !== 'metal')
      const place = firstPaint ?? first
      return [
        {
          layers: late ? [late, first] : [first],
          reason: `The ${region} has no primer${late ? ' yet' : ''}: the ${stepText(first)} would not hold.`,
          secondsAtStake: first.handsOnSecondsPerModel,
          mends: [
            late ? { kind: 'move', stepId: late.step.id, before: place.step.id } : null,
            insertBefore(place, primer, { technique: 'spray', ...everywhere, roles: [] }),
            insertBefore(first, primer, { technique: 'spray', on: [region], except: [] }),
          ],
        },
      ]
    },
  },
  {
    id: 'R07',
    severity: 'wastes',
    check: eachLayer(({ layer, below, stack: { shelf } }) => {
      if (kindOf(layer) !== 'decal') return null
      const under = below.findLast((each) => kindOf(each) !== 'decal' && makesSurface(each))
      const sheen = under?.material ? sheenOf(under.material) : 'matt'
      if (sheen === 'gloss') return null
      return {
        layers: [layer],
        reason: 'A decal on anything but gloss traps air and turns silver.',
        secondsAtStake: layer.handsOnSecondsPerModel,
        mends: sealBefore(layer, shelf, 'gloss varnish'),
      }
    }),
  },
  {
    id: 'R07',
    severity: 'spoils',
    check: eachLayer(({ layer, above, stack: { shelf } }) => {
      if (kindOf(layer) !== 'decal') return null
      const next = above.find((each) => kindOf(each) !== 'decal' && each.material !== null)
      if (!next || !(kindOf(next) === 'oil' || kindOf(next) === 'pigment' || kindOf(next) === 'thinner'))
        return null
      return {
        layers: [layer, next],
        reason: `The ${stepText(next)} smears a decal that is not sealed.`,
        secondsAtStake: layer.handsOnSecondsPerModel,
        mends: sealBefore(next, shelf, 'gloss varnish'),
      }
    }),
  },
  {
    id: 'R08',
    severity: 'your call',
    check: eachLayer(({ layer, below, stack: { shelf } }) => {
      if (kindOf(layer) !== 'oil' && kindOf(layer) !== 'thinner') return null
      // What is wiped off again was put on the seal together with its oil.
      const paint = below.findLast(
        (each) =>
          each.varnish ||
          kindOf(each) === 'oil' ||
          (each.material?.carrier === 'water' && (each.colours || each.refines || each.covers)),
      )
      if (!paint || paint.varnish || kindOf(paint) === 'oil') return null
      return {
        layers: [paint, layer],
        reason: `Spirit attacks the unsealed ${stepText(paint)}, and oil wipes off gloss far more easily.`,
        secondsAtStake: Math.round(layer.handsOnSecondsPerModel / 2),
        mends: sealBefore(layer, shelf, 'gloss varnish'),
      }
    }),
  },
  {
    id: 'R09',
    severity: 'spoils',
    check: eachLayer(({ layer, below }) => {
      if (!layer.varnish) return null
      const spirits = below.slice(below.findLastIndex((each) => each.varnish) + 1).filter(isSpirit)
      // What is wiped with spirit is still the oil.
      const wet = spirits.find((each) => kindOf(each) === 'oil' || kindOf(each) === 'dip') ?? spirits[0]
      if (!wet) return null
      const since = below.indexOf(wet)
      // The oil dries on while later layers do.
      const dried = below.slice(since).reduce((sum, each) => sum + middle(each.drying), 0)
      const [wetUntil, enough] = solventTimes(wet)
      if (dried >= enough) return null
      return {
        layers: [wet, layer],
        severity: dried < wetUntil ? 'spoils' : 'your call',
        reason:
          dried < wetUntil
            ? `Varnish over the wet ${stepText(wet)} traps the solvent and smears: leave it overnight.`
            : `Varnish holds better on the ${stepText(wet)} after a night.`,
        secondsAtStake: layer.handsOnSecondsPerModel,
        mends: [
          { kind: 'change', stepId: wet.step.id, change: { dryingSeconds: null } },
          {
            kind: 'change',
            stepId: wet.step.id,
            change: { dryingSeconds: { min: seconds(enough), max: seconds(enough * 1.5) } },
          },
        ],
      }
    }),
  },
  {
    id: 'R14',
    severity: 'spoils',
    check: eachLayer(({ layer, below, stack: { shelf } }) => {
      const under = below.findLast(makesSurface)
      if (!under?.material?.reactivates || layer.sprayed || layer.step.technique === 'dry brush') return null
      if (layer.step.technique === 'decal' || layer.material?.carrier !== 'water') return null
      return {
        layers: [under, layer],
        reason: `The ${stepText(layer)} lifts the ${stepText(under)} again: seal it by spray first.`,
        secondsAtStake: under.handsOnSecondsPerModel,
        mends: sealBefore(layer, shelf, 'satin varnish'),
      }
    }),
  },
  {
    id: 'R15',
    severity: 'wastes',
    check: eachLayer(({ layer, below, stack: { shelf } }) => {
      const under = below.findLast(makesSurface)
      if (kindOf(layer) !== 'translucent' || layer.sprayed || kindOf(under) !== 'ink' || !under) return null
      // Light from above by ink is a usual ground, which many leave unsealed.
      const isGround = under.fromAbove && under.lightness >= brightFrom
      return {
        layers: [under, layer],
        severity: isGround ? 'your call' : 'wastes',
        reason: `A brushed translucent paint lifts the ${stepText(under)}; on gloss it also flows better.`,
        secondsAtStake: under.handsOnSecondsPerModel,
        mends: sealBefore(layer, shelf, 'gloss varnish'),
      }
    }),
  },
  {
    id: 'R19',
    severity: 'wastes',
    check: eachLayer(({ layer, below, above, ground }) => {
      const { material } = layer
      if (!material || layer.step.coats > 1 || layer.step.wetGroup !== null || !layer.colours) return null
      if (layer.fromAbove || layer.step.technique === 'pen') return null
      if (kindOf(layer) !== 'opaque' && kindOf(layer) !== 'metallic') return null
      const since = below.findLastIndex((each) => each.covers && each.material?.id !== material.id)
      const until = above.findIndex((each) => each.covers && each.material?.id !== material.id)
      const near = [...below.slice(since + 1), ...(until < 0 ? above : above.slice(0, until))]
      if (layer.hiding >= thinFrom && !showsThrough(layer, below[since], ground)) return null
      const isInPasses = near.some((each) => each.material?.id === material.id)
      if (isInPasses || isLike(material, below[since], ground)) return null
      return {
        layers: [layer],
        reason: `The ${stepText(layer)} is thin and dries patchy: plan a second coat now, not when the pot is closed.`,
        secondsAtStake: layer.handsOnSecondsPerModel,
        mends: [{ kind: 'change', stepId: layer.step.id, change: { coats: 2 } }],
      }
    }),
  },
  {
    id: 'R20',
    severity: 'your call',
    check: ({ region, layers }) => {
      const since = layers.findLastIndex((layer) => layer.covers || layer.varnish)
      const brushed = layers
        .slice(since + 1)
        .filter(
          (layer) => kindOf(layer) === 'translucent' && !layer.sprayed && fills.has(layer.step.technique),
        )
      const coats = brushed.reduce((sum, layer) => sum + layer.step.coats, 0)
      const last = brushed.at(-1)
      if (coats <= 2 || !last) return []
      const same = brushed.filter((layer) => layer.material?.id === last.material?.id)
      const isAgain = same.reduce((sum, layer) => sum + layer.step.coats, 0) > 2
      return [
        {
          layers: brushed,
          severity: isAgain ? 'wastes' : 'your call',
          reason: `On the ${region}, ${String(coats)} brushed layers of translucent paint fill the recesses and lose their contrast.`,
          secondsAtStake: last.handsOnSecondsPerModel,
          mends: [
            last.step.coats > 1
              ? { kind: 'change', stepId: last.step.id, change: { coats: last.step.coats - 1 } }
              : { kind: 'remove', stepId: last.step.id },
          ],
        },
      ]
    },
  },
  {
    id: 'R24',
    severity: 'spoils',
    check: eachLayer(({ layer, below, stack: { shelf } }) => {
      const loose = (kindOf(layer) === 'grit' || kindOf(layer) === 'flock') && layer.step.mix.length === 1
      const under = below.findLast((each) => each.material !== null)
      if (loose && kindOf(under) !== 'glue' && kindOf(under) !== 'texture paste') {
        const glue = below.findLast((each) => kindOf(each) === 'glue')
        return {
          layers: [layer],
          reason: `The ${stepText(layer)} sticks to nothing: glue goes directly under it.`,
          secondsAtStake: layer.handsOnSecondsPerModel,
          mends: [
            glue ? { kind: 'move', stepId: glue.step.id, before: layer.step.id } : null,
            glue
              ? {
                  kind: 'move',
                  stepId: layer.step.id,
                  before: below[below.indexOf(glue) + 1]?.step.id ?? layer.step.id,
                }
              : null,
            insertBefore(
              layer,
              cheapest(shelf, (each) => each.kind === 'glue' && each.carrier === 'water'),
              { technique: 'spread', dryingSeconds: { min: seconds(0), max: seconds(0) } },
            ),
          ],
        }
      }
      const early =
        (kindOf(under) === 'grit' || kindOf(under) === 'flock') && under && middle(under.drying) < 30 * 60
      if (!early) return null
      return {
        layers: [under, layer],
        reason: `The glue under the ${stepText(under)} has to set before it is shaken off and touched.`,
        secondsAtStake: under.handsOnSecondsPerModel,
        mends: [{ kind: 'change', stepId: under.step.id, change: { dryingSeconds: null } }],
      }
    }),
  },
]

/** Techniques that lay a film over recesses as well. */
const fills: ReadonlySet<string> = new Set(['base coat', 'layer', 'glaze', 'wash', 'blend'])

/** What the next layer touches: not a thing put on beside it, not what only lies in recesses. */
function makesSurface(facts: StepFacts): boolean {
  return (
    facts.material !== null &&
    !isPreparation(facts.step.technique) &&
    !['mask', 'peel', 'pin wash', 'wipe', 'join', 'edge', 'chip'].includes(facts.step.technique)
  )
}

function isPaintOrSeal(facts: StepFacts): boolean {
  const kind = kindOf(facts)
  if (!kind || isPreparation(facts.step.technique)) return false
  if (facts.step.technique === 'join' || facts.step.technique === 'mask') return false
  return !['texture paste', 'glue', 'grit', 'mask', 'medium', 'thinner'].includes(kind)
}

/** Until when spirit is wet under a varnish, and from when a varnish has nothing to fear: seconds, common practice. */
function solventTimes(wet: StepFacts): readonly [wetUntil: number, enough: number] {
  const kind = kindOf(wet)
  if (kind === 'dip') return [hours(8), hours(24)]
  if (kind === 'oil') return [hours(1), hours(8)]
  return [20 * 60, hours(0.5)]
}
