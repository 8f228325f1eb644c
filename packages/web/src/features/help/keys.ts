/** Keys of one place, as they are pressed and what they do. */
export interface KeysOfPlace {
  readonly place: string
  /** The end of the address of that place. */
  readonly path: string
  readonly keys: readonly (readonly [key: string, what: string])[]
}

export const everywhere: readonly (readonly [string, string])[] = [
  ['?', 'these keys'],
  ['Tab', 'to the next control; the first leads to the content'],
  ['Esc', 'closes what is open'],
]

const strips: readonly (readonly [string, string])[] = [
  ['← → ↑ ↓', 'from hole to hole, once a strip has the focus'],
  ['Shift + arrows', 'chooses a block'],
  ['Space', 'punches what is chosen, or opens it again'],
]

export const keysByPlace: readonly KeysOfPlace[] = [
  {
    place: 'Bench',
    path: 'bench',
    keys: [
      ['Space', 'starts the clock; then: this model is done, the next one'],
      ['Enter', 'all models of the batch are done'],
      ['Esc', 'stops the clock here'],
      ['N', 'not needed: the models that are left go without this stage'],
      ['T', 'a slip or a missed part'],
      ['U', 'another paint than the recipe says'],
      ['M', 'stamps a milestone'],
      ['Z', 'takes the last entry back'],
      ['Y', 'does it again'],
      ...strips,
    ],
  },
  {
    place: 'Progress',
    path: 'sheet',
    keys: [
      ['/', 'finds a model by typing'],
      ['Enter', 'opens the model'],
      ['Z', 'takes the last entry back'],
      ...strips,
      ['P', 'at an inspection: passed'],
      ['T', 'at an inspection: a touch-up'],
      ['L', 'at an inspection: left as it is'],
      ['R', 'at an inspection: done again'],
      ['← →', 'at an inspection: the model before, the next'],
    ],
  },
  {
    place: 'Plan',
    path: 'plan',
    keys: [
      ['← → ↑ ↓', 'walk the chart, once it has the focus'],
      ['↑ ↓', 'on a handle: moves what it belongs to'],
    ],
  },
  {
    place: 'Stages',
    path: 'line',
    keys: [
      ['Alt + ↑ ↓', 'moves a stage, once its name has the focus'],
      ['↑ ↓', 'on a handle: the same'],
    ],
  },
]
