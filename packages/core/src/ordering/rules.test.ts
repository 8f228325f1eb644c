import { describe, expect, it } from 'vitest'
import { ruleIds, type RuleId } from '../trade/rule-id.ts'
import { footRecipe, materialNamed, testShelf, type StepRow } from '../testing/recipes.ts'
import type { StepId } from '../units/ids.ts'
import { minutes } from '../units/seconds.ts'
import { findFaults, isLess, mendedRecipe, weigh } from './find-faults.ts'

interface Mistake {
  readonly rule: RuleId
  readonly what: string
  readonly steps: readonly StepRow[]
  /** The order on the line, by index; without one the stacks alone are judged. */
  readonly order?: readonly number[]
  readonly sound: readonly StepRow[]
  readonly soundOrder?: readonly number[]
}

const black: StepRow = ['all', 'black primer, spray', 'spray']
const grey: StepRow = ['all', 'grey primer, spray', 'spray']
const ivory: StepRow = ['all', 'ivory primer, spray', 'spray from above']
const gloss: StepRow = ['all', 'gloss varnish, spray', 'spray']
const matt: StepRow = ['all', 'matt varnish, spray', 'spray']
const ivoryAll: StepRow = ['all', 'ivory primer, spray', 'spray']
const paste: StepRow = ['base', 'river mud paste', 'spread']
const baseWash: StepRow = ['base', 'silt brown wash', 'wash']
const everyColour: StepRow = [
  'skin+hair+coat+trousers+leather+straps+pouches+wood+metal',
  'moss green',
  'base coat',
]
const powders = [
  { materialId: materialNamed('dried mud powder'), parts: 2 },
  { materialId: materialNamed('brick dust powder'), parts: 1 },
]
const thinned = {
  mix: [
    { materialId: materialNamed('dark sepia wash'), parts: 3 },
    { materialId: materialNamed('translucent medium'), parts: 10 },
  ],
}
const coat: StepRow = ['coat', 'moss green', 'base coat']
const bright: readonly StepRow[] = [black, ivory]
const overnight: NonNullable<StepRow[3]> = { dryingSeconds: { min: minutes(480), max: minutes(720) } }
const hasty: NonNullable<StepRow[3]> = { dryingSeconds: { min: minutes(10), max: minutes(20) } }

