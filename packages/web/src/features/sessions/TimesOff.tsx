import { parseLocalDate, type LocalDate } from '@seriatim/core/units'
import { Plus, X } from 'lucide-react'
import { useState } from 'react'
import { dateText } from '../../shared/format/index.ts'
import { Button, Dialog, IconButton, TextField } from '../../shared/ui/index.ts'
import type { PainterPartProps } from './PainterTicket.tsx'

/** Holidays: days on which no sitting takes place. */
export function TimesOff({ painter, onChange }: PainterPartProps) {
  const [adding, setAdding] = useState(false)
  const [from, setFrom] = useState('')
  const [until, setUntil] = useState('')
  const [tried, setTried] = useState(false)
  const fromFault = parseLocalDate(from).ok ? null : 'Give a day that exists.'
  const untilFault = !parseLocalDate(until).ok
    ? 'Give a day that exists.'
    : until < from
      ? 'Days off end on the day they begin, or later.'
      : null
  return (
    <div>
      <h3 className="text-base">Days off</h3>
      <ul>
        {painter.off.map((off, index) => {
          const text =
            off.from === off.until ? dateText(off.from) : `${dateText(off.from)} to ${dateText(off.until)}`
          return (
            <li key={index} className="flex items-center gap-2 border-t border-paper-edge">
              <span className="grow">{text}</span>
              <IconButton
                label={`Take back ${text}`}
                onClick={() =>
                  onChange(
                    { ...painter, off: painter.off.filter((_, at) => at !== index) },
                    `${text}: painting as usual.`,
                  )
                }
              >
                <X aria-hidden="true" size={18} />
              </IconButton>
            </li>
          )
        })}
      </ul>
      <Button weight="quiet" className="-ml-4" onClick={() => setAdding(true)}>
        <Plus aria-hidden="true" size={18} /> Days off
      </Button>
      <Dialog open={adding} onOpenChange={setAdding} title={`Days off of ${painter.name}`}>
        <form
          noValidate
          className="grid gap-4"
          onSubmit={(event) => {
            event.preventDefault()
            setTried(true)
            if (fromFault !== null || untilFault !== null) return
            const off = { from: from as LocalDate, until: until as LocalDate }
            onChange({ ...painter, off: [...painter.off, off] }, 'No painting on these days.')
            setAdding(false)
            setTried(false)
          }}
        >
          <div className="grid grid-cols-2 gap-4">
            <TextField
              label="First day off"
              type="date"
              value={from}
              onChange={(event) => {
                setFrom(event.target.value)
                if (until === '' || until < event.target.value) setUntil(event.target.value)
              }}
              {...(tried && fromFault !== null ? { error: fromFault } : {})}
            />
            <TextField
              label="Last day off"
              type="date"
              value={until}
              onChange={(event) => setUntil(event.target.value)}
              {...(tried && untilFault !== null ? { error: untilFault } : {})}
            />
          </div>
          <Button type="submit" weight="main">
            No painting then
          </Button>
        </form>
      </Dialog>
    </div>
  )
}
