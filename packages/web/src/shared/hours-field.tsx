import { readHours } from '@seriatim/core/calendar'
import type { SessionRule } from '@seriatim/core/trade'
import { minutes } from '@seriatim/core/units'
import { clsx } from 'clsx'
import { firstWeekday, durationText, plural, weekdayText, hoursText, decimalText } from './format/index.ts'
import { TextField } from './ui/index.ts'

interface HoursFieldProps {
  readonly text: string
  readonly error?: string | undefined
  readonly onChange: (text: string) => void
}

/** When somebody paints, typed as one writes it or clicked day by day. */
export function HoursField({ text, error, onChange }: HoursFieldProps) {
  const read = readHours(text)
  const rules = read.ok ? read.rules : []
  const isOn = (day: number) => rules.some(({ weekdays }) => weekdays.includes(day))
  return (
    <div className="grid gap-2">
      <TextField
        label="When you paint"
        value={text}
        error={error}
        hint={error === undefined ? (read.ok ? weekText(read.rules) : read.error) : undefined}
        onChange={(event) => onChange(event.target.value)}
      />
      <div role="group" aria-label="Days" className="flex flex-wrap gap-1">
        {week.map((day) => (
          <button
            key={day}
            type="button"
            aria-pressed={isOn(day)}
            className={clsx(
              'min-h-9 rounded-[3px] border-2 px-2.5 text-sm font-bold',
              isOn(day) ? 'border-ink bg-ink text-paper' : 'border-rule bg-paper',
            )}
            onClick={() => onChange(hoursText(isOn(day) ? without(rules, day) : withDay(rules, day)))}
          >
            {weekdayText(day)}
          </button>
        ))}
      </div>
    </div>
  )
}

/** As the reader's weeks go. */
const week = Array.from({ length: 7 }, (_, index) => ((firstWeekday - 1 + index) % 7) + 1)

const usual: SessionRule = {
  weekdays: [],
  startsAt: '19:30',
  lengthSeconds: minutes(150),
  everyWeeks: 1,
  countedFrom: null,
}

/** At the hours of the first. */
function withDay([first = usual, ...others]: readonly SessionRule[], day: number): readonly SessionRule[] {
  return [{ ...first, weekdays: [...first.weekdays, day].sort((a, b) => a - b) }, ...others]
}

function without(rules: readonly SessionRule[], day: number): readonly SessionRule[] {
  return rules
    .map((rule) => ({ ...rule, weekdays: rule.weekdays.filter((each) => each !== day) }))
    .filter(({ weekdays }) => weekdays.length > 0)
}

/** `3 sessions a week, 9 h` */
function weekText(rules: readonly SessionRule[]): string {
  const sessions = rules.reduce((sum, { weekdays, everyWeeks }) => sum + weekdays.length / everyWeeks, 0)
  const length = rules.reduce(
    (sum, { weekdays, everyWeeks, lengthSeconds }) => sum + (weekdays.length * lengthSeconds) / everyWeeks,
    0,
  )
  const count = Number.isInteger(sessions)
    ? plural(sessions, 'session')
    : `${decimalText(sessions, 1)} sessions`
  return `${count} a week, ${durationText(length)}`
}