/** Typical mistakes of the trade (common practice), each with a sound neighbour. */
const mistakes: readonly Mistake[] = [
  {
    rule: 'R01',
    what: 'the highlight before its base coat',
    steps: [grey, coat, ['coat', 'light moss', 'edge']],
    order: [0, 2, 1],
    sound: [grey, coat, ['coat', 'light moss', 'edge']],
    soundOrder: [0, 1, 2],
  },
  {
    rule: 'R01',
    what: 'the wash before the colour it shades',
    steps: [grey, ['leather', 'peat brown', 'base coat'], ['leather', 'dark sepia wash', 'wash']],
    order: [0, 2, 1],
    sound: [grey, ['leather', 'peat brown', 'base coat'], ['leather', 'dark sepia wash', 'wash']],
    soundOrder: [0, 1, 2],
  },
  {
    rule: 'R01',
    what: 'bright steel before the dark under it',
    steps: [grey, ['metal', 'soot black', 'base coat'], ['metal', 'bright steel', 'base coat']],
    order: [0, 2, 1],
    sound: [grey, ['metal', 'soot black', 'base coat'], ['metal', 'bright steel', 'base coat']],
    soundOrder: [0, 1, 2],
  },
  {
    rule: 'R02',
    what: 'dark translucent before its light neighbour',
    steps: [
      ...bright,
      ['coat', 'moss translucent', 'base coat'],
      ['trousers', 'reed grey translucent', 'base coat'],
    ],
    order: [0, 1, 2, 3],
    sound: [
      ...bright,
      ['trousers', 'reed grey translucent', 'base coat'],
      ['coat', 'moss translucent', 'base coat'],
    ],
    soundOrder: [0, 1, 2, 3],
  },
  {
    rule: 'R03',
    what: 'translucent over black',
    steps: [black, ['coat', 'moss translucent', 'base coat']],
    sound: [...bright, ['coat', 'moss translucent', 'base coat']],
  },
  {
    rule: 'R03',
    what: 'translucent over a dark base coat',
    steps: [...bright, ['coat', 'deep moss', 'base coat'], ['coat', 'moss translucent', 'base coat']],
    sound: [...bright, ['coat', 'pale bone', 'base coat'], ['coat', 'moss translucent', 'base coat']],
  },
  {
    rule: 'R03',
    what: 'translucent over a leather brown primer',
    steps: [
      ['all', 'leather brown primer, spray', 'spray'],
      ['skin', 'warm flesh translucent', 'base coat'],
    ],
    sound: [
      ['all', 'pale bone primer, spray', 'spray'],
      ['skin', 'warm flesh translucent', 'base coat'],
    ],
  },
  {
    rule: 'R04',
    what: 'an opaque coat over the whole model after the coat was painted',
    steps: [grey, ['leather', 'peat brown', 'detail'], ['all', 'moss green', 'base coat']],
    sound: [grey, ['all', 'moss green', 'base coat'], ['leather', 'peat brown', 'detail']],
  },
  {
    rule: 'R04',
    what: 'an airbrushed opaque all over after the skin',
    steps: [grey, ['skin', 'warm flesh', 'base coat'], ['all', 'moss green', 'airbrush']],
    sound: [grey, ['all', 'moss green', 'airbrush'], ['skin', 'warm flesh', 'base coat']],
  },
  {
    rule: 'R04',
    what: 'highlights before the dip',
    steps: [grey, coat, ['coat', 'light moss', 'edge'], ['all', 'walnut dip', 'dip']],
    sound: [grey, coat, ['all', 'walnut dip', 'dip'], ['coat', 'light moss', 'edge']],
  },
  {
    rule: 'R04b',
    what: 'a dry brush over everything before the colours',
    steps: [grey, ['all', 'pale bone', 'dry brush'], everyColour],
    sound: [grey, everyColour, ['all', 'pale bone', 'dry brush']],
  },
  {
    rule: 'R04b',
    what: 'a wash over everything after the steel',
    steps: [black, ['metal', 'bright steel', 'base coat'], ['all', 'soot wash', 'wash']],
    sound: [black, ['all', 'soot wash', 'wash'], ['metal', 'bright steel', 'base coat']],
  },
  {
    rule: 'R04b',
    what: 'a dry brush over everything after the edges',
    steps: [grey, coat, ['coat', 'light moss', 'edge'], ['all', 'pale bone', 'dry brush']],
    sound: [grey, coat, ['all', 'pale bone', 'dry brush'], ['coat', 'light moss', 'edge']],
  },
  {
    rule: 'R05',
    what: 'steel over ivory',
    steps: [...bright, ['metal', 'bright steel', 'base coat']],
    sound: [...bright, ['metal', 'soot black', 'base coat'], ['metal', 'bright steel', 'base coat']],
  },
  {
    rule: 'R05',
    what: 'brass over grey',
    steps: [grey, ['metal', 'old brass', 'base coat']],
    sound: [grey, ['metal', 'old brass', 'base coat', { coats: 2 }]],
  },
  {
    rule: 'R06',
    what: 'no primer at all',
    steps: [coat],
    sound: [grey, coat],
  },
  {
    rule: 'R06',
    what: 'primer over the first colour',
    steps: [coat, grey],
    sound: [grey, coat],
  },
  {
    rule: 'R06',
    what: 'mould lines cut after priming',
    steps: [grey, ['all', '-', 'prepare'], coat],
    sound: [['all', '-', 'prepare'], grey, coat],
  },
  {
    rule: 'R06',
    what: 'one region left without primer',
    steps: [
      ['coat+trousers+skin', 'grey primer, spray', 'airbrush'],
      ['leather', 'peat brown', 'base coat'],
    ],
    sound: [
      ['coat+trousers+skin+leather', 'grey primer, spray', 'airbrush'],
      ['leather', 'peat brown', 'base coat'],
    ],
  },
  {
    rule: 'R07',
    what: 'decal on bare paint',
    steps: [grey, coat, ['coat', 'delta heron decal', 'decal'], gloss],
    sound: [grey, coat, gloss, ['coat', 'delta heron decal', 'decal'], gloss],
  },
  {
    rule: 'R07',
    what: 'decal on matt varnish',
    steps: [grey, coat, matt, ['coat', 'delta heron decal', 'decal'], gloss],
    sound: [grey, coat, gloss, ['coat', 'delta heron decal', 'decal'], matt],
  },
  {
    rule: 'R07',
    what: 'oil over a decal that is not sealed',
    steps: [grey, coat, gloss, ['coat', 'delta heron decal', 'decal'], ['coat', 'umber oil', 'pin wash']],
    sound: [
      grey,
      coat,
      gloss,
      ['coat', 'delta heron decal', 'decal'],
      gloss,
      ['coat', 'umber oil', 'pin wash'],
    ],
  },
  {
    rule: 'R07',
    what: 'mud powder over a decal that is not sealed',
    steps: [
      grey,
      coat,
      gloss,
      ['coat', 'delta heron decal', 'decal'],
      ['coat', 'dried mud powder', 'stipple'],
    ],
    sound: [
      grey,
      coat,
      gloss,
      ['coat', 'delta heron decal', 'decal'],
      matt,
      ['coat', 'dried mud powder', 'stipple'],
    ],
  },
  {
    rule: 'R08',
    what: 'oil wash straight on acrylic',
    steps: [grey, coat, ['coat', 'umber oil', 'pin wash']],
    sound: [grey, coat, gloss, ['coat', 'umber oil', 'pin wash']],
  },
  {
    rule: 'R08',
    what: 'white spirit on unsealed paint',
    steps: [grey, coat, ['coat', 'white spirit', 'wipe']],
    sound: [grey, coat, ['all', 'satin varnish, spray', 'spray'], ['coat', 'white spirit', 'wipe']],
  },
  {
    rule: 'R08',
    what: 'new paint over the gloss, then oil',
    steps: [grey, coat, gloss, ['coat', 'light moss', 'edge'], ['coat', 'umber oil', 'pin wash']],
    sound: [grey, coat, ['coat', 'light moss', 'edge'], gloss, ['coat', 'umber oil', 'pin wash']],
  },
  {
    rule: 'R09',
    what: 'matt over oil the same evening',
    steps: [grey, coat, gloss, ['coat', 'umber oil', 'pin wash', hasty], matt],
    sound: [grey, coat, gloss, ['coat', 'umber oil', 'pin wash', overnight], matt],
  },
  {
    rule: 'R09',
    what: 'gloss over a dip after a quarter of an hour',
    steps: [grey, coat, ['all', 'walnut dip', 'dip', hasty], gloss],
    sound: [grey, coat, ['all', 'walnut dip', 'dip'], gloss],
  },
  {
    rule: 'R10',
    what: 'wet eyes under the matt varnish',
    steps: [grey, ['skin', 'warm flesh', 'base coat'], ['skin', 'wet gloss gel', 'detail'], matt],
    sound: [grey, ['skin', 'warm flesh', 'base coat'], matt, ['skin', 'wet gloss gel', 'detail']],
  },
  {
    rule: 'R11',
    what: 'chips of bright metal under the matt varnish',
    steps: [black, ['metal', 'dark iron', 'base coat'], ['metal', 'bright steel', 'chip'], matt],
    sound: [black, ['metal', 'dark iron', 'base coat'], matt, ['metal', 'bright steel', 'chip']],
  },
  {
    rule: 'R11',
    what: 'the last bright edge under the matt varnish',
    steps: [black, ['metal', 'dark iron', 'base coat'], ['metal', 'bright steel', 'edge'], matt],
    sound: [black, ['metal', 'dark iron', 'base coat'], matt, ['metal', 'bright steel', 'edge']],
  },
  {
    rule: 'R12',
    what: 'loose powder, then sprayed varnish',
    steps: [grey, coat, ['coat', 'dried mud powder', 'stipple'], matt],
    sound: [grey, coat, matt, ['coat', 'dried mud powder', 'stipple']],
  },
  {
    rule: 'R13',
    what: 'tufts under the varnish',
    steps: [grey, ['base', 'silt brown wash', 'wash'], ['base', 'reed tuft', 'stick'], matt],
    sound: [grey, ['base', 'silt brown wash', 'wash'], matt, ['base', 'reed tuft', 'stick']],
  },
  {
    rule: 'R14',
    what: 'a brushed wash over a translucent that lifts',
    steps: [...bright, ['coat', 'lifting teal translucent', 'base coat'], ['coat', 'soot wash', 'wash']],
    sound: [
      ...bright,
      ['coat', 'lifting teal translucent', 'base coat'],
      ['all', 'satin varnish, spray', 'spray'],
      ['coat', 'soot wash', 'wash'],
    ],
  },
  {
    rule: 'R14',
    what: 'brush varnish over a translucent that lifts',
    steps: [
      ...bright,
      ['coat', 'lifting teal translucent', 'base coat'],
      ['coat', 'brush-on gloss', 'varnish'],
    ],
    sound: [...bright, ['coat', 'lifting teal translucent', 'base coat'], gloss],
  },
  {
    rule: 'R15',
    what: 'a brushed translucent over ink',
    steps: [...bright, ['coat', 'red ink', 'base coat'], ['coat', 'rust translucent', 'glaze']],
    sound: [...bright, ['coat', 'red ink', 'base coat'], gloss, ['coat', 'rust translucent', 'glaze']],
  },
  {
    rule: 'R16',
    what: 'a wash that the next coat hides',
    steps: [grey, coat, ['coat', 'soot wash', 'wash'], ['coat', 'deep moss', 'base coat']],
    sound: [grey, coat, ['coat', 'soot wash', 'wash'], ['coat', 'light moss', 'layer']],
  },
  {
    rule: 'R16',
    what: 'a highlight that the next coat hides',
    steps: [grey, ['skin', 'light flesh', 'edge'], ['skin', 'warm flesh', 'base coat']],
    sound: [grey, ['skin', 'warm flesh', 'base coat'], ['skin', 'light flesh', 'edge']],
  },
  {
    rule: 'R17',
    what: 'buckles before the dip',
    steps: [black, coat, ['metal', 'bright steel', 'base coat'], ['all', 'walnut dip', 'dip']],
    sound: [black, coat, ['all', 'walnut dip', 'dip'], ['metal', 'bright steel', 'base coat']],
  },
  {
    rule: 'R17',
    what: 'fine details before an all-over wash',
    steps: [
      grey,
      ['skin', 'warm flesh', 'base coat'],
      ['skin', 'chalk white', 'detail'],
      ['all', 'soot wash', 'wash'],
    ],
    sound: [
      grey,
      ['skin', 'warm flesh', 'base coat'],
      ['all', 'soot wash', 'wash'],
      ['skin', 'chalk white', 'detail'],
    ],
  },
  {
    rule: 'R18',
    what: 'the same wash written down twice',
    steps: [
      grey,
      ['leather', 'peat brown', 'base coat'],
      ['leather', 'dark sepia wash', 'wash'],
      ['wood', 'saddle brown', 'base coat'],
      ['wood', 'dark sepia wash', 'wash'],
    ],
    sound: [
      grey,
      ['leather', 'peat brown', 'base coat'],
      ['wood', 'saddle brown', 'base coat'],
      ['leather+wood', 'dark sepia wash', 'wash'],
    ],
  },
  {
    rule: 'R19',
    what: 'bright red in one coat',
    steps: [grey, ['coat', 'bright red', 'base coat']],
    sound: [grey, ['coat', 'bright red', 'base coat', { coats: 2 }]],
  },
  {
    rule: 'R19',
    what: 'yellow in one coat',
    steps: [grey, ['trousers', 'lantern yellow', 'base coat']],
    sound: [grey, ['trousers', 'dark bone', 'base coat']],
  },
  {
    rule: 'R20',
    what: 'three brushed translucent layers',
    steps: [...bright, ['coat', 'moss translucent', 'base coat', { coats: 3 }]],
    sound: [...bright, ['coat', 'moss translucent', 'base coat', { coats: 2 }]],
  },
  {
    rule: 'R21',
    what: 'spraying the coat beside finished leather',
    steps: [grey, ['coat', 'moss green', 'airbrush'], ['leather', 'peat brown', 'base coat']],
    order: [0, 2, 1],
    sound: [grey, ['coat', 'moss green', 'airbrush'], ['leather', 'peat brown', 'base coat']],
    soundOrder: [0, 1, 2],
  },
  {
    rule: 'R21',
    what: 'peeling the mask after the varnish',
    steps: [
      grey,
      ['leather', 'mask fluid', 'mask'],
      ['coat', 'moss green', 'airbrush'],
      matt,
      ['leather', '-', 'peel'],
    ],
    sound: [
      grey,
      ['leather', 'mask fluid', 'mask'],
      ['coat', 'moss green', 'airbrush'],
      ['leather', '-', 'peel'],
      matt,
    ],
  },
  {
    rule: 'R22',
    what: 'gloss over matt on a handled piece',
    steps: [grey, coat, matt, gloss],
    sound: [grey, coat, gloss, matt],
  },
  {
    rule: 'R23',
    what: 'eyes behind drips that are finished',
    steps: [grey, ['skin', 'chalk white', 'detail'], ['hair', 'wet gloss gel', 'detail']],
    order: [0, 2, 1],
    sound: [grey, ['skin', 'chalk white', 'detail'], ['hair', 'wet gloss gel', 'detail']],
    soundOrder: [0, 1, 2],
  },
  {
    rule: 'R23',
    what: 'eyes behind a drip that hangs from the hair',
    steps: [grey, ['eyes', 'chalk white', 'detail', { coats: 2 }], ['hair', 'brush-on gloss', 'detail']],
    order: [0, 2, 1],
    sound: [grey, ['eyes', 'chalk white', 'detail', { coats: 2 }], ['hair', 'brush-on gloss', 'detail']],
    soundOrder: [0, 1, 2],
  },
  {
    rule: 'R26',
    what: 'deep black before the skin beside it',
    steps: [grey, ['skin', 'warm flesh', 'base coat'], ['hair', 'soot black', 'base coat']],
    order: [0, 2, 1],
    sound: [grey, ['skin', 'warm flesh', 'base coat'], ['hair', 'soot black', 'base coat']],
    soundOrder: [0, 1, 2],
  },
  {
    rule: 'R26',
    what: 'strong dark leather before the thin yellow coat beside it',
    steps: [
      grey,
      ['coat', 'lantern yellow', 'base coat', { coats: 2 }],
      ['leather', 'dark peat', 'base coat'],
    ],
    order: [0, 2, 1],
    sound: [
      grey,
      ['coat', 'lantern yellow', 'base coat', { coats: 2 }],
      ['leather', 'dark peat', 'base coat'],
    ],
    soundOrder: [0, 1, 2],
  },
  {
    rule: 'R04',
    what: 'a tint sprayed over everything when the base is finished',
    steps: [ivoryAll, paste, baseWash, ['all', 'moss translucent', 'airbrush']],
    sound: [ivoryAll, paste, baseWash, ['all', 'moss translucent', 'airbrush', { except: ['base'] }]],
  },
  {
    rule: 'R04',
    what: 'a wash over everything when the base is finished',
    steps: [grey, everyColour, paste, baseWash, ['all', 'soot wash', 'wash']],
    sound: [grey, everyColour, ['all', 'soot wash', 'wash'], paste, baseWash],
  },
  {
    rule: 'R04',
    what: 'a tint sprayed over a face that is finished',
    steps: [
      ivoryAll,
      ['skin', 'warm flesh', 'base coat'],
      ['skin', 'light flesh', 'edge'],
      ['all', 'moss translucent', 'airbrush'],
    ],
    sound: [
      ivoryAll,
      ['skin', 'warm flesh', 'base coat'],
      ['skin', 'light flesh', 'edge'],
      ['skin', 'mask fluid', 'mask'],
      ['all', 'moss translucent', 'airbrush'],
      ['skin', '-', 'peel'],
    ],
  },
  {
    rule: 'R21',
    what: 'a mask left on under the varnish',
    steps: [grey, ['leather', 'mask fluid', 'mask'], ['coat', 'moss green', 'airbrush'], matt],
    sound: [
      grey,
      ['leather', 'mask fluid', 'mask'],
      ['coat', 'moss green', 'airbrush'],
      ['leather', '-', 'peel'],
      matt,
    ],
  },
  {
    rule: 'R21',
    what: 'a mask that is never peeled',
    steps: [grey, ['leather', 'mask fluid', 'mask'], ['coat', 'moss green', 'airbrush']],
    sound: [
      grey,
      ['leather', 'mask fluid', 'mask'],
      ['coat', 'moss green', 'airbrush'],
      ['leather', '-', 'peel'],
    ],
  },
  {
    rule: 'R10',
    what: 'gloss on the eyes under the matt varnish',
    steps: [grey, ['skin', 'warm flesh', 'base coat'], ['hair', 'brush-on gloss', 'varnish'], matt],
    sound: [grey, ['skin', 'warm flesh', 'base coat'], matt, ['hair', 'brush-on gloss', 'varnish']],
  },
  {
    rule: 'R11',
    what: 'metal dry brushed bright, then matt',
    steps: [black, ['metal', 'dark iron', 'base coat'], ['metal', 'bright steel', 'dry brush'], matt],
    sound: [
      black,
      ['metal', 'dark iron', 'base coat'],
      ['metal', 'bright steel', 'dry brush'],
      ['all', 'matt varnish, spray', 'spray', { except: ['metal'] }],
    ],
  },
  {
    rule: 'R11',
    what: 'a bright layer of metal, then matt',
    steps: [black, ['metal', 'dark iron', 'base coat'], ['metal', 'bright steel', 'layer'], matt],
    sound: [black, ['metal', 'dark iron', 'base coat'], matt, ['metal', 'bright steel', 'layer']],
  },
  {
    rule: 'R12',
    what: 'two powders stirred together, then sprayed varnish',
    steps: [grey, coat, ['coat', 'dried mud powder', 'stipple', { mix: powders }], matt],
    sound: [
      grey,
      coat,
      ['coat', 'dried mud powder', 'stipple', { mix: powders }],
      ['coat', 'white spirit', 'wipe'],
      matt,
    ],
  },
  {
    rule: 'R09',
    what: 'matt an hour after the oil, with an edge in between',
    steps: [
      grey,
      coat,
      gloss,
      ['coat', 'umber oil', 'pin wash', hasty],
      ['coat', 'light moss', 'edge'],
      matt,
    ],
    sound: [
      grey,
      coat,
      gloss,
      ['coat', 'umber oil', 'pin wash', overnight],
      ['coat', 'light moss', 'edge'],
      matt,
    ],
  },
  {
    rule: 'R16',
    what: 'a shade on the base that paste covers',
    steps: [grey, ['base', 'silt brown wash', 'wash'], paste],
    sound: [grey, paste, ['base', 'silt brown wash', 'wash']],
  },
  {
    rule: 'R19',
    what: 'one coat of blue over gold',
    steps: [black, ['metal', 'old brass', 'base coat'], ['metal', 'river blue', 'base coat']],
    sound: [black, ['coat', 'river blue', 'base coat']],
  },
  {
    rule: 'R15',
    what: 'a brushed translucent over unsealed white ink',
    steps: [black, ['all', 'white ink', 'airbrush'], ['coat', 'moss translucent', 'base coat']],
    sound: [black, ['all', 'white ink', 'airbrush'], gloss, ['coat', 'moss translucent', 'base coat']],
  },
  {
    rule: 'R19',
    what: 'white over a dark ground in one coat',
    steps: [black, ['coat', 'chalk white', 'base coat']],
    sound: [ivoryAll, ['coat', 'chalk white', 'base coat']],
  },
  {
    rule: 'R20',
    what: 'a third translucent layer in a pass of its own',
    steps: [
      ...bright,
      ['coat', 'moss translucent', 'base coat'],
      ['coat', 'reed grey translucent', 'layer'],
      ['coat', 'peat brown translucent', 'glaze'],
    ],
    sound: [
      ...bright,
      ['coat', 'moss translucent', 'base coat'],
      ['coat', 'peat brown translucent', 'glaze'],
    ],
  },
  {
    rule: 'R03',
    what: 'skin translucent over a mid grey without light from above',
    steps: [grey, ['skin', 'warm flesh translucent', 'base coat']],
    sound: [grey, ['skin', 'pale bone', 'dry brush'], ['skin', 'warm flesh translucent', 'base coat']],
  },
  {
    rule: 'R18',
    what: 'the same thinned wash written down twice',
    steps: [
      grey,
      ['leather', 'peat brown', 'base coat'],
      ['leather', 'dark sepia wash', 'wash', thinned],
      ['wood', 'saddle brown', 'base coat'],
      ['wood', 'dark sepia wash', 'wash', thinned],
    ],
    sound: [
      grey,
      ['leather', 'peat brown', 'base coat'],
      ['leather', 'dark sepia wash', 'wash', thinned],
      ['wood', 'saddle brown', 'base coat'],
      ['wood', 'dark sepia wash', 'wash'],
    ],
  },
  {
    rule: 'R24',
    what: 'grit on a base without glue',
    steps: [grey, ['base', 'river grit', 'sprinkle']],
    sound: [grey, ['base', 'white glue', 'spread'], ['base', 'river grit', 'sprinkle']],
  },
  {
    rule: 'R24',
    what: 'a wash on grit that has not set',
    steps: [
      grey,
      ['base', 'white glue', 'spread'],
      ['base', 'marsh flock', 'sprinkle', hasty],
      ['base', 'silt brown wash', 'wash'],
    ],
    sound: [
      grey,
      ['base', 'white glue', 'spread'],
      ['base', 'marsh flock', 'sprinkle'],
      ['base', 'silt brown wash', 'wash'],
    ],
  },
  {
    rule: 'R25',
    what: 'a wash between wet-in-wet partners',
    steps: [
      grey,
      ['skin', 'warm flesh', 'blend', { wetGroup: 'face' }],
      ['skin', 'flesh wash', 'wash'],
      ['skin', 'light flesh', 'blend', { wetGroup: 'face' }],
    ],
    sound: [
      grey,
      ['skin', 'warm flesh', 'blend', { wetGroup: 'face' }],
      ['skin', 'light flesh', 'blend', { wetGroup: 'face' }],
      ['skin', 'flesh wash', 'wash'],
    ],
  },
  {
    rule: 'R27',
    what: 'another stage while the glue dries bare',
    steps: [grey, ['base', 'white glue', 'spread'], ['base', 'river grit', 'sprinkle'], coat],
    order: [0, 1, 3, 2],
    sound: [grey, ['base', 'white glue', 'spread'], ['base', 'river grit', 'sprinkle'], coat],
    soundOrder: [0, 1, 2, 3],
  },
  {
    rule: 'R28',
    what: 'the rim before the rest of the base',
    steps: [grey, paste, ['base', 'dark peat', 'detail', { note: 'The rim.' }], baseWash],
    sound: [grey, paste, baseWash, ['base', 'dark peat', 'detail', { note: 'The rim.' }]],
  },
  {
    rule: 'R25',
    what: 'another stage between wet-in-wet partners',
    steps: [
      grey,
      ['coat', 'moss green', 'blend', { wetGroup: 'coat' }],
      ['coat', 'light moss', 'blend', { wetGroup: 'coat' }],
      ['wood', 'saddle brown', 'base coat'],
    ],
    order: [0, 1, 3, 2],
    sound: [
      grey,
      ['coat', 'moss green', 'blend', { wetGroup: 'coat' }],
      ['coat', 'light moss', 'blend', { wetGroup: 'coat' }],
      ['wood', 'saddle brown', 'base coat'],
    ],
    soundOrder: [0, 1, 2, 3],
  },
]

