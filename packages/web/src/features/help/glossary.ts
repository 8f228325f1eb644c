/** Words of the desk, as they are meant here: common practice, and our own where practice has none. */
export const glossary: readonly (readonly [term: string, meaning: string])[] = [
  ['Base coat', 'The first opaque colour of a region; what comes later shades and lights it.'],
  [
    'Batch',
    'Models of one unit that go through the stages together, so that a pot is opened once for all of them.',
  ],
  ['Departure', 'Where the plan takes stages in another order than they stand, because something dries.'],
  [
    'Simulations',
    'The plan carried out a thousand times with times, slips and sessions as they may fall: the odds.',
  ],
  [
    'Drying wait',
    'How long a coat is left alone before the next hand; the middle of what its maker says, in this air.',
  ],
  ['Edge highlight', 'A fine light line where light would catch an edge.'],
  [
    'Ground',
    'An opaque colour under a translucent one, so that it shines; without it a mended tint stays dark.',
  ],
  ['Follows the stage order', 'Told to keep to it, though another order would do.'],
  ['Hole', 'One model at one stage: open, in hand, drying, done, or waiting for a dab.'],
  ['At once', 'How many batches are begun and not yet through. Few at once means finished models early.'],
  ['Lap', 'What the clock showed between two models. Laps teach your pace; models ticked off do not.'],
  ['Stage order', 'All stages of a project in one readable order, made from its recipes.'],
  ['Milestone', 'So many models through so many stages in so long, for who does not clock each one.'],
  [
    'Pilot',
    'The model of a unit that goes first by itself: timed, judged, and the reference for the others.',
  ],
  ['Pot', 'One paint or mix. Every change of pot is a set-up: shaking, pouring, mixing, rinsing.'],
  ['Rim', 'The edge of a base, painted last, when hands have stopped touching it.'],
  ['Stage', 'One material put on every model that takes it.'],
  ['Standard', 'What the finish has to be: three-colour, tabletop, tabletop plus, display.'],
  ['Stop line', 'The stage after which a model may stand on the table; what follows is by choice.'],
  ['Strip', 'The holes of a model or a batch in the stage order.'],
  ['Sub-assembly', 'A part painted apart, because a hand or a spray cannot reach it once it is joined.'],
  ['Touch-up', 'A dab where a stage slipped or missed a part: small work with a pot of its own.'],
  ['Translucent', 'A paint that lets the ground through and runs into the recesses by itself.'],
  ['Wash', 'Thin dark paint that settles in recesses; pools are drawn off while it is wet.'],
]
