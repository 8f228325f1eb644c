import {
  workName,
  type Departure,
  type LinePlan,
  type RunSheet,
  type RunSheetEntry,
} from '@seriatim/core/plan'
import { stageNameFor } from '@seriatim/core/ordering'
import { batchName, saysPot, type Batch, type Project, type Stage } from '@seriatim/core/trade'
import { clsx } from 'clsx'
import { clockText, dayText, durationText } from '../format/index.ts'
import { storeWord, useStoredWord } from '../stored-word.ts'
import { groupEntries, type SheetRow } from './group-entries.ts'

interface RunSheetTicketProps {
  readonly sheet: RunSheet
  readonly project: Pick<Project, 'evenings' | 'recipes'>
  /** Of the plan: where there are several, it says whose session it is. */
  readonly painters: LinePlan['painters']
  /** Says why everything stands where it does, as on paper, where nobody can ask. */
  readonly reasons?: boolean
}

/** Whether reasons are wanted, on this device. */
const reasonsKey = 'run-sheet.reasons'

/** One evening in words: what to do in which order, with clock times. */
export function RunSheetTicket({ sheet, project, painters, reasons = false }: RunSheetTicketProps) {
  const asked = useStoredWord(reasonsKey) === 'shown'
  const withReasons = reasons || asked
  const { timeZone } = project.evenings
  const nameOf: NameOf = (stage, batch) => stageNameFor(stage, project.recipes, [batch.unitId]).toLowerCase()
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
              className="figures min-w-12 shrink-0 whitespace-nowrap text-sm leading-6"
              dateTime={new Date(row.startsAt).toISOString()}
            >
              {clockText(row.startsAt, timeZone)}
            </time>
            {row.kind === 'wait' ? (
              <WaitLine row={row} timeZone={timeZone} nameOf={nameOf} several={painter !== null} />
            ) : (
              <WorkLine
                row={row}
                timeZone={timeZone}
                nameOf={nameOf}
                project={project}
                reasons={withReasons}
              />
            )}
          </li>
        ))}
      </ol>
      {sheet.freeSeconds >= 300 ? (
        <p className="border-t border-paper-edge pt-1.5 text-sm text-ink-soft">{freeText(sheet)}</p>
      ) : null}
      {reasons ? null : (
        <button
          type="button"
          aria-pressed={asked}
          className="min-h-9 text-sm font-bold underline underline-offset-4 print:hidden"
          onClick={() => storeWord(reasonsKey, asked ? 'left out' : 'shown')}
        >
          {asked ? 'Without the reasons' : 'Why in this order?'}
        </button>
      )}
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

/** A stage as it is read for a batch, within a sentence. */
type NameOf = (stage: Stage, batch: Batch) => string

function WorkLine({
  row,
  timeZone,
  nameOf,
  project,
  reasons,
}: {
  readonly reasons: boolean
  readonly nameOf: NameOf
  readonly project: Pick<Project, 'recipes'>
  readonly row: Extract<SheetRow, { kind: 'work' }>
  readonly timeZone: string
}) {
  const filled = reasons ? row.fills[0] : undefined
  const first = row.batches[0]?.batch
  return (
    <p className="min-w-0 leading-snug">
      <b>
        {workName(
          row.stage,
          row,
          project,
          row.batches.map(({ batch }) => batch.unitId),
        )}
      </b>
      {row.stage.material === '' || row.touchUp === 'undercoat' ? null : (
        <span className="text-ink-soft"> {potText(row)}</span>
      )}
      <br />
      <span className="text-sm">
        {row.batches.map(({ batch, count }) => `${batchName(batch)} (${String(count)})`).join(', ')}, to{' '}
        <span className="figures">{clockText(row.endsAt, timeZone)}</span>
      </span>
      {reasons && row.departure && first ? (
        <span className="block text-sm text-ink-soft">
          {departureText(row.departure, timeZone, (stage) => nameOf(stage, first))}
        </span>
      ) : null}
      {filled ? (
        <span className="block text-sm text-drying">
          while {batchName(filled.batch)} {filled.batch.unitName.endsWith('s') ? 'dry' : 'dries'} after{' '}
          {nameOf(filled.stage, filled.batch)}, to {clockText(filled.until, timeZone)}
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
function departureText(
  { ahead, wet, isPotOpen }: Departure,
  timeZone: string,
  nameOf: (stage: Stage) => string,
): string {
  const why = wet
    ? `: that is wet after ${nameOf(wet.after)} to ${clockText(wet.until, timeZone)}`
    : isPotOpen
      ? ': the pot is open'
      : ''
  return `ahead of ${nameOf(ahead)}${why}`
}

function WaitLine({
  row,
  timeZone,
  nameOf,
  several,
}: {
  readonly nameOf: NameOf
  readonly several: boolean
  readonly row: Extract<RunSheetEntry, { kind: 'wait' }>
  readonly timeZone: string
}) {
  return (
    <p className="leading-snug">
      Wait {durationText((row.endsAt - row.startsAt) / 1000)}
      {row.for
        ? `: ${batchName(row.for.batch)} wet after ${nameOf(row.for.stage, row.for.batch)} to ${clockText(row.for.until, timeZone)}`
        : several
          ? ' for another pair of hands'
          : ''}
    </p>
  )
}