function faults(steps: readonly StepRow[], order?: readonly number[]) {
  const recipe = footRecipe(steps)
  return findFaults(recipe, testShelf, { order: order?.map((index) => `step ${String(index)}` as StepId) })
}

describe('the rules', () => {
  it.each(mistakes.map((each) => [each.rule, each.what, each] as const))(
    '%s catches: %s',
    (rule, _, each) => {
      expect(faults(each.steps, each.order)[0]?.rule).toBe(rule)
      expect(faults(each.sound, each.soundOrder).map((finding) => finding.rule)).not.toContain(rule)
    },
  )

  it('are all there', () => {
    expect([...new Set(mistakes.map((each) => each.rule))].sort()).toEqual([...ruleIds].sort())
  })

  it('say what is at stake, in whole seconds, and why', () => {
    for (const { steps, order } of mistakes) {
      const [finding] = faults(steps, order)
      expect(Number.isInteger(finding?.secondsAtStake)).toBe(true)
      expect(finding?.reason).toMatch(/^[A-Z].*\.$/)
      expect(finding?.reason).not.toMatch(/undefined|NaN/)
    }
  })

  it('offer a mend that takes the finding away and leaves nothing graver', () => {
    for (const { rule, what, steps, order } of mistakes) {
      const recipe = footRecipe(steps)
      const ids = order?.map((index) => `step ${String(index)}` as StepId)
      const before = findFaults(recipe, testShelf, { order: ids })
      const [finding] = before
      expect(finding?.mend, `${rule} ${what}`).not.toBeNull()
      const mended = mendedRecipe(recipe, ids, finding!.mend!)
      const after = findFaults(mended.recipe, testShelf, { order: mended.order })
      const left = after.filter((each) => each.rule === rule && each.severity === finding!.severity)
      expect(left.length, `${rule} ${what}`).toBeLessThan(before.filter((each) => each.rule === rule).length)
      expect(isLess(weigh(after), weigh(before))).toBe(true)
    }
  })

  it('are silent where a recipe says so', () => {
    const recipe = footRecipe([black, ['coat', 'moss translucent', 'base coat']], {
      silenced: [{ rule: 'R03', note: 'meant to stay dark' }],
    })
    expect(findFaults(recipe, testShelf)).toEqual([])
  })

  it('are silent everywhere when their switch is off', () => {
    const dark = mistakes.find((each) => each.rule === 'R02')!
    const recipe = footRecipe(dark.steps)
    const order = dark.order!.map((index) => `step ${String(index)}` as StepId)
    const off = { ...recipe, preferences: { ...recipe.preferences, lightBeforeDark: false } }
    expect(findFaults(recipe, testShelf, { order }).map((finding) => finding.rule)).toEqual(['R02'])
    expect(findFaults(off, testShelf, { order })).toEqual([])
  })

  it('take a mix as its strongest paint, however much medium is in it', () => {
    const thin = (name: string) => [
      { materialId: materialNamed('translucent medium'), parts: 10 },
      { materialId: materialNamed('water'), parts: 5 },
      { materialId: materialNamed(name), parts: 3 },
    ]
    const steps: readonly StepRow[] = [black, ['coat', '-', 'base coat', { mix: thin('moss translucent') }]]
    expect(faults(steps).map((finding) => finding.rule)).toEqual(['R03'])
    const metal: readonly StepRow[] = [
      ivoryAll,
      ['metal', '-', 'base coat', { mix: thin('bright metal powder') }],
    ]
    expect(faults(metal).map((finding) => finding.rule)).toEqual(['R05'])
  })

  it('have nothing against an empty recipe', () => {
    expect(findFaults(footRecipe([]), testShelf)).toEqual([])
  })
})
