import { minutes } from '../units/index.ts'
import {
  type Finish,
  plainPreferences,
  type Preferences,
  type Region,
  type Step,
  type Technique,
} from '../trade/index.ts'

/** A way of painting, from primer to rim. */
export interface RecipeSchool {
  readonly id: string
  readonly name: string
  readonly idea: string
  readonly good: string
  readonly bad: string
  readonly preferences: Preferences
  readonly steps: (model: Surfaces) => readonly (Draft | null)[]
}

/** A step as a school writes it: materials by their names on the starter shelf. */
export interface Draft {
  readonly on: 'whole' | readonly string[]
  readonly material: string | null
  readonly technique: Technique
  readonly some: Partial<Omit<Step, 'id' | 'on' | 'mix' | 'technique'>>
}

/** What a school asks of a body plan. */
export interface Surfaces {
  readonly regions: readonly Region[]
  /** The largest region; never a metal one. */
  readonly main: Region
  /** Names of the regions with one of these finishes. */
  readonly of: (...finishes: readonly Finish[]) => readonly string[]
}

function draft(
  on: Draft['on'],
  material: string | null,
  technique: Technique,
  some: Draft['some'] = {},
): Draft | null {
  return on !== 'whole' && on.length === 0 ? null : { on, material, technique, some }
}

const finer = { standard: 'tabletop plus' } as const
const finest = { standard: 'display' } as const
const overnight = { dryingSeconds: { min: minutes(8 * 60), max: minutes(12 * 60) } }

type Colours = Partial<Record<Finish, readonly string[]>>

/**
 * Cloth and hides come in several colours on one model; each next region takes the next. What is in `but` has its
 * colour already.
 */
function perRegion(
  model: Surfaces,
  colours: Colours,
  technique: Technique,
  some: Draft['some'] = {},
  but: readonly string[] = [],
): readonly (Draft | null)[] {
  const byMaterial = new Map<string, string[]>()
  for (const [finish, names] of Object.entries(colours) as [Finish, readonly string[]][]) {
    model.of(finish).forEach((region, index) => {
      if (but.includes(region)) return
      const material = names[index % names.length] ?? ''
      byMaterial.set(material, [...(byMaterial.get(material) ?? []), region])
    })
  }
  return [...byMaterial].map(([material, on]) => draft(on, material, technique, some))
}

const darkAndBright = (model: Surfaces): readonly (Draft | null)[] => [
  draft(model.of('metal'), 'soot black', 'base coat', { note: 'Everything that becomes metal.' }),
  draft(model.of('metal'), 'bright steel', 'base coat', { note: 'Leave the dark showing in the recesses.' }),
]

const grittedBase = (model: Surfaces): readonly (Draft | null)[] => [
  draft(model.of('base'), 'white glue', 'spread', { dryingSeconds: { min: minutes(0), max: minutes(0) } }),
  draft(model.of('base'), 'river grit', 'sprinkle', { note: 'While the glue is wet; shake off the rest.' }),
  draft(model.of('base'), 'silt brown wash', 'wash'),
  draft(model.of('base'), 'pale bone', 'dry brush', finer),
  draft(model.of('base'), 'dark peat', 'detail', { note: 'The rim; clean off what went astray.' }),
]

/** What a better standard asks of every school: a second highlight, glazes, eyes. */
const brushedUp = (model: Surfaces, highlit: 'by layers' | 'not yet'): readonly (Draft | null)[] => [
  ...(highlit === 'not yet' ? perRegion(model, highlights, 'layer', finest) : []),
  ...perRegion(model, translucents, 'glaze', { ...finest, note: 'Thin, into the shadows.' }),
  ...perRegion(model, highlit === 'by layers' ? without(masses, 'plate') : masses, 'edge', {
    ...finer,
    note: 'Quick: the folds and ridges of the big masses.',
  }),
  ...perRegion(model, without(highlights, ...massFinishes), 'edge', finest),
  ...perRegion(model, sharpest, 'edge', { ...finest, note: 'Finer than the last, where light catches.' }),
  draft(model.of('eye'), 'chalk white', 'detail', { ...finest, note: 'The whites; the pupils next.' }),
  draft(model.of('eye'), 'soot black', 'detail', { ...finest, note: 'Pupils.' }),
]

/** Bright metal and what grows on bases come after the last varnish. */
const lastOfAll = (model: Surfaces): readonly (Draft | null)[] => [
  draft(model.of('metal'), 'bright steel', 'edge', {
    ...finer,
    note: 'After the matt, so that it stays bright.',
  }),
  draft(model.of('base'), 'reed tuft', 'stick', finer),
]

