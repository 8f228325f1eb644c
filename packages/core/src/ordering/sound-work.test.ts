import { describe, expect, it } from 'vitest'
import type { Preferences } from '../trade/recipe.ts'
import { footRecipe, testShelf, type StepRow } from '../testing/recipes.ts'
import { minutes } from '../units/seconds.ts'
import { findFaults } from './find-faults.ts'
import { isFault } from './rule.ts'

const black: StepRow = ['all', 'black primer, spray', 'spray']
const grey: StepRow = ['all', 'grey primer, spray', 'spray']
const ivory: StepRow = ['all', 'ivory primer, spray', 'spray']
const ivoryFromAbove: StepRow = ['all', 'ivory primer, spray', 'spray from above']
const gloss: StepRow = ['all', 'gloss varnish, spray', 'spray']
const matt: StepRow = ['all', 'matt varnish, spray', 'spray']
const skin: StepRow = ['skin', 'warm flesh', 'base coat']
const hair: StepRow = ['hair', 'saddle brown', 'base coat']
const coat: StepRow = ['coat', 'moss green', 'base coat']
const trousers: StepRow = ['trousers', 'reed grey', 'base coat']
const leather: StepRow = ['leather', 'peat brown', 'base coat']
const wood: StepRow = ['wood', 'saddle brown', 'base coat']
const colours: readonly StepRow[] = [coat, trousers, leather, wood, skin, hair]
const tints: readonly StepRow[] = [
  ['coat', 'moss translucent', 'base coat'],
  ['trousers', 'reed grey translucent', 'base coat'],
  ['leather+wood', 'peat brown translucent', 'base coat'],
  ['skin', 'warm flesh translucent', 'base coat'],
  ['hair', 'saddle translucent', 'base coat'],
]
const steel: StepRow = ['metal', 'bright steel', 'base coat']
const darkUnder: StepRow = ['metal', 'soot black', 'base coat']
const paste: StepRow = ['base', 'river mud paste', 'spread']
const glue: StepRow = ['base', 'white glue', 'spread']
const grit: StepRow = ['base', 'river grit', 'sprinkle']
const baseWash: StepRow = ['base', 'silt brown wash', 'wash']
const baseDry: StepRow = ['base', 'pale bone', 'dry brush']
const overnight = { dryingSeconds: { min: minutes(480), max: minutes(720) } }
const fromAbove = { spray: { from: 'above', bar: 1.2, nozzleMm: 0.3, thinning: 1 } } as const
const anyOrder: Partial<Preferences> = { lightBeforeDark: false }

type Sound = readonly [what: string, steps: readonly StepRow[], preferences?: Partial<Preferences>]

