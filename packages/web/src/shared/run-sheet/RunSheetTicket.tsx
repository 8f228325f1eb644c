import {
  workName,
  type Departure,
  type LinePlan,
  type RunSheet,
  type RunSheetEntry,
} from '@seriatim/core/plan'
import { batchName, saysPot, type Project } from '@seriatim/core/trade'
import { clsx } from 'clsx'
import { clockText, dayText, durationText } from '../format/index.ts'
import { groupEntries, type SheetRow } from './group-entries.ts'

interface RunSheetTicketProps {
  readonly sheet: RunSheet
  readonly project: Pick<Project, 'evenings'>
  /** Of the plan: where there are several, it says whose session it is. */
  readonly painters: LinePlan['painters']
}

/** One evening in words: what to do in which order, with clock times. */
export function RunSheetTicket({ sheet, project, painters }: RunSheetTicketProps) {
  const { timeZone } = project.evenings
  const painter = painters.length > 1 ? (painters[sheet.session.painter]?.name ?? null) : null
  const rows = groupEntries(sheet.entries)
  return (
    <article className="ticket p-4">
      <h2 className="text-lg">
        {dayText(sheet.session.startsAt, timeZone)}{' '}
        <span className="figures text-sm font-normal text-ink-soft">
          {clockText(sheet.session.startsAt, timeZone)}–{clockText(sheet.session.endsAt, timeZone)}
        </span>
        {painter === null ? null : <span className="text-base font-normal">, {painter}</span>}
      </h2>
      <ol className="mt-2">
        {rows.map((row) => (
          <li
            key={row.startsAt}
            className={clsx(
              'flex gap-3 border-t border-paper-edge py-1.5',
              row.kind === 'wait' && 'text-drying',
            )}
          >
            <time
              className="figures w-12 shrink-0 text-sm leading-6"
              dateTime={new Date(row.startsAt).toISOString()}
            >
              {clockText(row.startsAt, timeZone)}
            </time>
            {row.kind === 'wait' ? (
              <WaitLine row={row} timeZone={timeZone} several={painter !== null} />
            ) : (
              <WorkLine row={row} timeZone={timeZone} />
            )}
          </li>
        ))}
      </ol>
      {sheet.freeSeconds >= 300 ? (
        <p className="border-t border-paper-edge pt-1.5 text-sm text-ink-soft">{freeText(sheet)}</p>
      ) : null}
    </article>
  )
}

/** `Then 42 min: 25 min buffer, 17 min free.` */
function freeText({ freeSeconds, roomSeconds }: RunSheet): string {
  const free = freeSeconds - roomSeconds
  if (roomSeconds < 60) return `Then ${durationText(freeSeconds)} free.`
  if (free < 60) return `Then ${durationText(freeSeconds)} buffer.`
  return `Then ${durationText(free)} free, and ${durationText(roomSeconds)} buffer.`
}

function WorkLine({
  row,
  timeZone,
}: {
  readonly row: Extract<SheetRow, { kind: 'work' }>
  readonly timeZone: string
}) {
  const filled = row.fills[0]
  return (
    <p className="min-w-0 leading-snug">
      <b>{workName(row.stage.name, row)}</b>
      {row.stage.material === '' || row.touchUp === 'undercoat' ? null : (
        <span className="text-ink-soft"> {potText(row)}</span>
      )}
      <br />
      <span className="text-sm">
        {row.batches.map(({ batch, count }) => `${batchName(batch)} (${String(count)})`).join(', ')}, to{' '}
        <span className="figures">{clockText(row.endsAt, timeZone)}</span>
      </span>
      {row.departure ? (
        <span className="block text-sm text-ink-soft">{departureText(row.departure, timeZone)}</span>
      ) : null}
      {filled ? (
        <span className="block text-sm text-drying">
          while {batchName(filled.batch)} {filled.batch.unitName.endsWith('s') ? 'dry' : 'dries'} after{' '}
          {filled.stage.name.toLowerCase()}, to {clockText(filled.until, timeZone)}
        </span>
      ) : null}
    </p>
  )
}

/** `moss green, on the palette`; a pot that the stage's name says already is not said again. */
function potText({ stage, onPalette, opensPot }: Extract<SheetRow, { kind: 'work' }>): string {
  const pot = saysPot(stage) ? [] : [stage.material]
  const how = onPalette ? ['on the palette'] : opensPot ? [] : ['still open']
  return [...pot, ...how].join(', ')
}

/** `ahead of the base wash: wet after the grit to 21:13` */
function departureText({ ahead, wet, isPotOpen }: Departure, timeZone: string): string {
  const why = wet
    ? `: that is wet after ${wet.after.name.toLowerCase()} to ${clockText(wet.until, timeZone)}`
    : isPotOpen
      ? ': the pot is open'
      : ''
  return `ahead of ${ahead.name.toLowerCase()}${why}`
}

function WaitLine({
  row,
  timeZone,
  several,
}: {
  readonly several: boolean
  readonly row: Extract<RunSheetEntry, { kind: 'wait' }>
  readonly timeZone: string
}) {
  return (
    <p className="leading-snug">
      Wait {durationText((row.endsAt - row.startsAt) / 1000)}
      {row.for
        ? `: ${batchName(row.for.batch)} wet after ${row.for.stage.name.toLowerCase()} to ${clockText(row.for.until, timeZone)}`
        : several
          ? ' for another pair of hands'
          : ''}
    </p>
  )
}