const translucents: Colours = {
  skin: ['warm flesh translucent'],
  hair: ['saddle translucent'],
  cloth: ['moss translucent', 'reed grey translucent', 'river blue translucent'],
  leather: ['peat brown translucent'],
  wood: ['peat brown translucent'],
  bone: ['hide ochre translucent'],
  hide: ['hide ochre translucent', 'saddle translucent'],
  plate: ['river blue translucent'],
  glass: ['rust translucent'],
}

const opaques: Colours = {
  skin: ['warm flesh'],
  hair: ['saddle brown'],
  cloth: ['moss green', 'reed grey', 'rust red'],
  leather: ['peat brown'],
  wood: ['saddle brown'],
  bone: ['dark bone'],
  hide: ['dark bone', 'saddle brown'],
  plate: ['river blue'],
  glass: ['rust red'],
}

const highlights: Colours = {
  skin: ['light flesh'],
  hair: ['light leather'],
  cloth: ['light moss', 'light reed', 'warm flesh'],
  leather: ['light leather'],
  wood: ['light leather'],
  bone: ['pale bone'],
  hide: ['pale bone', 'light leather'],
  plate: ['light river'],
  glass: ['warm flesh'],
}

const massFinishes = ['cloth', 'plate', 'hide'] as const
const masses: Colours = Object.fromEntries(massFinishes.map((finish) => [finish, highlights[finish] ?? []]))

const sharpest: Colours = {
  skin: ['light flesh'],
  hair: ['pale bone'],
  cloth: ['pale bone'],
  leather: ['pale bone'],
  wood: ['pale bone'],
  bone: ['pale bone'],
  hide: ['pale bone'],
  plate: ['pale bone'],
  glass: ['pale bone'],
}

const mainColour = (model: Surfaces) => (opaques[model.main.finish] ?? ['moss green'])[0] ?? null

const matt = draft('whole', 'matt varnish, spray', 'spray', { note: 'Thin, from 20–30 cm.' })

/** Before the primer, where the models come unbuilt; on by a switch. */
export const preparation: readonly (Draft | null)[] = [
  draft('whole', null, 'clean', {
    note: 'Lukewarm soapy water, rinse.',
    dryingSeconds: { min: minutes(60), max: minutes(120) },
  }),
  draft('whole', null, 'cut', { note: 'Mould lines and flash: a wash settles in every one.' }),
  draft('whole', 'super glue', 'assemble', {
    note: 'Try one of each build whole first: which way up is the shield, does the weapon fit.',
    dryingSeconds: { min: minutes(15), max: minutes(60) },
  }),
  draft('whole', null, 'mount', { note: 'A cork for one, a stick with tape for five to ten.' }),
]

