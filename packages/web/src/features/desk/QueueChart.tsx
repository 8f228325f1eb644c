import { batchLetter, type Project } from '@seriatim/core/trade'
import { addDays, type LocalDate, type ProjectId } from '@seriatim/core/units'
import { useMemo } from 'react'
import { dateText, plural } from '../../shared/format/index.ts'
import { ScrollRegion } from '../../shared/ui/index.ts'
import { useNow } from '../../shared/use-now.ts'
import type { DeskShown } from '../../shared/worker/index.ts'
import { datesToSay, layOutQueue, type QueueRow } from './queue-layout.ts'

interface QueueChartProps {
  readonly desk: DeskShown
  readonly jobs: readonly Project[]
}

const left = 190
const width = 1140
const rowHeight = 46
const top = 30
/** What a date takes beside its line. */
const dateRoom = 56

/** The whole queue on one sheet: every job a row, every sitting a block on it, its date a flag and the day it is done by a ring. */
export function QueueChart({ desk, jobs }: QueueChartProps) {
  const now = useNow(3600)
  const units = useMemo(
    () => new Map(jobs.flatMap((job) => job.units.map((unit) => [unit.id as string, job.id] as const))),
    [jobs],
  )
  const layout = useMemo(() => layOutQueue(desk, units, now), [desk, units, now])
  const { painters } = desk.plan
  const nameOf = (id: ProjectId) => jobs.find((job) => job.id === id)?.name ?? ''
  const step = (width - left) / layout.days
  const x = (day: number) => left + day * step
  const several = painters.length > 1
  const height = top + layout.rows.length * rowHeight + 6
  return (
    <section className="ticket mt-4 p-4" aria-labelledby="queue">
      <h2 id="queue" className="text-xl">
        Who does what when
      </h2>
      <p className="mt-1 text-sm text-ink-soft">
        A block is a session, as high as it is long{several ? ', with the letter of whoever sits there' : ''};
        a flag the day by which it has to be painted; a ring the day it is by in 8 of 10 cases.
        {several
          ? ` ${painters.map((painter, index) => `${batchLetter(index + 1)} ${painter.name}`).join(', ')}.`
          : ''}
      </p>
      <ScrollRegion label="The queue, job by job">
        <svg
          viewBox={`0 0 ${String(width)} ${String(height)}`}
          className="mt-2 w-full min-w-[52rem]"
          role="img"
          aria-label={layout.rows.map((row) => rowText(row, nameOf(row.projectId), layout.from)).join(' ')}
        >
          <defs>
            <pattern
              id="late"
              width="6"
              height="6"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <line x1="0" y1="0" x2="0" y2="6" stroke="var(--hands)" strokeWidth="2" />
            </pattern>
          </defs>
          {datesToSay(layout, 9)
            .filter((day) => x(day) + dateRoom < width)
            .map((day) => (
              <g key={day}>
                <line x1={x(day)} x2={x(day)} y1={top - 8} y2={height} stroke="var(--paper-edge)" />
                <text x={x(day) + 4} y={14} fontSize="13" fill="var(--ink-soft)">
                  {shortDate(addDays(layout.from, day))}
                </text>
              </g>
            ))}
          {layout.rows.map((row, index) => (
            <Row
              key={row.projectId}
              row={row}
              name={nameOf(row.projectId)}
              y={top + index * rowHeight}
              x={x}
              step={step}
              mostSeconds={layout.mostSeconds}
              several={several}
            />
          ))}
        </svg>
      </ScrollRegion>
    </section>
  )
}

/** `30 Nov`: without its weekday and year. */
const shortDate = (date: LocalDate) => dateText(date, date).slice(4)

interface RowProps {
  readonly row: QueueRow
  readonly name: string
  readonly y: number
  readonly x: (day: number) => number
  readonly step: number
  readonly mostSeconds: number
  readonly several: boolean
}

function Row({ row, name, y, x, step, mostSeconds, several }: RowProps) {
  const floor = y + rowHeight - 10
  const room = rowHeight - 16
  const heightOf = (seconds: number) => (seconds / Math.max(1, mostSeconds)) * room
  const { due, doneBy, lateDays } = row
  return (
    <g>
      <line x1={0} x2={width} y1={floor} y2={floor} stroke="var(--rule)" />
      <text x={0} y={floor - 7} fontSize="15" fontWeight="700" fill="var(--ink)">
        {name.length > 24 ? `${name.slice(0, 23)}…` : name}
      </text>
      {due !== null && lateDays > 0 ? (
        <rect x={x(due + 1)} y={floor - 5} width={lateDays * step} height={10} fill="url(#late)" />
      ) : null}
      {row.blocks.map(({ day, painter, seconds, under }) => {
        const blockY = floor - heightOf(under + seconds)
        const blockHeight = heightOf(seconds)
        return (
          <g key={`${String(day)} ${String(painter)}`}>
            <rect
              x={x(day) + step * 0.08}
              y={blockY}
              width={Math.max(1.5, step * 0.84)}
              height={Math.max(1, blockHeight)}
              fill={painter % 2 === 0 ? 'var(--ink-soft)' : 'var(--drying)'}
              stroke="var(--paper)"
              strokeWidth="0.5"
            />
            {several && step > 11 && blockHeight > 11 ? (
              <text
                x={x(day) + step / 2}
                y={blockY + blockHeight / 2 + 4}
                fontSize="11"
                textAnchor="middle"
                fill="var(--paper)"
              >
                {batchLetter(painter + 1)}
              </text>
            ) : null}
          </g>
        )
      })}
      {due === null ? null : (
        <g>
          <line x1={x(due + 1)} x2={x(due + 1)} y1={y + 2} y2={floor} stroke="var(--ink)" strokeWidth="2" />
          <path d={`M${String(x(due + 1))} ${String(y + 2)} l-11 5 l11 5 z`} fill="var(--ink)" />
        </g>
      )}
      {doneBy === null ? null : (
        <circle
          cx={x(doneBy + 0.5)}
          cy={floor}
          r={6}
          fill="var(--paper)"
          stroke={lateDays > 0 ? 'var(--hands)' : 'var(--done)'}
          strokeWidth="3"
        />
      )}
      {lateDays > 0 && doneBy !== null ? (
        <text
          x={Math.min(x(doneBy + 1) + 6, width)}
          y={floor - 8}
          fontSize="13"
          fontWeight="700"
          fill="var(--hands)"
          textAnchor={x(doneBy + 1) > width - 90 ? 'end' : 'start'}
        >
          {plural(lateDays, 'day')} late
        </text>
      ) : null}
    </g>
  )
}

function rowText({ blocks, due, doneBy, lateDays }: QueueRow, name: string, from: LocalDate): string {
  if (blocks.length === 0) return `${name}: nothing left.`
  const sittings = plural(new Set(blocks.map((block) => block.day)).size, 'day')
  const done = doneBy === null ? 'done beyond the calendar' : `done by ${dateText(addDays(from, doneBy))}`
  const date = due === null ? 'no date' : `due ${dateText(addDays(from, due))}`
  return `${name}: worked on on ${sittings}, ${done}, ${date}${lateDays > 0 ? `, ${plural(lateDays, 'day')} late` : ''}.`
}
