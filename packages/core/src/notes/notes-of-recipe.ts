import { mixOfText, textOfMix } from '../mixing/index.ts'
import { joinWords, type Shelf } from '../recipe/index.ts'
import { plainStep, type Mix, type Recipe, type Step } from '../trade/index.ts'

/**
 * A recipe as one writes it down, a line a step from the bottom up; `recipeOfNotes` reads it back as it is. Materials
 * that are not on the shelf are called `unknown`, and come back as a question.
 */
export function notesOfRecipe({ steps }: Pick<Recipe, 'steps'>, shelf: Shelf): string {
  return steps.map((step) => noteOfStep(step, shelf)).join('\n')
}

function noteOfStep(step: Step, shelf: Shelf): string {
  const note = step.note === '' ? '' : ` ${JSON.stringify(step.note)}`
  return `${paintText(step.mix, shelf)}: ${[step.technique, placeText(step), ...clauses(step, shelf)].join(', ')}${note}`
}

export const noPaint = 'no paint'

function paintText(mix: Mix, shelf: Shelf): string {
  if (mix.length === 0) return noPaint
  const plain = textOfMix(mix, shelf)
  const read = plain.includes(': ') ? null : mixOfText(plain, shelf)
  if (read?.ok && JSON.stringify(read.value) === JSON.stringify(mix)) return plain
  return mix
    .map(
      ({ materialId, parts }) =>
        `${String(parts)} ${JSON.stringify(shelf.get(materialId)?.name ?? 'unknown')}`,
    )
    .join(' + ')
}

function placeText({ on, except }: Step): string {
  if (on !== 'whole') return joinWords(on)
  return except.length === 0 ? 'all over' : `all over but ${joinWords(except)}`
}

const times = ['', '', 'twice', 'three times']

function clauses(step: Step, shelf: Shelf): readonly string[] {
  const { extent, coats, count, standard, roles, wetGroup, dryingSeconds, spray, otherModes } = step
  const name = (id: Step['substitutes'][number]) => JSON.stringify(shelf.get(id)?.name ?? 'unknown')
  return [
    extent === 'all of it' ? '' : extent === 'dabs' ? 'in dabs' : `${extent} of it`,
    step.matters ? 'it matters' : '',
    coats === 1 ? '' : (times[coats] ?? `${String(coats)} coats`),
    count === null ? '' : `${String(count)} by themselves`,
    standard === plainStep.standard ? '' : `for ${standard}`,
    ...roles.map((role) => `only ${JSON.stringify(role)}`),
    wetGroup === null ? '' : `wet in wet ${JSON.stringify(wetGroup)}`,
    dryingSeconds === null
      ? ''
      : `dries in ${minutesText(dryingSeconds.min)}-${minutesText(dryingSeconds.max)} min`,
    ...sprayClauses(spray),
    ...otherModes.map((mode) => `or by ${mode.technique} after ${minutesText(mode.setUpSeconds)} min`),
    ...step.substitutes.map((id) => `or in ${name(id)}`),
  ].filter((text) => text !== '')
}

function sprayClauses(spray: Step['spray']): readonly string[] {
  if (spray === null) return []
  const { from, bar, nozzleMm, thinning } = spray
  const said = (value: number | null, text: (value: string) => string) =>
    value === null ? '' : text(String(value))
  return [
    `from ${from}`,
    said(bar, (value) => `${value} bar`),
    said(nozzleMm, (value) => `nozzle ${value}`),
    said(thinning, (value) => `thinned ${value}`),
  ]
}

/** Minutes that come back as the same second. */
function minutesText(seconds: number): string {
  return String(Math.round((seconds / 60) * 1e6) / 1e6)
}
