import { starterShelf } from '@seriatim/core/presets'
import { bodyPlans, recipeFromSchool, recipeSchools } from '@seriatim/core/recipe'
import {
  plainStep,
  type Material,
  type Recipe,
  type Region,
  type Step,
  type Technique,
  type Unit,
} from '@seriatim/core/trade'
import { minutes, type LocalDate, type MaterialId, type StepId } from '@seriatim/core/units'
import { nextId } from './ids.ts'
import { eelNetters, lockKeepers, officers, reedPikes, sluiceGun, stiltRiders } from './roster.ts'

function named<T extends { readonly id: string }>(list: readonly T[], id: string): T {
  const found = list.find((each) => each.id === id)
  if (!found) throw new RangeError(`no ${id}`)
  return found
}

function materialNamed(name: string): MaterialId {
  const found = starterShelf.find((material) => material.name === name)
  if (!found) throw new RangeError(`no material ${name}`)
  return found.id
}

function recipeFor(name: string, units: readonly Unit[], school: string, plan: string): Recipe {
  const recipe = recipeFromSchool(named(recipeSchools, school), named(bodyPlans, plan), name, nextId)
  return { ...recipe, unitIds: units.map((each) => each.id) }
}

function layer(on: readonly string[], material: string, technique: Technique, some: Partial<Step>): Step {
  return {
    ...plainStep,
    id: nextId() as StepId,
    on,
    mix: [{ materialId: materialNamed(material), parts: 1 }],
    technique,
    ...some,
  }
}

const translucent = 'translucent-over-bright'

/** The steps with `added` before the first that `at` is true of; that one is left out when `instead`. */
function put(
  steps: readonly Step[],
  at: (step: Step) => boolean,
  added: readonly Step[],
  instead = false,
): readonly Step[] {
  const place = steps.findIndex(at)
  if (place < 0) throw new RangeError('no such step')
  return [...steps.slice(0, place), ...added, ...steps.slice(instead ? place + 1 : place)]
}

/** Hair in four colours spread over the units, cloaks for the few that wear one, and one more glint for leaders. */
function militia(): Recipe {
  const recipe = recipeFor('Lock-keepers and reed-pikes', [lockKeepers, reedPikes], translucent, 'foot')
  const cloak: Region = {
    name: 'cloak',
    finish: 'cloth',
    areaShare: 0.2,
    parts: 1,
    neighbours: ['coat'],
    depth: 0,
    bare: false,
    apart: '',
  }
  const regions = recipe.regions.flatMap((region) =>
    region.name === 'coat' ? [{ ...region, neighbours: [...region.neighbours, 'cloak'] }, cloak] : [region],
  )
  const colours = ['saddle', 'hide ochre', 'rust', 'peat brown']
  const hair = colours.map((colour, index) =>
    layer(['hair'], `${colour} translucent`, 'base coat', { roles: [`hair ${String(index + 1)}`] }),
  )
  const isHair = (step: Step) => step.on !== 'whole' && step.on.join() === 'hair'
  const isMatt = (step: Step) => step.note.startsWith('Thin, from')
  const few = layer(['cloak'], 'river blue translucent', 'base coat', {
    roles: ['cloak'],
    note: 'Sort the cloaked ones out, and put them back after.',
  })
  const glint = layer(['metal'], 'bright steel', 'edge', { roles: ['leader'] })
  const isTuft = (step: Step) => step.technique === 'stick'
  const steps = put(put(put(recipe.steps, isHair, hair, true), isMatt, [few]), isTuft, [glint])
  return {
    ...recipe,
    regions,
    steps,
    versions: [
      {
        number: 1,
        keptOn: '2026-11-12' as LocalDate,
        note: 'As the pilot was painted.',
        regions: recipe.regions,
        steps: recipe.steps,
        preferences: recipe.preferences,
      },
    ],
  }
}

/** The hides may be sprayed where the batch is worth the set-up; the ochre has a stand-in. */
function riders(): Recipe {
  const recipe = recipeFor('Stilt-riders', [stiltRiders], translucent, 'rider-and-mount')
  const steps = recipe.steps.map((step) =>
    step.on !== 'whole' && step.on.includes('hide') && step.technique === 'base coat'
      ? {
          ...step,
          otherModes: [{ technique: 'airbrush' as const, setUpSeconds: minutes(10) }],
          substitutes: [materialNamed('saddle translucent')],
        }
      : step,
  )
  return { ...recipe, steps }
}

/** Two faults on purpose: a decal on matt varnish, and a wash that is opened twice. */
function characters(): Recipe {
  const recipe = recipeFor('Officers', [officers], translucent, 'cloaked-foot')
  const isTuft = (step: Step) => step.technique === 'stick'
  const isGlue = (step: Step) => step.technique === 'spread'
  const wash = layer(['wood'], 'dark sepia wash', 'wash', {})
  const decal = layer(['cloak'], 'delta heron decal', 'decal', {
    standard: 'tabletop plus',
    note: 'The heron on the left shoulder.',
  })
  return { ...recipe, steps: put(put(recipe.steps, isTuft, [decal]), isGlue, [wash]) }
}

/** A recipe a kind of model. */
export const recipes: readonly Recipe[] = [
  militia(),
  recipeFor('Eel-netters', [eelNetters], translucent, 'foot'),
  riders(),
  recipeFor('Sluice gun', [sluiceGun], 'opaque-wash-rehighlight', 'gun-and-crew'),
  characters(),
]

/** What the recipes use, in pots that were opened before; one is empty. */
export const shelf: readonly Material[] = usedMaterials().map((material, index) => ({
  ...material,
  stockMl:
    material.name === 'hide ochre translucent' ? 0 : Math.round(material.potMl * (0.3 + 0.1 * (index % 6))),
}))

function usedMaterials(): readonly Material[] {
  const used = new Set(
    recipes.flatMap((recipe) =>
      recipe.steps.flatMap((step) => [...step.mix.map((part) => part.materialId), ...step.substitutes]),
    ),
  )
  return starterShelf.filter((material) => used.has(material.id))
}
