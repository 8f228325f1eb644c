import { localDateAt } from '@seriatim/core/calendar'
import type { Painter, SessionRule } from '@seriatim/core/trade'
import { seconds } from '@seriatim/core/units'
import { Plus, X } from 'lucide-react'
import { useState } from 'react'
import { durationText, weekdayText } from '../../shared/format/index.ts'
import { Button, CheckField, Dialog, IconButton, SelectField, TextField } from '../../shared/ui/index.ts'
import { useNow } from '../../shared/use-now.ts'
import type { PainterPartProps } from './PainterTicket.tsx'

/** The sittings that come again and again: the project's evenings, or the painter's own. */
export function Rules({ painter, project, onChange }: PainterPartProps) {
  const [adding, setAdding] = useState(false)
  const { evenings } = project
  const without = (index: number): Painter => ({
    ...painter,
    rules: painter.rules.filter((_, at) => at !== index),
  })
  return (
    <div>
      <h3 className="text-base">Regular sessions</h3>
      <ul>
        {painter.rules.length === 0 ? (
          <li className="min-h-9 text-ink-soft">
            {ruleText({ ...evenings, everyWeeks: 1, countedFrom: null })}, the project’s evenings
          </li>
        ) : (
          painter.rules.map((rule, index) => (
            <li key={index} className="flex items-center gap-2 border-t border-paper-edge">
              <span className="grow">{ruleText(rule)}</span>
              <IconButton
                label={`Take off ${ruleText(rule)}`}
                onClick={() => onChange(without(index), 'The sessions are changed.')}
              >
                <X aria-hidden="true" size={18} />
              </IconButton>
            </li>
          ))
        )}
      </ul>
      <Button weight="quiet" className="-ml-4" onClick={() => setAdding(true)}>
        <Plus aria-hidden="true" size={18} /> My own times
      </Button>
      <Dialog open={adding} onOpenChange={setAdding} title={`Sittings of ${painter.name}`}>
        <RuleForm
          timeZone={evenings.timeZone}
          onSubmit={(rule) => {
            onChange({ ...painter, rules: [...painter.rules, rule] }, `${ruleText(rule)}: the plan follows.`)
            setAdding(false)
          }}
        />
      </Dialog>
    </div>
  )
}

function ruleText({ weekdays, startsAt, lengthSeconds, everyWeeks }: SessionRule): string {
  const weeks =
    everyWeeks === 1 ? '' : everyWeeks === 2 ? 'every other ' : `every ${String(everyWeeks)} weeks `
  return `${weeks}${weekdays.map(weekdayText).join(' · ')} ${startsAt}, ${durationText(lengthSeconds)}`
}

function RuleForm({
  timeZone,
  onSubmit,
}: {
  readonly timeZone: string
  readonly onSubmit: (rule: SessionRule) => void
}) {
  const now = useNow(600)
  const [weekdays, setWeekdays] = useState<readonly number[]>([])
  const [startsAt, setStartsAt] = useState('19:30')
  const [endsAt, setEndsAt] = useState('22:00')
  const [everyWeeks, setEveryWeeks] = useState(1)
  const [countedFrom, setCountedFrom] = useState<string>(localDateAt(now, timeZone))
  const [tried, setTried] = useState(false)
  const length = lengthBetween(startsAt, endsAt)
  const dayFault = weekdays.length === 0 ? 'Choose at least one day.' : null
  const lengthFault = length === null ? 'Give times such as 19:30, from 5 minutes to 16 hours apart.' : null
  return (
    <form
      noValidate
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        setTried(true)
        if (dayFault !== null || length === null) return
        onSubmit({
          weekdays: weekdays.toSorted((a, b) => a - b),
          startsAt,
          lengthSeconds: seconds(length),
          everyWeeks,
          countedFrom: everyWeeks === 1 ? null : (countedFrom as SessionRule['countedFrom']),
        })
      }}
    >
      <fieldset>
        <legend className="text-sm font-bold">Days</legend>
        <div className="flex flex-wrap gap-x-2">
          {[1, 2, 3, 4, 5, 6, 7].map((day) => (
            <CheckField
              key={day}
              label={weekdayText(day)}
              checked={weekdays.includes(day)}
              onChange={(event) =>
                setWeekdays(
                  event.target.checked ? [...weekdays, day] : weekdays.filter((each) => each !== day),
                )
              }
            />
          ))}
        </div>
        {tried && dayFault !== null ? (
          <p role="alert" className="text-sm font-bold text-hands">
            {dayFault}
          </p>
        ) : null}
      </fieldset>
      <div className="grid grid-cols-2 gap-4">
        <TextField
          label="From"
          type="time"
          value={startsAt}
          onChange={(event) => setStartsAt(event.target.value)}
        />
        <TextField
          label="To"
          type="time"
          value={endsAt}
          onChange={(event) => setEndsAt(event.target.value)}
          {...(tried && lengthFault !== null ? { error: lengthFault } : {})}
        />
      </div>
      <div className="grid grid-cols-2 gap-4">
        <SelectField
          label="How often"
          value={String(everyWeeks)}
          options={[
            { value: '1', text: 'every week' },
            { value: '2', text: 'every other week' },
            { value: '3', text: 'every third week' },
            { value: '4', text: 'every fourth week' },
          ]}
          onChange={(event) => setEveryWeeks(Number(event.target.value))}
        />
        {everyWeeks > 1 ? (
          <TextField
            label="Counted from the week of"
            type="date"
            value={countedFrom}
            onChange={(event) => setCountedFrom(event.target.value || localDateAt(now, timeZone))}
          />
        ) : null}
      </div>
      <Button type="submit" weight="main">
        Add these sessions
      </Button>
    </form>
  )
}

/** Seconds from one wall-clock time to the next of the other; `null` when that is no sitting. */
export function lengthBetween(from: string, to: string): number | null {
  const clock = /^([01]\d|2[0-3]):([0-5]\d)$/
  const [a, b] = [clock.exec(from), clock.exec(to)]
  if (!a || !b) return null
  const minutes = (match: RegExpExecArray) => Number(match[1]) * 60 + Number(match[2])
  const length = ((minutes(b) - minutes(a) + 24 * 60) % (24 * 60)) * 60
  return length >= 300 && length <= 16 * 3600 ? length : null
}
