import { localDateAt, readHours, rulesFor, rulesOf } from '@seriatim/core/calendar'
import type { Evenings, SessionRule } from '@seriatim/core/trade'
import { hoursText } from '../../shared/format/index.ts'
import { parseLocalDate } from '@seriatim/core/units'
import { useState } from 'react'
import { HoursField } from '../../shared/hours-field.tsx'
import { Button, Dialog, TextField } from '../../shared/ui/index.ts'
import { useNow } from '../../shared/use-now.ts'

interface PaintsWhenProps {
  readonly title: string
  /** A name is asked for where there is one. */
  readonly name?: string
  /** Empty: the project's evenings. */
  readonly rules: readonly SessionRule[]
  readonly evenings: Evenings
  readonly submitLabel: string
  readonly onSave: (rules: readonly SessionRule[], name: string) => void
  readonly onClose: () => void
}

/** When a painter is at the desk; as the project's evenings until something else is typed. */
export function PaintsWhen({ title, rules, evenings, onClose, ...props }: PaintsWhenProps) {
  const now = useNow(600)
  const usual = hoursText(rulesOf(evenings))
  const [name, setName] = useState(props.name ?? '')
  const [text, setText] = useState(hoursText(rulesFor({ rules }, evenings)))
  const [countedFrom, setCountedFrom] = useState<string>(
    rules.find((rule) => rule.countedFrom !== null)?.countedFrom ?? localDateAt(now, evenings.timeZone),
  )
  const [tried, setTried] = useState(false)
  const day = parseLocalDate(countedFrom)
  const read = readHours(text, day.ok ? day.value : null)
  const isEveryWeek = read.ok && read.rules.every((rule) => rule.everyWeeks === 1)
  return (
    <Dialog open onOpenChange={onClose} title={title}>
      <form
        noValidate
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          setTried(true)
          if (!read.ok || (!isEveryWeek && !day.ok)) return
          props.onSave(text.trim() === usual ? [] : read.rules, name.trim())
        }}
      >
        {props.name === undefined ? null : (
          <TextField
            label="Name"
            value={name}
            maxLength={60}
            onChange={(event) => setName(event.target.value)}
          />
        )}
        <HoursField text={text} error={tried && !read.ok ? read.error : undefined} onChange={setText} />
        {read.ok && !isEveryWeek ? (
          <TextField
            label="Counted from the week of"
            type="date"
            value={countedFrom}
            error={tried && !day.ok ? 'Give a day that exists.' : undefined}
            onChange={(event) => setCountedFrom(event.target.value)}
          />
        ) : null}
        <div className="flex flex-wrap gap-2">
          <Button type="submit" weight="main">
            {props.submitLabel}
          </Button>
          {text.trim() === usual ? null : (
            <Button onClick={() => setText(usual)}>As the project: {usual}</Button>
          )}
        </div>
      </form>
    </Dialog>
  )
}