/** Orders as they are painted, common practice; each is done in the order it is written in. */
const sound: readonly Sound[] = [
  ['translucents over a graded undercoat, the big area first', [black, ivoryFromAbove, ...tints], anyOrder],
  [
    'translucents over white ink from above',
    [black, ['all', 'white ink', 'airbrush', fromAbove], ...tints],
    anyOrder,
  ],
  ['translucents over a pale dry brush', [grey, ['all', 'pale bone', 'dry brush'], ...tints], anyOrder],
  [
    'translucents over a light sprayed coat',
    [black, ['all', 'pale bone', 'airbrush', fromAbove], ...tints],
    anyOrder,
  ],
  [
    'a light base coat under one translucent',
    [black, ['coat', 'pale bone', 'base coat'], ['coat', 'moss translucent', 'base coat']],
  ],
  ['a dark translucent over mid ground', [grey, ['leather', 'peat brown translucent', 'base coat']]],
  ['a wash as ground under translucents', [ivory, ['all', 'flesh wash', 'wash'], ...tints], anyOrder],
  ['black translucent as ground for metal', [ivory, ['metal', 'black translucent', 'base coat'], steel]],
  ['a dark wash after the metal', [grey, steel, ['metal', 'soot wash', 'wash']]],
  ['metal in two coats', [grey, ['metal', 'bright steel', 'base coat', { coats: 2 }]]],
  ['dark iron, then steel on it', [grey, ['metal', 'dark iron', 'base coat', { coats: 2 }], steel]],
  ['metal over a metal-coloured primer', [['all', 'steel primer, spray', 'spray'], steel, ...colours]],
  [
    'metal washed with everything else where nothing dark lies under it',
    [grey, ...colours, steel, ['all', 'soot wash', 'wash']],
  ],
  [
    'metal brightened again after the wash over everything',
    [black, ...colours, steel, ['all', 'soot wash', 'wash'], ['metal', 'bright steel', 'dry brush']],
  ],
  ['grit and paste under the primer', [glue, grit, grey, ...colours, baseWash]],
  ['paste under the primer', [paste, black, ivoryFromAbove, ...tints], anyOrder],
  [
    'slurry and crackle under the primer',
    [['base', 'plastic slurry', 'spread'], ['base', 'crackle paste', 'spread'], grey, ...colours],
  ],
  [
    'light sprayed from above over a dry brush',
    [black, ['all', 'slate grey', 'dry brush'], ivoryFromAbove, ...tints],
    anyOrder,
  ],
  [
    'the main colour slopped over everything',
    [grey, ['all', 'moss green', 'base coat'], trousers, leather, wood, skin, hair, darkUnder, steel],
  ],
  ['careful throughout, dark and light mixed', [grey, leather, coat, skin, trousers, hair, wood]],
  [
    'a wash flooded over parts that are painted again',
    [grey, leather, wood, ['leather+wood', 'dark sepia wash', 'wash'], coat],
  ],
  [
    'base colours by a fine brush, then a wash over everything',
    [
      grey,
      coat,
      ['leather', 'peat brown', 'detail'],
      ['wood', 'saddle brown', 'detail'],
      ['all', 'soot wash', 'wash'],
    ],
  ],
  [
    'a wash over everything but the base',
    [grey, ...colours, paste, baseWash, baseDry, ['all', 'soot wash', 'wash', { except: ['base'] }]],
  ],
  [
    'a dry brush over everything but the metal',
    [black, ...colours, darkUnder, steel, ['all', 'pale bone', 'dry brush', { except: ['metal'] }]],
  ],
  [
    'varnish over everything but wet eyes',
    [
      grey,
      ...colours,
      ['hair', 'brush-on gloss', 'varnish'],
      ['all', 'matt varnish, spray', 'spray', { except: ['hair'] }],
    ],
  ],
  ['the base first', [grey, paste, baseWash, baseDry, ...colours, darkUnder, steel], { base: 'first' }],
  ['the base last', [grey, ...colours, darkUnder, steel, matt, paste, baseWash, baseDry], { base: 'last' }],
  ['the base in between', [grey, coat, glue, grit, trousers, leather, baseWash, wood, skin, baseDry]],
  ['grit dry brushed, then washed', [grey, glue, grit, baseDry, baseWash]],
  ['grit washed, then dry brushed', [grey, glue, grit, baseWash, baseDry]],
  [
    'gloss, decals, gloss, oil, wiped, matt',
    [
      grey,
      coat,
      gloss,
      ['coat', 'delta heron decal', 'decal'],
      gloss,
      ['coat', 'umber oil', 'pin wash', overnight],
      ['coat', 'white spirit', 'wipe'],
      matt,
    ],
  ],
  [
    'a decal on a glossy translucent, matt at once',
    [
      black,
      ivoryFromAbove,
      ['coat', 'moss translucent', 'base coat'],
      ['coat', 'delta heron decal', 'decal'],
      matt,
    ],
  ],
  [
    'a broad metal before a dip, its edges after',
    [
      ['all', 'leather brown primer, spray', 'spray'],
      ['coat', 'dark iron', 'base coat'],
      ['all', 'walnut dip', 'dip'],
      ['coat', 'bright steel', 'edge'],
      gloss,
    ],
  ],
  [
    'all metal after the dip',
    [['all', 'leather brown primer, spray', 'spray'], coat, ['all', 'walnut dip', 'dip'], steel, gloss],
  ],
  [
    'a dip mopped',
    [
      ['all', 'leather brown primer, spray', 'spray'],
      coat,
      ['all', 'walnut dip', 'dip'],
      ['all', '-', 'wipe'],
      gloss,
      matt,
    ],
  ],
  [
    'dark under, lighter layers, no wash',
    [
      black,
      ['coat', 'deep moss', 'base coat'],
      ['coat', 'moss green', 'layer'],
      ['coat', 'light moss', 'edge'],
      ['skin', 'deep flesh', 'base coat'],
      ['skin', 'warm flesh', 'layer'],
    ],
  ],
  [
    'a stain over everything, dry brushed pale',
    [
      ['all', 'pale bone primer, spray', 'spray'],
      ['all', 'hide ochre translucent', 'base coat'],
      ['all', 'pale bone', 'dry brush'],
      ['leather', 'peat brown', 'detail'],
      ['metal', 'dark iron', 'pen'],
      paste,
    ],
  ],
  [
    'sprayed tints from below and above',
    [
      ivory,
      ['all', 'moss translucent', 'airbrush', { spray: { ...fromAbove.spray, from: 'below' } }],
      ['all', 'hide ochre translucent', 'airbrush', fromAbove],
      ['skin', 'warm flesh', 'blend', { wetGroup: 'skin' }],
      ['skin', 'light flesh', 'blend', { wetGroup: 'skin' }],
    ],
  ],
  [
    'wet-in-wet neighbours, dark beside light',
    [
      ivory,
      ['coat', 'moss translucent', 'blend', { wetGroup: 'cloth' }],
      ['trousers', 'reed grey translucent', 'blend', { wetGroup: 'cloth' }],
    ],
  ],
  [
    'a rough blend, dry brush, oil overnight',
    [
      grey,
      ['coat', 'dark bone', 'blend', { wetGroup: 'body' }],
      ['coat', 'reed grey', 'blend', { wetGroup: 'body' }],
      ['all', 'pale bone', 'dry brush'],
      ['all', 'satin varnish, spray', 'spray'],
      ['all', 'umber oil', 'wash'],
      ['all', 'white spirit', 'wipe'],
      matt,
    ],
  ],
  [
    'eyes last of all',
    [grey, ...colours, ['skin', 'light flesh', 'edge'], ['skin', 'chalk white', 'detail']],
  ],
  ['hair after the helmet over it', [grey, steel, ['metal', 'soot wash', 'wash'], hair, skin]],
  [
    'a mask round what is sprayed, peeled before the seal',
    [
      grey,
      leather,
      ['leather', 'mask fluid', 'mask'],
      ['coat', 'moss green', 'airbrush'],
      ['leather', '-', 'peel'],
      matt,
    ],
  ],
  [
    'chips and bright edges after the matt',
    [
      black,
      coat,
      darkUnder,
      steel,
      matt,
      ['coat', 'bright steel', 'chip'],
      ['metal', 'bright steel', 'edge'],
    ],
  ],
  ['powder after the varnish', [grey, ...colours, matt, ['coat', 'dried mud powder', 'stipple']]],
  [
    'powder fixed with spirit, then varnish',
    [grey, coat, gloss, ['coat', 'dried mud powder', 'stipple'], ['coat', 'white spirit', 'wipe'], matt],
  ],
  ['gloss, then matt on what is handled', [grey, ...colours, gloss, matt]],
  [
    'tufts and water last',
    [
      grey,
      ...colours,
      paste,
      baseWash,
      matt,
      ['base', 'reed tuft', 'stick'],
      ['base', 'still water gel', 'spread'],
    ],
  ],
  ['red in two passes', [grey, ['coat', 'bright red', 'base coat'], ['coat', 'bright red', 'layer']]],
  [
    'yellow over ivory, red over brown, each in one coat',
    [
      ivory,
      ['coat', 'lantern yellow', 'base coat'],
      ['trousers', 'saddle brown', 'base coat'],
      ['trousers', 'bright red', 'base coat'],
    ],
  ],
  [
    'yellow over a pale ground like it',
    [grey, ['coat', 'lantern yellow', 'base coat', { coats: 2 }], ['coat', 'lantern yellow', 'layer']],
  ],
  [
    'translucent thinned with its medium',
    [black, ivoryFromAbove, ['coat', 'moss translucent', 'base coat', { coats: 2 }]],
  ],
  [
    'ink brushed, glossed, then a translucent',
    [black, ivoryFromAbove, ['coat', 'red ink', 'base coat'], gloss, ['coat', 'rust translucent', 'glaze']],
  ],
]

describe('sound work', () => {
  it.each(sound.map((each) => [each[0], each] as const))(
    'raises nothing: %s',
    (_, [, steps, preferences = {}]) => {
      const recipe = footRecipe(steps)
      const painted = { ...recipe, preferences: { ...recipe.preferences, ...preferences } }
      const said = (order?: typeof painted.steps) =>
        findFaults(painted, testShelf, { order: order?.map((step) => step.id) })
          .filter(isFault)
          .map((finding) => `${finding.rule} ${finding.reason}`)
      expect(said()).toEqual([])
      expect(said(painted.steps)).toEqual([])
      const soft = findFaults(painted, testShelf, { order: painted.steps.map((step) => step.id) })
      expect(new Set(soft.map((finding) => finding.rule)).size).toBeLessThanOrEqual(2)
    },
  )
})
