import type { SetUpCard } from '@seriatim/core/bench'
import { ChevronRight, ScanEye } from 'lucide-react'
import { durationText, plural } from '../../shared/format/index.ts'
import type { ToldLesson } from '../../shared/lessons.tsx'

interface LastLookProps {
  readonly card: SetUpCard
  /** Models of this batch without it. */
  readonly here: number
  /** What was missed with this pot in other projects. */
  readonly again: readonly Required<ToldLesson>[]
  /** Opening the pot once more. */
  readonly setUpSeconds: number
}

/** The last models of a batch: from here on the look before the pot is closed stands open. */
const soon = 2
const toldAgain = 3

/** Where this colour hides on these models, who is still without it, and what opening the pot again would cost. */
export function LastLook({ card, here, again, setUpSeconds }: LastLookProps) {
  const { hides, missedBefore, modelsLeft } = card
  if (hides.length + missedBefore.length + again.length === 0) return null
  const others = modelsLeft - here
  return (
    // Opened anew when the end of the batch comes near.
    <details
      key={String(here <= soon)}
      open={here <= soon}
      className="group mt-4 border-t border-paper-edge pt-1"
    >
      <summary className="flex min-h-12 items-center gap-2 font-bold">
        <ScanEye aria-hidden="true" size={18} className="shrink-0" />
        Before the pot is closed
        <span className="grow font-normal text-ink-soft">
          <span className="max-sm:sr-only">where this colour hides</span>
        </span>
        <ChevronRight aria-hidden="true" size={16} className="shrink-0 group-open:rotate-90" />
      </summary>
      <ul className="mt-2 grid gap-x-6 gap-y-1 sm:grid-cols-2">
        {hides.map(({ region, places }) => (
          <li key={region}>
            <b>{region}</b>: {places.join(', ')}
          </li>
        ))}
        {missedBefore.map((note) => (
          <li key={note} className="text-touch-up">
            Missed before: {note}
          </li>
        ))}
        {again.slice(0, toldAgain).map(({ project, text }) => (
          <li key={`${project} ${text}`} className="text-touch-up">
            Missed before: {text} <span className="text-sm text-ink-soft">{project}</span>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-sm text-ink-soft">
        {others > 0
          ? `${plural(others, 'model')} beside these still ${others === 1 ? 'needs' : 'need'} this pot. `
          : 'Nobody else needs this pot. '}
        {setUpSeconds > 0 ? `Opening it once more takes ${durationText(setUpSeconds)}.` : ''}
      </p>
    </details>
  )
}
