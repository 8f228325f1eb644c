import type { CalendarNote } from '../calendar/index.ts'
import type { Instant, LocalDate, Seconds, UnitId } from '../units/index.ts'

/** Why there is no plan. */
export type PlanProblem =
  | { readonly kind: 'no-models' }
  | { readonly kind: 'no-stages' }
  | { readonly kind: 'all-done' }
  | { readonly kind: 'no-sessions' }
  | { readonly kind: 'nobody-may'; readonly stageName: string; readonly technique: string }
  | {
      readonly kind: 'stage-never-fits'
      readonly stageName: string
      readonly neededSeconds: Seconds
      readonly sessionSeconds: Seconds
    }
  | {
      readonly kind: 'no-session-in-spray-hours'
      readonly stageName: string
      readonly from: string
      readonly until: string
    }
  | {
      readonly kind: 'wait-never-kept'
      readonly stageName: string
      readonly nextName: string
      readonly leastSeconds: Seconds
      readonly withinSeconds: Seconds
    }
  | { readonly kind: 'batch-over-rack'; readonly models: number; readonly places: number }
  | { readonly kind: 'joined-in-a-circle'; readonly unitName: string }
  | { readonly kind: 'cannot-all-hold'; readonly what: 'pins' | 'following' | 'spray-hours' | 'rack' }
  | { readonly kind: 'too-far-away' }
  | { readonly kind: 'nothing-placed'; readonly note: NotPlanned }

/** What the plan went on in spite of, or could not keep. */
export type PlanNote =
  | CalendarNote
  | { readonly kind: 'date-is-past'; readonly dueOn: LocalDate }
  | { readonly kind: 'no-session-before-date'; readonly dueOn: LocalDate; readonly firstAt: Instant }
  | {
      readonly kind: 'pin-not-kept'
      readonly stageName: string
      readonly batch: string
      readonly startsAt: Instant
    }
  | NotPlanned

/** A stage that finds no place; what comes after it on these models is not planned either. */
export interface NotPlanned {
  readonly kind: 'not-planned'
  readonly stageName: string
  readonly batches: readonly string[]
  readonly unitIds: readonly UnitId[]
  readonly problem: PlanProblem
}

/** The units of which something finds no place in the plan. */
export function unplannedUnits({ notes }: { readonly notes: readonly PlanNote[] }): ReadonlySet<UnitId> {
  return new Set(notes.flatMap((note) => (note.kind === 'not-planned' ? note.unitIds : [])))
}

const minutesOf = (seconds: number) => Math.ceil(seconds / 60)

/** The problem in a sentence, with the way out. */
export function planProblemText(problem: PlanProblem): string {
  switch (problem.kind) {
    case 'no-models':
      return 'There are no models yet. Put a unit on the roster first.'
    case 'no-stages':
      return 'There are no stages yet. Write them, or start from a school.'
    case 'all-done':
      return 'Every model is through every stage. Nothing is left to plan.'
    case 'no-sessions':
      return 'Nobody has a session ahead. Give a painter evenings, or take a day off back.'
    case 'nobody-may':
      return `Nobody may do “${problem.stageName}”: every painter is set not to ${problem.technique}. Let one of them do it, or change the stage.`
    case 'stage-never-fits':
      return `“${problem.stageName}” needs ${String(minutesOf(problem.neededSeconds))} min for its set-up and one model, but the longest session it may take has ${String(Math.floor(problem.sessionSeconds / 60))} min. Make the evenings longer or split the stage.`
    case 'no-session-in-spray-hours':
      return `“${problem.stageName}” is sprayed, and no session lies in the spray hours ${problem.from}–${problem.until}. Widen them, or plan a session by day.`
    case 'wait-never-kept':
      return `“${problem.nextName}” has to begin within ${String(minutesOf(problem.withinSeconds))} min after “${problem.stageName}”, but drying and set-up take ${String(minutesOf(problem.leastSeconds))} min. Allow more time between them.`
    case 'batch-over-rack':
      return `A batch of ${String(problem.models)} models does not fit on the drying rack with ${String(problem.places)} places. Make the batches smaller or the rack larger.`
    case 'joined-in-a-circle':
      return `${problem.unitName} would have to be through before itself: what is joined to what goes in a circle. Undo one of the joins on the roster.`
    case 'cannot-all-hold':
      return conflictText[problem.what]
    case 'nothing-placed':
      return notPlannedText(problem.note)
    case 'too-far-away':
      return 'This would take more than 10,000 sessions or forty years. Check the minutes a model, the counts and the hours at the desk.'
  }
}

const conflictText = {
  pins: 'What is pinned cannot all be kept in its session. Take a pin back, or pin to a later session.',
  following:
    'No session is long enough to follow up in time what has to be followed up soon. Make the sessions longer or allow more time between the stages.',
  'spray-hours':
    'The sessions that lie in the spray hours are too few or too short. Widen the hours, or plan a session by day.',
  rack: 'The drying rack is too small for what has to dry. Make the rack larger or the batches smaller.',
} as const

export interface NoteWords {
  readonly day: (moment: Instant) => string
  readonly date: (date: LocalDate) => string
}

/** The note in a sentence. */
export function planNoteText(note: PlanNote, { day, date }: NoteWords): string {
  switch (note.kind) {
    case 'overlapping-sessions':
      return `Sessions of ${note.painter} overlap on ${day(note.at)}: they are taken as one. Move or drop one of them.`
    case 'clocks-change-in-session':
      return `The clocks change during ${note.painter}’s session on ${day(note.at)}: it keeps its full length, so it ends an hour earlier or later by the clock.`
    case 'date-is-past':
      return `The date, ${date(note.dueOn)}, is past. Give a new one for the odds to mean something.`
    case 'no-session-before-date':
      return `No session lies before the date, ${date(note.dueOn)}: the first is on ${day(note.firstAt)}. Add a session, or move the date.`
    case 'pin-not-kept':
      return `“${note.stageName}” for ${note.batch} cannot be kept in the session on ${day(note.startsAt)}. Pin it to a later one, or take the pin back.`
    case 'not-planned':
      return notPlannedText(note)
  }
}

function notPlannedText({ stageName, batches, problem }: NotPlanned): string {
  return `Not planned: “${stageName}” for ${batches.join(', ')}, and what comes after it. ${planProblemText(problem)}`
}
