import type { Command } from '@seriatim/core/changes'
import type { Project } from '@seriatim/core/trade'
import { withCapital } from '@seriatim/core/units'
import { durationText } from '../format/index.ts'

/** What the fields of a command are called on the screen; one that is not named here is called by its own name. */
const fieldNames: Readonly<Record<string, string>> = {
  dueOn: 'date',
  evenings: 'evenings',
  batchSize: 'batch size',
  firstBatch: 'first batch',
  batchesInHand: 'batches in hand',
  first: 'which batch first',
  aims: 'what matters most',
  sprayPlaces: 'places to spray',
  rackPlaces: 'places on the rack',
  sprayHours: 'spray hours',
  skipShare: 'missed sessions',
  bores: 'how long the same is borne',
  fuss: 'how much paint changes are minded',
  handOver: 'hour of the date',
  held: 'what follows the stage order',
  perHolder: 'models on a holder',
  joinedAt: 'joined to',
  unitIds: 'units that follow it',
  bodyPlan: 'body plan',
  touch: 'what it touches',
  handsOnSecondsPerModel: 'minutes a model',
  setUpSeconds: 'set-up',
  dryingMinSeconds: 'drying, at least',
  dryingMaxSeconds: 'drying, at most',
  nextWithinSeconds: 'next stage within',
  notNeededBy: 'units that do not need it',
  tableReady: 'stop line',
  typed: 'typed minutes',
  on: 'regions',
  mix: 'mix',
  wetGroup: 'wet-in-wet group',
  dryingSeconds: 'drying',
  otherModes: 'other ways',
  substitutes: 'stand-ins',
  cannot: 'what is not asked of them',
  off: 'days off',
  dropped: 'missed sessions',
  extra: 'single sessions',
  rules: 'sessions',
}

/** What a command does, in a few words: `Reed-pikes, size`. */
export function commandText(command: Command, project: Project): string {
  if (command.kind === 'set' && command.thing === 'project') return withCapital(fieldName(command.field))
  const name = command.kind === 'put' ? nameOfValue(command.value) : nameOfThing(command, project)
  switch (command.kind) {
    case 'set':
      return `${name}, ${fieldName(command.field)}`
    case 'put':
      return `${name} put in`
    case 'take':
      return `${name} taken out`
    case 'move':
      return `${name} moved`
  }
}

/** What a field is said to be, as far as it goes into a few words. */
export function valueText(command: Command, value: unknown): string {
  if (command.kind !== 'set') return ''
  if (value === null || value === undefined) return 'none'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number')
    return command.field.includes('Seconds') ? durationText(value) : String(value)
  if (typeof value === 'string') return value === '' ? 'empty' : `“${value}”`
  if (Array.isArray(value))
    return value.every((each) => typeof each === 'string') && value.join(', ').length < 60
      ? value.join(', ') || 'none'
      : `a list of ${String(value.length)}`
  return 'as written there'
}

function fieldName(field: string): string {
  return fieldNames[field] ?? field
}

function nameOfThing(command: Extract<Command, { id: string }>, project: Project): string {
  const { thing, id } = command
  const inIt = (list: readonly { readonly id: string; readonly name: string }[]) =>
    list.find((each) => each.id === id)?.name
  switch (thing) {
    case 'unit':
      return inIt(project.units) ?? 'a unit'
    case 'model':
      return inIt(project.units.flatMap((unit) => unit.models)) ?? 'a model'
    case 'recipe':
      return inIt(project.recipes) ?? 'a recipe'
    case 'step': {
      const recipe = project.recipes.find((each) => each.id === command.in)
      return `A layer of ${recipe?.name ?? 'a recipe'}`
    }
    case 'stage':
      return inIt(project.line) ?? 'a stage'
    case 'painter':
      return inIt(project.planning.painters) ?? 'a painter'
    case 'pin':
      return 'A pin'
    case 'batch':
      return 'What is kept together'
    case 'holder':
      return 'Whose hands a batch is in'
  }
}

function nameOfValue(value: object): string {
  if ('name' in value && typeof value.name === 'string') return value.name
  if ('modelIds' in value) return 'What is kept together'
  if ('painterId' in value) return 'Whose hands a batch is in'
  return 'batchId' in value ? 'A pin' : 'A layer'
}
