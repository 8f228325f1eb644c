import { Download, Send } from 'lucide-react'
import { useQueries } from '@tanstack/react-query'
import type { StoredProject } from '@seriatim/contract'
import { projectQuery } from '../../shared/api/index.ts'
import { saveText } from '../../shared/csv/index.ts'
import { clockText, dayText, plural } from '../../shared/format/index.ts'
import { idOf, outbox, refusedJson, type Parcel, type Refused } from '../../shared/outbox/index.ts'
import { progressStore } from '../../shared/progress/index.ts'
import { Button, Dialog } from '../../shared/ui/index.ts'
import { Clash } from './Clash.tsx'
import { parcelText } from './parcel-text.ts'
import { again } from './send-again.ts'

interface NotDeliveredProps {
  readonly onOpenChange: (open: boolean) => void
  readonly waiting: readonly Parcel[]
  readonly refused: readonly Refused[]
  readonly trouble: string | null
}

const shown = 12

/** What did not reach the server, each with its reason and the ways out; nothing leaves this list by itself. */
export function NotDelivered({ onOpenChange, waiting, refused, trouble }: NotDeliveredProps) {
  const projectIds = [
    ...new Set([...waiting, ...refused.map(({ parcel }) => parcel)].map((parcel) => parcel.projectId)),
  ]
  // The list may be looked at before the projects are there: it names what it can, and the rest as they come.
  const projects = useQueries({ queries: projectIds.map(projectQuery) })
  const projectOf = (parcel: Parcel): StoredProject | undefined =>
    projects[projectIds.indexOf(parcel.projectId)]?.data
  const toFile = () => {
    const entries = [...waiting.map((parcel) => ({ parcel, reason: 'not sent yet' })), ...refused]
    saveText(
      'seriatim-not-delivered.json',
      JSON.stringify(entries.map(refusedJson), null, 1),
      'application/json',
    )
  }
  const nothing = waiting.length === 0 && refused.length === 0
  return (
    <Dialog
      open
      onOpenChange={onOpenChange}
      title={nothing ? 'All is with the server' : 'Not delivered'}
      description="What was recorded or changed here stays in this browser until the server has it, or you decide."
      wide
    >
      {refused.length > 0 ? (
        <section aria-labelledby="refused" className="mb-5">
          <h3 id="refused" className="text-xl">
            Not taken by the server
          </h3>
          <ul>
            {refused.map((each) => (
              <li key={idOf(each.parcel)} className="border-t border-paper-edge py-3">
                {each.theirs ? (
                  <Clash refused={each} project={projectOf(each.parcel)} />
                ) : (
                  <Plain refused={each} project={projectOf(each.parcel)} />
                )}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      {waiting.length > 0 ? (
        <section aria-labelledby="waiting" className="mb-5">
          <h3 id="waiting" className="text-xl">
            {plural(waiting.length, 'entry', 'entries')} on the way
          </h3>
          <p className="text-sm text-ink-soft">
            {trouble === null ? 'Being sent.' : `${trouble} It is tried again by itself.`}
          </p>
          <ul>
            {waiting.slice(0, shown).map((parcel) => (
              <li
                key={idOf(parcel)}
                className="flex flex-wrap items-center gap-x-4 border-t border-paper-edge"
              >
                <span className="grow py-1.5">
                  {parcelText(parcel, projectOf(parcel))} <When parcel={parcel} />
                </span>
                {trouble === null ? null : (
                  <Button weight="quiet" onClick={() => drop(parcel)}>
                    Let it go
                  </Button>
                )}
              </li>
            ))}
          </ul>
          {waiting.length > shown ? <p className="text-sm">and {waiting.length - shown} more</p> : null}
        </section>
      ) : null}
      {nothing ? null : (
        <div className="flex flex-wrap gap-3">
          <Button onClick={() => void outbox.flush()} disabled={waiting.length === 0}>
            <Send aria-hidden="true" size={18} /> Try now
          </Button>
          <Button onClick={toFile}>
            <Download aria-hidden="true" size={18} /> Write all to a file
          </Button>
        </div>
      )}
    </Dialog>
  )
}

/** Takes back what was shown of it as well. */
function drop(parcel: Parcel): void {
  outbox.letGo([idOf(parcel)])
  if (parcel.kind === 'event') progressStore(parcel.projectId).withdraw([parcel.event.id])
}

function Plain({
  refused,
  project,
}: {
  readonly refused: Refused
  readonly project: StoredProject | undefined
}) {
  const { parcel, reason } = refused
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <p className="min-w-60 grow">
        <b>{parcelText(parcel, project)}</b> <When parcel={parcel} />
        <br />
        {reason}
      </p>
      <Button onClick={() => outbox.letGo([idOf(parcel)], [again(parcel, project)])}>Send again</Button>
      <Button weight="quiet" onClick={() => outbox.letGo([idOf(parcel)])}>
        Let it go
      </Button>
    </div>
  )
}

function When({ parcel }: { readonly parcel: Parcel }) {
  const at = parcel.kind === 'event' ? parcel.event.at : parcel.change.at
  return (
    <span className="figures text-sm text-ink-soft">
      {dayText(at)} {clockText(at)}
    </span>
  )
}
