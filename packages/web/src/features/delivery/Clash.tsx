import type { StoredProject } from '@seriatim/contract'
import { commandText, valueText } from '../../shared/project/index.ts'
import { idOf, outbox, type Refused } from '../../shared/outbox/index.ts'
import { Button } from '../../shared/ui/index.ts'
import { again } from './send-again.ts'

interface ClashProps {
  readonly refused: Refused
  readonly project: StoredProject | undefined
}

/** Two changed the same thing: both words side by side, and the person chooses. */
export function Clash({ refused, project }: ClashProps) {
  const { parcel, reason, theirs = [] } = refused
  if (parcel.kind !== 'change') return null
  const { commands } = parcel.change
  const isGone = theirs.every((each) => each === null)
  return (
    <div className="grid gap-2">
      <p>
        <b>{project?.name ?? 'A project'}</b>: {reason}
      </p>
      <table className="w-full text-left">
        <thead className="text-sm text-ink-soft">
          <tr>
            <th scope="col" className="py-1 pr-4 font-bold">
              What
            </th>
            <th scope="col" className="py-1 pr-4 font-bold">
              Here
            </th>
            <th scope="col" className="py-1 font-bold">
              There now
            </th>
          </tr>
        </thead>
        <tbody>
          {commands.map((command, index) => (
            <tr key={JSON.stringify([command.thing, 'id' in command ? command.id : '', index])}>
              <th scope="row" className="py-1 pr-4 font-bold">
                {project ? commandText(command, project) : 'a change'}
              </th>
              <td className="figures py-1 pr-4">
                {command.kind === 'set' ? valueText(command, command.value) : '—'}
              </td>
              <td className="figures py-1">
                {theirs[index] === null || theirs[index] === undefined
                  ? 'gone, or changed as a whole'
                  : valueText(command, theirs[index])}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="flex flex-wrap gap-3">
        <Button weight="main" onClick={() => outbox.letGo([idOf(parcel)])}>
          Keep what is there
        </Button>
        {isGone ? null : (
          <Button onClick={() => outbox.letGo([idOf(parcel)], [again(parcel, project)])}>
            Put mine in its place
          </Button>
        )}
      </div>
    </div>
  )
}