/** The nine usual ways, as common practice has them. */
export const recipeSchools: readonly RecipeSchool[] = [
  {
    id: 'translucent-over-bright',
    name: 'Translucent over bright',
    idea: 'Dark primer, bright from above, one translucent paint a region, few layers.',
    good: 'fastest to colour',
    bad: 'glossy; blotchy on big smooth panels',
    preferences: plainPreferences,
    steps: (model) => [
      draft('whole', 'black primer, spray', 'spray', { note: 'Two thin passes from 20–30 cm.' }),
      draft('whole', 'ivory primer, spray', 'spray from above', { note: 'At about 45°; shadows stay dark.' }),
      ...perRegion(model, translucents, 'base coat'),
      ...darkAndBright(model),
      draft(model.of('skin', 'leather', 'metal', 'hair', 'bone'), 'dark sepia wash', 'wash'),
      ...grittedBase(model),
      ...brushedUp(model, 'not yet'),
      matt,
      ...lastOfAll(model),
    ],
  },
  {
    id: 'layers-over-colour',
    name: 'Layers over a colour primer',
    idea: 'Prime in the majority colour, base the rest, shade, highlight, correct slips with the majority colour last.',
    good: 'crisp and forgiving of slips',
    bad: 'many steps',
    preferences: { ...plainPreferences, mainColour: 'first' },
    steps: (model) => [
      draft('whole', primerFor(model.main.finish), 'spray', { note: 'The majority colour.' }),
      ...perRegion(model, opaques, 'base coat', {}, [model.main.name]),
      ...darkAndBright(model),
      draft(model.of('skin', 'leather', 'wood', 'hair', 'bone', 'metal'), 'dark sepia wash', 'wash'),
      draft(model.of('cloth', 'plate', 'hide'), 'soot wash', 'wash'),
      draft([model.main.name], mainColour(model), 'detail', { note: 'Slips over the border only.' }),
      ...perRegion(model, without(highlights, 'plate'), 'layer'),
      // Plate is lined and edged, not highlighted all over.
      ...perRegion(model, { plate: highlights.plate ?? [] }, 'edge'),
      ...grittedBase(model),
      ...brushedUp(model, 'by layers'),
      matt,
      ...lastOfAll(model),
    ],
  },
  {
    id: 'sprayed-volumes-and-oil',
    name: 'Sprayed volumes and oil',
    idea: 'Main colour in thin sprayed layers over a graded undercoat; gloss, decals, gloss; oil lining; matt.',
    good: 'best transitions',
    bad: 'long waits, many seals',
    preferences: { ...plainPreferences, mainColour: 'first', base: 'last' },
    steps: (model) => [
      draft('whole', 'black primer, spray', 'spray'),
      draft('whole', 'ivory primer, spray', 'spray from above'),
      draft([model.main.name], mainColour(model), 'airbrush', {
        coats: 2,
        spray: { from: 'above', bar: 1.5, nozzleMm: 0.3, thinning: 1 },
      }),
      ...perRegion(model, opaques, 'base coat', {}, [model.main.name]),
      ...darkAndBright(model),
      ...brushedUp(model, 'not yet'),
      draft('whole', 'gloss varnish, spray', 'spray'),
      draft([model.main.name], 'delta heron decal', 'decal', finer),
      draft('whole', 'gloss varnish, spray', 'spray', finer),
      draft('whole', 'umber oil', 'pin wash', {
        note: 'Into the recesses; it may be put right for an hour.',
      }),
      draft('whole', 'white spirit', 'wipe', { note: 'With a bud barely damp, after about ten minutes.' }),
      matt,
      ...grittedBase(model),
      ...lastOfAll(model),
    ],
  },
  {
    id: 'dip',
    name: 'Dip',
    idea: 'Primer in the colour of leather and hair, solid colours, overnight, dip, highlight, gloss, matt.',
    good: 'fastest tough hordes',
    bad: 'waits of days',
    preferences: { ...plainPreferences, base: 'last' },
    steps: (model) => [
      draft('whole', 'leather brown primer, spray', 'spray', { note: 'Leather and hair stay as they are.' }),
      ...perRegion(model, without(opaques, 'leather', 'hair'), 'base coat', overnight),
      draft('whole', 'walnut dip', 'dip', { note: 'Stir, never shake.' }),
      draft('whole', null, 'wipe', {
        note: 'Mop the pools with a soft brush, within five minutes of the dip.',
      }),
      draft(model.of('metal'), 'bright steel', 'base coat'),
      ...brushedUp(model, 'not yet'),
      draft('whole', 'gloss varnish, spray', 'spray', { note: 'Tough; it is handled.' }),
      matt,
      ...grittedBase(model),
      ...lastOfAll(model),
    ],
  },
  {
    id: 'dark-under',
    name: 'Dark under, no wash',
    idea: 'Each region dark first, then lighter layers that leave the dark in the recesses.',
    good: 'deep contrast',
    bad: 'long, and a steadier hand',
    preferences: { ...plainPreferences, careful: true },
    steps: (model) => [
      draft('whole', 'black primer, spray', 'spray'),
      ...perRegion(model, darks, 'base coat'),
      ...perRegion(model, opaques, 'layer'),
      draft(model.of('metal'), 'dark iron', 'base coat'),
      draft(model.of('metal'), 'bright steel', 'base coat', { note: 'Leave the iron in the recesses.' }),
      ...perRegion(model, highlights, 'layer', finer),
      ...grittedBase(model),
      ...brushedUp(model, 'by layers'),
      matt,
      ...lastOfAll(model),
    ],
  },
  {
    id: 'all-over-stain',
    name: 'All-over stain',
    idea: 'Warm light primer, one translucent over everything, pale dry brush, two spot colours, metal by pen.',
    good: 'dozens overnight, all alike',
    bad: 'all alike',
    preferences: { ...plainPreferences, base: 'last' },
    steps: (model) => [
      draft('whole', 'pale bone primer, spray', 'spray'),
      draft('whole', 'hide ochre translucent', 'base coat', { note: 'One flood; pull the pools.' }),
      draft('whole', 'pale bone', 'dry brush'),
      draft(model.of('leather'), 'peat brown', 'detail'),
      draft(model.of('hair', 'glass', 'bone'), 'rust red', 'detail'),
      draft(model.of('metal'), 'dark iron', 'pen'),
      ...brushedUp(model, 'not yet'),
      draft(model.of('base'), 'river mud paste', 'spread', {
        note: 'Ready mixed: dip the base, tap it off.',
      }),
      ...lastOfAll(model),
    ],
  },
  {
    id: 'opaque-wash-rehighlight',
    name: 'Opaque, wash, highlight again',
    idea: 'The main colour slopped over everything, the others tidy up, a wash a region, the base colours again.',
    good: 'the classic; robust',
    bad: 'many pots',
    preferences: { ...plainPreferences, mainColour: 'first' },
    steps: (model) => [
      draft('whole', 'grey primer, spray', 'spray'),
      draft('whole', mainColour(model), 'base coat', { note: 'Slop it on; the next colours tidy.' }),
      ...perRegion(model, opaques, 'base coat', {}, [model.main.name]),
      ...darkAndBright(model),
      draft(model.of('skin'), 'flesh wash', 'wash'),
      draft(model.of('leather', 'wood', 'hair', 'bone', 'hide'), 'dark sepia wash', 'wash'),
      draft(model.of('cloth', 'plate', 'metal', 'glass'), 'soot wash', 'wash'),
      ...perRegion(model, opaques, 'layer'),
      ...grittedBase(model),
      ...brushedUp(model, 'by layers'),
      matt,
      ...lastOfAll(model),
    ],
  },
  {
    id: 'tints-and-details',
    name: 'Sprayed tints and brushed details',
    idea: 'The mass of the model in a few sprayed tints, then few fast details by brush.',
    good: 'very fast in hordes',
    bad: 'wants a plain sculpt and an airbrush',
    preferences: { ...plainPreferences, mainColour: 'first' },
    steps: (model) => [
      draft('whole', 'ivory primer, spray', 'spray'),
      draft('whole', 'moss translucent', 'airbrush', {
        spray: { from: 'below', bar: 1.2, nozzleMm: 0.3, thinning: 1 },
      }),
      draft('whole', 'hide ochre translucent', 'airbrush', {
        spray: { from: 'above', bar: 1.2, nozzleMm: 0.3, thinning: 1 },
      }),
      draft(model.of('skin'), 'warm flesh', 'blend', {
        wetGroup: 'skin',
        note: 'Wet into wet, model by model.',
      }),
      draft(model.of('skin'), 'light flesh', 'blend', { wetGroup: 'skin' }),
      draft(model.of('leather', 'wood'), 'peat brown', 'detail'),
      draft(model.of('hair', 'bone', 'glass'), 'dark bone', 'detail'),
      draft(model.of('metal'), 'dark iron', 'detail', { coats: 2 }),
      ...grittedBase(model),
      ...brushedUp(model, 'not yet'),
      matt,
      ...lastOfAll(model),
    ],
  },
  {
    id: 'rough-blend-and-oil',
    name: 'Rough blend and oil',
    idea: 'Two colours roughly blended wet on the model, dry brush, thin oil wash wiped off the raised parts.',
    good: 'organic, rusty and undead looks',
    bad: 'oil waits overnight',
    preferences: { ...plainPreferences, mainColour: 'first', base: 'last' },
    steps: (model) => [
      draft('whole', 'grey primer, spray', 'spray'),
      draft([model.main.name], 'dark bone', 'blend', { wetGroup: 'body' }),
      draft([model.main.name], 'reed grey', 'blend', { wetGroup: 'body' }),
      ...perRegion(model, opaques, 'base coat', {}, [model.main.name]),
      draft('whole', 'pale bone', 'dry brush'),
      ...brushedUp(model, 'not yet'),
      draft('whole', 'satin varnish, spray', 'spray', { note: 'Seals the paint before spirit touches it.' }),
      draft('whole', 'umber oil', 'wash', { note: 'Thin, over everything.' }),
      draft('whole', 'white spirit', 'wipe', { note: 'Off the raised parts, after about ten minutes.' }),
      matt,
      draft(model.of('metal'), 'dark iron', 'base coat', {
        coats: 2,
        note: 'Last, so that it stays bright.',
      }),
      ...grittedBase(model),
      ...lastOfAll(model),
    ],
  },
]

const darks: Colours = {
  skin: ['deep flesh'],
  hair: ['dark peat'],
  cloth: ['deep moss', 'slate grey', 'dark peat'],
  leather: ['dark peat'],
  wood: ['dark peat'],
  bone: ['peat brown'],
  hide: ['peat brown', 'dark peat'],
  plate: ['slate grey'],
  glass: ['soot black'],
}

function without(colours: Colours, ...finishes: readonly Finish[]): Colours {
  return Object.fromEntries(Object.entries(colours).filter(([each]) => !finishes.includes(each as Finish)))
}

function primerFor(finish: Finish): string {
  if (finish === 'plate') return 'river blue primer, spray'
  if (finish === 'hide') return 'pale bone primer, spray'
  return 'moss green primer, spray'
}
