import type { Unit } from '@seriatim/core/trade'
import { durationText } from '../../shared/format/index.ts'
import { TextField } from '../../shared/ui/index.ts'
import type { ReadLast, Told } from './last-time.ts'

interface LastTimeProps {
  readonly told: Told
  readonly like: Unit | undefined
  readonly method: string
  readonly said: ReadLast
  readonly error: string | undefined
  readonly onChange: (told: Told) => void
}

/** What the last unit took brings the times close to the painter's own; nothing told is as well. */
export function LastTime({ told, like, method, said, error, onChange }: LastTimeProps) {
  return (
    <fieldset className="grid gap-1" disabled={!like}>
      <legend className="text-sm font-bold">Your last unit</legend>
      <div className="grid grid-cols-[6rem_minmax(0,1fr)] items-start gap-3">
        <TextField
          label="Models"
          inputMode="numeric"
          value={told.models}
          placeholder={like ? String(like.models.length) : '10'}
          onChange={(event) => onChange({ ...told, models: event.target.value })}
        />
        <TextField
          label="It took"
          value={told.took}
          maxLength={120}
          placeholder="about three evenings of two hours"
          hint={
            said.unit && like
              ? `${durationText(said.seconds)} in all, for ${like.size} to ${like.standard} by ${method.toLowerCase()}.`
              : 'People differ by a factor of three: one you remember makes the times yours. Leave it empty if you like.'
          }
          error={error}
          onChange={(event) => onChange({ ...told, took: event.target.value })}
        />
      </div>
    </fieldset>
  )
}
