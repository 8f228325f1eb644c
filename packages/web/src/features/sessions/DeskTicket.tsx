import type { Planning } from '@seriatim/core/trade'
import { CommitField, Stepper } from '../../shared/ui/index.ts'
import { CommitCheck } from './CommitCheck.tsx'

interface DeskTicketProps {
  readonly planning: Planning
  readonly onChange: (some: Partial<Planning>, said: string) => void
}

const clock = /^([01]\d|2[0-3]):[0-5]\d$/

/** What there is to share: spraying places, airbrushes, the rack; when to spray; and how often life gets in the way. */
export function DeskTicket({ planning, onChange }: DeskTicketProps) {
  const { sprayHours, rackPlaces, sprayPlaces, airbrushes, skipShare } = planning
  const setHours = (hours: NonNullable<Planning['sprayHours']>) =>
    onChange({ sprayHours: hours }, `Cans are used from ${hours.from} to ${hours.until}.`)
  return (
    <section aria-labelledby="desk" className="ticket grid gap-4 p-4">
      <h2 id="desk" className="text-xl">
        At the desk
      </h2>
      <div className="flex flex-wrap gap-2">
        <Stepper
          label="Can spray at a time"
          value={sprayPlaces}
          min={1}
          max={12}
          onChange={(value) => onChange({ sprayPlaces: value }, '')}
        />
        <Stepper
          label="Airbrushes"
          value={airbrushes}
          min={1}
          max={12}
          onChange={(value) => onChange({ airbrushes: value }, '')}
        />
      </div>
      <div className="flex flex-wrap items-start gap-4">
        <CommitField
          label="Drying rack, models"
          className="w-52"
          hint="For coats all over; empty: room for all."
          value={rackPlaces === null ? '' : String(rackPlaces)}
          check={(text) =>
            text.trim() === '' || /^[1-9]\d{0,2}$/.test(text.trim())
              ? null
              : 'Give a whole number up to 999, or nothing.'
          }
          onCommit={(text) =>
            onChange(
              { rackPlaces: text.trim() === '' ? null : Number(text) },
              text.trim() === '' ? 'The rack has room for all.' : `The rack holds ${text.trim()} models.`,
            )
          }
        />
        <CommitField
          label="Sessions that fall out, %"
          className="w-56"
          hint="Unforeseen; affects only the odds."
          value={String(Math.round(skipShare * 100))}
          check={(text) =>
            /^\d{1,2}$/.test(text.trim()) && Number(text) <= 90 ? null : 'Give a number from 0 to 90.'
          }
          onCommit={(text) =>
            onChange({ skipShare: Number(text) / 100 }, `${text.trim()} % of sessions fall out.`)
          }
        />
      </div>
      <fieldset>
        <legend className="text-sm font-bold">Cans</legend>
        <CommitCheck
          label="Only in these hours: daylight, fair weather, a window open"
          checked={sprayHours !== null}
          onCommit={(checked) =>
            checked
              ? setHours({ from: '10:00', until: '16:00' })
              : onChange({ sprayHours: null }, 'Cans are used at any hour.')
          }
        />
        {sprayHours ? (
          <div className="grid max-w-sm grid-cols-2 gap-4">
            <CommitField
              label="Spray from"
              type="time"
              value={sprayHours.from}
              check={(text) =>
                !clock.test(text)
                  ? 'Give a time such as 10:00.'
                  : text >= sprayHours.until
                    ? 'Begin before the end.'
                    : null
              }
              onCommit={(from) => setHours({ ...sprayHours, from })}
            />
            <CommitField
              label="Spray until"
              type="time"
              value={sprayHours.until}
              check={(text) =>
                !clock.test(text)
                  ? 'Give a time such as 16:00.'
                  : text <= sprayHours.from
                    ? 'End after the beginning.'
                    : null
              }
              onCommit={(until) => setHours({ ...sprayHours, until })}
            />
          </div>
        ) : null}
        <p className="text-sm text-ink-soft">
          Spray outdoors or into an extracting booth, with a fitting respirator, away from flames. The
          product’s sheet and local rules come first.
        </p>
      </fieldset>
    </section>
  )
}
