import type { ClientLink } from '@seriatim/contract'
import { useState } from 'react'
import { toast } from 'sonner'
import { useLinkChange } from '../../shared/api/index.ts'
import { dayText } from '../../shared/format/index.ts'
import { useCurrentProject } from '../../shared/project/index.ts'
import { Button, Dialog, SelectField } from '../../shared/ui/index.ts'
import { useNow } from '../../shared/use-now.ts'

/** Links by which the client looks at this project, without signing in; told once, and ended by one click. */
export function ClientLinks({ links }: { readonly links: readonly ClientLink[] }) {
  const project = useCurrentProject()
  const change = useLinkChange(project.id)
  const now = useNow(60)
  const [days, setDays] = useState('90')
  const [told, setTold] = useState<string | null>(null)
  const open = links.filter((link) => link.revokedAt === null && link.expiresAt > now)
  return (
    <section className="ticket p-4" aria-labelledby="links">
      <h2 id="links" className="text-xl">
        The client’s page
      </h2>
      <p className="mt-1 text-sm text-ink-soft">
        Whoever has the link sees how far each unit is, the agreed standard, the date and the test model; no
        prices, hours, recipes or names.
      </p>
      <ul className="mt-2">
        {open.map((link) => (
          <li
            key={link.id}
            className="flex min-h-12 flex-wrap items-center gap-x-4 border-t border-paper-edge py-1"
          >
            <span className="grow">
              Made {dayText(link.madeAt)}, holds until {dayText(link.expiresAt)};{' '}
              {link.seenAt === null ? 'not looked at yet' : `last looked at ${dayText(link.seenAt)}`}
            </span>
            <Button
              onClick={() =>
                change.mutate(
                  { kind: 'end', linkId: link.id },
                  { onSuccess: () => toast('The link is ended.') },
                )
              }
            >
              End it<span className="sr-only">, made {dayText(link.madeAt)}</span>
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <SelectField
          label="A link that holds"
          value={days}
          onChange={(event) => setDays(event.target.value)}
          options={[
            { value: '30', text: '30 days' },
            { value: '90', text: '90 days' },
            { value: '365', text: 'a year' },
          ]}
        />
        <Button
          disabled={change.isPending}
          onClick={() => change.mutate({ kind: 'make', days: Number(days) }, { onSuccess: setTold })}
        >
          Make a link
        </Button>
      </div>
      {told !== null ? (
        <Dialog open onOpenChange={() => setTold(null)} title="The link for the client">
          <p>It is shown this once; nobody can read it again. Send it as it is.</p>
          <p className="figures my-4 break-all select-all">{`${window.location.origin}/look/${told}`}</p>
          <Button weight="main" onClick={() => setTold(null)}>
            Done
          </Button>
        </Dialog>
      ) : null}
    </section>
  )
}
