import { useState } from 'react'
import { dayText, clockText, durationText, plural, stopwatchText } from '../../shared/format/index.ts'
import { useCurrentProject } from '../../shared/project/index.ts'
import { useRecorder } from '../../shared/progress/index.ts'
import { Button } from '../../shared/ui/index.ts'
import { CorrectDialog } from './CorrectDialog.tsx'
import { saveText } from '../../shared/csv/index.ts'
import { timesCsv } from './times-csv.ts'
import type { LoggedTime } from './logged-times.ts'

const shownAtFirst = 8

/** The oddest times first: what slept through or was interrupted is left out or mended with a reason. */
export function TimeList({ times }: { readonly times: readonly LoggedTime[] }) {
  const project = useCurrentProject()
  const recorder = useRecorder(project)
  const [order, setOrder] = useState<'oddest' | 'newest'>('oddest')
  const [all, setAll] = useState(false)
  const [open, setOpen] = useState<LoggedTime | null>(null)
  const sorted =
    order === 'newest' ? times : times.toSorted((a, b) => a.counts - b.counts || farOff(b) - farOff(a))
  const shown = all ? sorted : sorted.slice(0, shownAtFirst)
  if (times.length === 0) return null
  return (
    <section className="ticket mt-5 p-4" aria-labelledby="times">
      <div className="flex flex-wrap items-center gap-x-4">
        <h2 id="times" className="grow text-xl">
          {plural(times.length, 'time')}, the {order} first
        </h2>
        <Button weight="quiet" onClick={() => saveText('times.csv', timesCsv(times))}>
          Save as CSV
        </Button>
        <Button weight="quiet" onClick={() => setOrder(order === 'oddest' ? 'newest' : 'oddest')}>
          {order === 'oddest' ? 'Newest first' : 'Oddest first'}
        </Button>
      </div>
      <ul>
        {shown.map((time) => (
          <li
            key={time.eventId}
            className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 border-t border-paper-edge py-1 lg:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)_13rem_11rem_auto]"
          >
            <span className="min-w-0">
              <span className="block truncate font-bold">{stagesText(time)}</span>
              <span className="block truncate text-sm text-ink-soft">
                {time.where} · {dayText(time.at, project.evenings.timeZone)}{' '}
                {clockText(time.at, project.evenings.timeZone)}
              </span>
            </span>
            <span className="text-right text-sm lg:text-left">{plural(time.models, 'model')}</span>
            <span className="figures text-sm">
              <b>{stopwatchText(time.countedSeconds)}</b>{' '}
              <span className="text-ink-soft">preset {stopwatchText(time.expectedSeconds)}</span>
            </span>
            <span className="text-sm">{countText(time)}</span>
            <span className="col-span-full flex justify-end lg:col-span-1">
              {time.elsewhere ? (
                <span className="py-2 text-sm text-ink-soft">mend it in its project</span>
              ) : time.correction ? (
                <Button
                  weight="quiet"
                  className="px-2!"
                  onClick={() => time.correction && recorder.undo(time.correction.eventId)}
                >
                  Take it as it was
                </Button>
              ) : time.remembered === null ? (
                <Button weight="quiet" className="px-2!" onClick={() => setOpen(time)}>
                  Leave out or mend
                </Button>
              ) : (
                <Button weight="quiet" className="px-2!" onClick={() => recorder.undo(time.eventId)}>
                  Take it back
                </Button>
              )}
            </span>
          </li>
        ))}
      </ul>
      {times.length > shownAtFirst ? (
        <Button weight="quiet" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'Only the first' : `The other ${plural(times.length - shownAtFirst, 'time')}`}
        </Button>
      ) : null}
      {open ? (
        <CorrectDialog
          time={open}
          onClose={() => setOpen(null)}
          onCorrect={(seconds, note) => {
            recorder.correctLap(open.eventId, seconds, note)
            setOpen(null)
          }}
        />
      ) : null}
    </section>
  )
}

/** How far a time lies from the preset, either way. */
function farOff({ countedSeconds, expectedSeconds }: LoggedTime): number {
  return Math.abs(Math.log(Math.max(1, countedSeconds) / Math.max(1, expectedSeconds)))
}

function stagesText({ stages, kind, remembered }: LoggedTime): string {
  if (remembered !== null) return remembered
  if (stages.length === 1) return stages[0] ?? ''
  return `${kind === 'milestone' ? 'Milestone' : 'Span'}: ${plural(stages.length, 'stage')} up to ${stages.at(-1) ?? ''}`
}

function countText({
  remembered,
  kind,
  silent,
  counts,
  correction,
  clockSeconds,
  countedSeconds,
}: LoggedTime): string {
  if (silent === 'left out') return `left out: ${correction?.note ?? ''}`
  if (silent === 'no time') return 'no time on it'
  if (silent === 'no models') return 'no model done'
  if (silent === 'too short') return 'too short for a lap: ticked, not timed'
  if (silent === 'even taps') return 'even taps: ticked, not timed'
  if (remembered !== null) return 'counts as vaguely as it was told'
  const share = Math.round(counts * 100)
  const part = share >= 100 ? 'counts in full' : `odd: counts ${String(share)} %`
  const ranOn = clockSeconds - countedSeconds
  if (kind === 'lap' && !correction && ranOn > 0)
    return `without ${durationText(ranOn)} in which the clock ran on by itself`
  return correction ? `mended, ${part}: ${correction.note}` : part
}
